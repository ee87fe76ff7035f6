/** Answers about many sessions: rows of the projection for lists, stories and comparisons. */
import type { Conditions, NextStep } from '../run/events';
import type { Verdict } from '../run/verdict';
import type { AthleteResult, RepResult } from './results';
import type { KindCount } from './sameSession';

/** One session that was run. */
export type RunHead = {
  runId: string;
  title: string;
  /** YYYY-MM-DD */
  date: string;
  kinds: KindCount[];
  conditions: Conditions;
};

/** A run comparable with another: the same library session, a similar one, a step of the same progression (from 1), or one the coach chose. */
export type SameRun = RunHead & { relation: 'same' | 'alike' | 'step' | 'chosen'; step?: number };

/** A rep that was run and counts. `percent` is how late it was. */
export type RanRep = Pick<
  RepResult,
  | 'athleteId'
  | 'place'
  | 'role'
  | 'distanceM'
  | 'durationS'
  | 'coveredM'
  | 'pace'
  | 'effort'
  | 'restS'
  | 'plannedRestS'
  | 'verdict'
> & { runId: string; timeS: number; percent?: number };

/** One athlete's part of a session. */
export type RanAthlete = Omit<AthleteResult, 'groupId' | 'isThere' | 'early' | 'on' | 'late' | 'startedAtMs'> & {
  runId: string;
  isThere: boolean;
  verdicts: Record<Verdict, number>;
};

/** The same session over the weeks, the latest first. */
export type SameSessions = { progression?: string; runs: SameRun[]; reps: RanRep[]; athletes: RanAthlete[] };

/** The sessions of some weeks, the latest first, with the parts of one athlete or of all. */
export type History = { runs: RunHead[]; athletes: RanAthlete[]; reps: RanRep[] };

/** Metres at a pace on a day, of one athlete; `pace` is empty by effort. */
export type PaceMetres = { athleteId: string; date: string; pace: string; distanceM: number };

/** The same for a squad: sums in place of reps. */
export type SquadHistory = { runs: RunHead[]; athletes: RanAthlete[]; metres: PaceMetres[] };

/** Results of the last time a session was run, for each who ran it. Times in seconds. */
export type LastTime = {
  runId: string;
  date: string;
  /** The kind of rep with most reps. */
  kind: KindCount;
  athletes: LastPart[];
};
export type LastPart = {
  athleteId: string;
  meanS: number;
  evennessPercent?: number;
  effort?: number;
  restS?: number;
  /** Metres over all of it. */
  distanceM: number;
};

/** Where one athlete stands on a progression: the step they ran last, and what was decided after it. */
export type Standing = { athleteId: string; runId: string; date: string; stepId: string; nextStep?: NextStep };
