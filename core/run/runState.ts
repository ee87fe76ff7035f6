import type { Conditions, Decision, Flag, NextDay, NextStep, Presence, RunEvent, Sending } from './events';
import type { LogEntry } from './corrections';
import type { PlannedAthlete, PlannedGroup, PlannedRep, PlannedTarget } from './plan';

/** A time taken: `elapsedS` seconds after the athlete's own start of the rep. `also` are times that others took of the same. */
export type Passing = {
  eventId: string;
  deviceId: string;
  atM: number;
  atMs: number;
  elapsedS: number;
  estimated?: true;
  also?: { eventId: string; deviceId: string; elapsedS: number }[];
};

/** One athlete in one rep: what it was to be when it was started, and what came of it. */
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
  /** Why the rep does not count when the session is read, where it does not. */
  excluded?: { eventId: string; reason: string };
};

/** A decision as it was taken, after the athlete's so-manyth rep (from 0; -1 before the first). */
export type Decided = { eventId: string; decision: Decision; afterRuns: number; rule?: string };

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
  /** Effort of the whole session, 1 to 10. */
  sessionEffort?: number;
  /** How they were the day after, and what was decided to come next. */
  nextDay?: NextDay;
  nextStep?: { step: NextStep; sessionId?: string };
  /** Reps that were dropped, by repIndex. */
  dropped: number[];
  /** In open work, by the planned rep it begins with: how often they were cut down, and whether it is over for them. */
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

/**
 * A time without a name. `waits` where it was meant for somebody's mark but cannot be: further on they were there before, or nearer to
 * the start only after it.
 */
export type UnnamedTime = {
  eventId: string;
  atMs: number;
  chip?: string;
  waits?: { athleteId: string; repIndex: number; atM: number; otherM: number };
};

/** All that is known of a session at the track, worked out from its events alone. */
export type RunState = {
  /** Its times were typed in afterwards: when a rep began, and so how long a rest was, is made up. */
  isEntered?: true;
  startedAtMs?: number;
  endedAtMs?: number;
  athletes: Record<string, AthleteState>;
  groups: GroupState[];
  /** Times taken that have no name yet, or wait to be explained. */
  unnamed: UnnamedTime[];
  sending: Sending;
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
  /** Events that say something the plan has no place for: a time before a start, a second start, an unknown athlete. Kept, never lost. */
  unplaced: RunEvent[];
};

/** An athlete's rep by its number; the latest, where they have run one of that number with two groups. */
export const runAt = (athlete: AthleteState | undefined, repIndex: number): RepRun | undefined =>
  athlete?.runs.findLast((run) => run.repIndex === repIndex);

export const groupOf = (state: RunState, groupId: string): GroupState | undefined =>
  state.groups.find(({ id }) => id === groupId);

export const membersOf = (state: RunState, groupId: string): AthleteState[] =>
  Object.values(state.athletes).filter((athlete) => athlete.groupId === groupId);

/** Those of these groups that have anybody in them, in the order of the plan. */
export const peopledGroups = (state: RunState, groupIds: ReadonlySet<string>): GroupState[] =>
  state.groups.filter(({ id }) => groupIds.has(id) && membersOf(state, id).length > 0);

/** Who can be sent off: here, and not stopped. */
export const isRunning = ({ presence, stoppedAtMs }: AthleteState): boolean =>
  presence === 'present' && stoppedAtMs === undefined;
