/**
 * What happens at the track, as an append-only list of small events. Nothing is ever changed or deleted: undoing and correcting
 * are events too, and two phones' lists are merged by id. `atMs` is the time of the pointer event on the phone's own clock, in
 * milliseconds since 1970; `id` is a ULID.
 */
import type { PlannedAthlete } from './plan';

type Stamp = { id: string; runId: string; deviceId: string; atMs: number };

/** How someone is there: `late` is expected yet. */
export const PRESENCES = ['present', 'late', 'absent'] as const;
export type Presence = (typeof PRESENCES)[number];

/** What makes a group go on to its next rep: a tap, the end of the recovery for all together, or each one's own. */
export const START_MODES = ['tap', 'together', 'each'] as const;
export type StartMode = (typeof START_MODES)[number];

/** How the legs were the day after. */
export const NEXT_DAYS = ['fresh', 'heavy', 'sore'] as const;
export type NextDay = (typeof NEXT_DAYS)[number];

/** `on`: one step further. `repeat`: the same once more. `back`: a step easier. */
export const NEXT_STEPS = ['on', 'repeat', 'back'] as const;
export type NextStep = (typeof NEXT_STEPS)[number];

export const FLAGS = ['stitch', 'niggle', 'pain', 'unwell'] as const;
export type Flag = (typeof FLAGS)[number];

/** Why somebody stopped: nothing was left, a stitch, pain, another duty, or the coach's call. */
export const STOP_REASONS = ['spent', 'stitch', 'pain', 'had-to-go', 'coach'] as const;
export type StopReason = (typeof STOP_REASONS)[number];

/** The coach's answer for an athlete to take care of, for one day: runs nothing, runs about 60 %, or runs as planned. */
export const CARE_CHOICES = ['out', 'part', 'planned'] as const;
export type CareChoice = (typeof CARE_CHOICES)[number];

export const SURFACES = ['dry', 'wet', 'soft', 'icy'] as const;
export const WINDS = ['calm', 'breezy', 'windy'] as const;

/** What it is like out there, as far as it is known. */
export type Conditions = {
  temperatureC?: number;
  humidityPct?: number;
  wind?: (typeof WINDS)[number];
  surface?: (typeof SURFACES)[number];
  /** The lane that all run in. */
  lane?: number;
};

/**
 * What the coach decides on the way: targets slower by so many percent (below 0 faster), recoveries longer by so many seconds, main
 * reps cut to a distance at the same pace, one rep dropped, no more at all, one more, in open work on to the next shorter
 * distance or to its end. `talk` is only said to the athlete.
 */
export type TrackDecision =
  | { kind: 'ease'; percent: number }
  | { kind: 'recovery'; addS: number }
  | { kind: 'distance'; distanceM: number }
  | { kind: 'drop'; repIndex: number }
  | { kind: 'stop' }
  | { kind: 'oneMore'; repIndex: number; planIndex: number }
  | { kind: 'cutDown' }
  | { kind: 'endOpen' }
  | { kind: 'talk' };

/**
 * These athletes set off on rep `repIndex`: from 0 in the order of the plan, a rep that was added has a number above those.
 * `planIndex` is the planned rep that an added one repeats; `byItself` one that the clock started; `staggers` has the other groups
 * follow by their own gaps.
 */
export type StartedEvent = Stamp & {
  type: 'started';
  repIndex: number;
  athleteIds: string[];
  planIndex?: number;
  byItself?: true;
  staggers?: true;
};
/** An athlete passed the mark `atM` metres into the rep; `estimated` when the coach put it in afterwards. */
export type PassedEvent = Stamp & {
  type: 'passed';
  athleteId: string;
  repIndex: number;
  atM: number;
  estimated?: true;
};
/**
 * Somebody passed: the time is taken first, the name comes after. `chip` is one that nobody of the session wears; `tappedId` the athlete whose
 * tile was pressed at a moment when they could not have come in.
 */
export type CrossedEvent = Stamp & { type: 'crossed'; chip?: string; tappedId?: string };
/** The time of `eventId` (crossed or passed) is this athlete's, at this mark. */
export type NamedEvent = Stamp & { type: 'named'; eventId: string; athleteId: string; repIndex: number; atM: number };
/** The time of `eventId` was really `toMs`, on the clock of the phone that took it. */
export type ShiftedEvent = Stamp & { type: 'shifted'; eventId: string; toMs: number };
/** The event `eventId` counts no longer; undoing an undo brings it back. */
export type UndoneEvent = Stamp & { type: 'undone'; eventId: string };
/** The clock of this phone is `offsetMs` behind the server's (above 0) or ahead of it. */
export type ClockEvent = Stamp & { type: 'clock'; offsetMs: number };
export type CameEvent = Stamp & { type: 'came'; athleteId: string; presence: Presence };
/** Somebody who was not in the plan runs with a group. */
export type JoinedEvent = Stamp & { type: 'joined'; groupId: string; athlete: PlannedAthlete };
export type MovedEvent = Stamp & { type: 'moved'; athleteIds: string[]; groupId: string };
export type ConditionsEvent = Stamp & { type: 'conditions'; conditions: Conditions };
/** This phone times those groups from now on. */
export type TimesEvent = Stamp & { type: 'times'; groupIds: string[] };
/** Times are taken at the finish alone from now on, or at the marks on the way too. */
export type MarksEvent = Stamp & { type: 'marks'; finishesOnly: boolean };
/** How the next reps are started from now on. */
export type SendingEvent = Stamp & { type: 'sending'; sending: StartMode };
/** The recovery after rep `repIndex` is longer by so many seconds, this once. */
export type HeldEvent = Stamp & { type: 'held'; athleteIds: string[]; repIndex: number; addS: number };
/** Effort on 1 to 10, as the athlete says. */
export type FeltEvent = Stamp & { type: 'felt'; athleteId: string; repIndex: number; effort: number };
/** Effort of the whole session on 1 to 10, as the athlete says afterwards. */
export type SessionFeltEvent = Stamp & { type: 'sessionFelt'; athleteId: string; effort: number };
/** How these athletes were the day after. */
export type NextDayEvent = Stamp & { type: 'nextDay'; athleteIds: string[]; legs: NextDay };
/** The coach has decided what comes next for these athletes; `sessionId` is the session it was written into. */
export type NextStepEvent = Stamp & { type: 'nextStep'; athleteIds: string[]; step: NextStep; sessionId?: string };
/** Reason for a stop, given on the spot or afterwards. */
export type StopReasonEvent = Stamp & { type: 'stopReason'; athleteId: string; reason: StopReason };
/** Choice of how much an athlete to take care of runs today. */
export type CareChosenEvent = Stamp & { type: 'careChosen'; athleteId: string; choice: CareChoice };
/** Heart beats a minute, after a rep. */
export type PulseEvent = Stamp & { type: 'pulse'; athleteId: string; repIndex: number; beatsPerMin: number };
export type FlaggedEvent = Stamp & { type: 'flagged'; athleteId: string; repIndex: number; flag: Flag };
/** A rep is not to count when the session is read: a fall, a wrong start, a time that cannot be right. */
export type ExcludedEvent = Stamp & { type: 'excluded'; athleteId: string; repIndex: number; reason: string };
export type NotedEvent = Stamp & { type: 'noted'; athleteId: string; repIndex: number; text: string };
/** A decision for some athletes from their next rep on; `rule` is the proposal it answers, `refused` if the answer was no. */
export type DecidedEvent = Stamp & {
  type: 'decided';
  athleteIds: string[];
  decision: TrackDecision;
  rule?: string;
  /** The rep after which it was decided. */
  repIndex?: number;
  refused?: true;
};
/** In a rep without structure: faster now, or easy again. */
export type SurgedEvent = Stamp & { type: 'surged'; groupId: string; isOn: boolean };
/** How far an athlete came in a rep by the clock. */
export type CoveredEvent = Stamp & { type: 'covered'; athleteId: string; repIndex: number; distanceM: number };
/** The session is over. */
export type EndedEvent = Stamp & { type: 'ended' };

export type RunEvent =
  | StartedEvent
  | PassedEvent
  | CrossedEvent
  | NamedEvent
  | ShiftedEvent
  | UndoneEvent
  | ClockEvent
  | CameEvent
  | JoinedEvent
  | MovedEvent
  | ConditionsEvent
  | TimesEvent
  | MarksEvent
  | SendingEvent
  | HeldEvent
  | FeltEvent
  | SessionFeltEvent
  | NextDayEvent
  | NextStepEvent
  | StopReasonEvent
  | CareChosenEvent
  | PulseEvent
  | FlaggedEvent
  | ExcludedEvent
  | NotedEvent
  | DecidedEvent
  | SurgedEvent
  | CoveredEvent
  | EndedEvent;

/** What happened, without its stamp. */
export type Happening = RunEvent extends infer E ? (E extends RunEvent ? Omit<E, keyof Stamp> : never) : never;
