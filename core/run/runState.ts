import type {
  CareChoice,
  Conditions,
  TrackDecision,
  Flag,
  NextDay,
  NextStep,
  Presence,
  RunEvent,
  StartMode,
  StopReason,
} from './events';
import type { LogEntry } from './corrections';
import type { PlannedAthlete, PlannedGroup, PlannedRep, PlannedTarget } from './plan';

/** A time taken: `elapsedS` seconds after the athlete's own start of the rep. `also` holds times that others took of the same mark. */
export type Passing = {
  eventId: string;
  deviceId: string;
  atM: number;
  atMs: number;
  elapsedS: number;
  estimated?: true;
  also?: { eventId: string; deviceId: string; elapsedS: number }[];
};

/** One athlete's rep: its plan when it was started, and what came of it. */
export type RepRun = {
  repIndex: number;
  /** The group it was run with. */
  groupId: string;
  rep: PlannedRep;
  target: PlannedTarget;
  startId: string;
  startedAtMs: number;
  /** In the order of the marks. */
  passes: Passing[];
  /** When the finish was taken; for a rep by the clock, when its time is up (that may lie ahead). */
  finishedAtMs?: number;
  /** Seconds by which the recovery after it was lengthened, this once. */
  heldS: number;
  effort?: number;
  beatsPerMin?: number;
  coveredM?: number;
  flags: Flag[];
  notes: string[];
  /** Why the rep is excluded from the reading, if it is. */
  excluded?: { eventId: string; reason: string };
};

/** A decision as taken; `afterRuns` counts the athlete's reps before it, from 0 (-1 before the first). */
export type Decided = { eventId: string; decision: TrackDecision; afterRuns: number; rule?: string };

/** One athlete at the track. `planned` is laid out for the reps of `plannedFor`, the group they were to run with. */
export type AthleteState = {
  athleteId: string;
  name: string;
  tileName: string;
  planned: PlannedAthlete;
  plannedFor: string;
  groupId: string;
  presence: Presence;
  isVisitor?: true;
  /** In the order they were started. */
  runs: RepRun[];
  decided: Decided[];
  stoppedAtMs?: number;
  stopReason?: StopReason;
  /** The coach's choice of how much they run today. */
  careChoice?: CareChoice;
  /** Effort of the whole session, 1 to 10. */
  sessionEffort?: number;
  /** How they were the day after, and what was decided to come next. */
  nextDay?: NextDay;
  nextStep?: { step: NextStep; sessionId?: string };
  /** Reps that were dropped, by repIndex. */
  dropped: number[];
  /** Open work, by its first planned rep: how often they were cut down, and whether it has ended for them. */
  open: Record<number, { stage: number; isOver?: true }>;
};

/** A rep in the running order of a group: `planIndex` is the planned rep it is, or repeats; some are only for some. */
export type Slot = { repIndex: number; planIndex: number; onlyFor?: string[] };

export type GroupState = {
  id: string;
  name: string;
  plan: PlannedGroup;
  slots: Slot[];
  /** Where in `slots` the furthest start was; −1 before the first. */
  lastAt: number;
  /** When the group first started. */
  startedAtMs?: number;
  surges: { eventId: string; atMs: number; isOn: boolean }[];
};

/** An unnamed time. `waits` if it was meant for somebody's mark but contradicts another of their times. */
export type UnnamedTime = {
  eventId: string;
  atMs: number;
  chip?: string;
  waits?: { athleteId: string; repIndex: number; atM: number; otherM: number };
  /** It was this athlete's until another time was named as theirs. */
  was?: { athleteId: string; repIndex: number; atM: number };
  /** Id of the athlete whose tile was pressed. */
  tappedId?: string;
};

/** Everything known of a run, worked out from its events alone. */
export type RunState = {
  /** Its times were typed in afterwards: starts, and so rests, are made up. */
  isEntered?: true;
  startedAtMs?: number;
  endedAtMs?: number;
  athletes: Record<string, AthleteState>;
  groups: GroupState[];
  /** Unnamed times, and those that wait to be explained. */
  unnamed: UnnamedTime[];
  startMode: StartMode;
  /** Nobody takes the marks on the way. */
  finishesOnly: boolean;
  /** The other groups follow the first by their own gaps. */
  staggers: boolean;
  conditions: Conditions;
  /** Which groups each phone times, by its id, where it has said so. */
  timers: Record<string, string[]>;
  /** How far each phone's clock is behind the server's, in ms, by its id. */
  clocks: Record<string, number>;
  /** Proposals that were answered. */
  answers: { rule: string; athleteId: string; repIndex: number; refused: boolean }[];
  /** Everything that was recorded, in order of time. */
  log: LogEntry[];
  /** Events without a place in the plan: a time before a start, a second start, an unknown athlete. Kept, never lost. */
  unplaced: RunEvent[];
};

/** An athlete's rep by its number; the latest, if they ran that number with two groups. */
export const runAt = (athlete: AthleteState | undefined, repIndex: number): RepRun | undefined =>
  athlete?.runs.findLast((run) => run.repIndex === repIndex);

export const groupOf = (state: RunState, groupId: string): GroupState | undefined =>
  state.groups.find(({ id }) => id === groupId);

export const membersOf = (state: RunState, groupId: string): AthleteState[] =>
  Object.values(state.athletes).filter((athlete) => athlete.groupId === groupId);

/** Those of these groups that have anybody in them, in plan order. */
export const peopledGroups = (state: RunState, groupIds: ReadonlySet<string>): GroupState[] =>
  state.groups.filter(({ id }) => groupIds.has(id) && membersOf(state, id).length > 0);

/** Who can be sent off: here, and not stopped. */
export const isRunning = ({ presence, stoppedAtMs }: AthleteState): boolean =>
  presence === 'present' && stoppedAtMs === undefined;
