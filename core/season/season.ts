/**
 * A season as a coach plans it: races, phases laid back from them, a rhythm of the week, threads that grow, and what was decided by hand. All
 * days are YYYY-MM-DD. `layOutSeason()` makes the weeks of it.
 */
import type { ChainLink } from '../library/librarySession';
import type { Intent, MeantArc } from '../session/intent';

export const PHASES = ['base', 'transition', 'early', 'middle', 'late', 'taper', 'race week', 'break'] as const;
export type Phase = (typeof PHASES)[number];

export const DAY_KINDS = ['hard', 'long', 'easy', 'strides', 'off', 'race', 'free'] as const;
/** What a day is for; `free` is left to the athlete, and any day outside the season. */
export type DayKind = (typeof DAY_KINDS)[number];

export const RACE_WEIGHTS = ['A', 'B', 'C'] as const;
/** `A`: the season is laid back from it. `B`: a few days of rest before it. `C`: run out of full training. */
export type RaceWeight = (typeof RACE_WEIGHTS)[number];

/** Who runs what: the event, and what they hope for. */
export type RaceEntry = {
  athleteId: string;
  distanceM: number;
  goalS?: number;
  /** Times on the way, from the gun. */
  splits?: { atM: number; timeS: number }[];
};

export type SeasonRace = {
  id: string;
  date: string;
  name: string;
  weight: RaceWeight;
  place?: string;
  /** HH:MM */
  startTime?: string;
  /** Days of less work before it, where the coach has chosen: 0 is none. */
  taperDays?: number;
  entries?: RaceEntry[];
  /** What to think of in each third, where the coach has said so. */
  focus?: [string, string, string];
};

/** A phase and how many weeks it takes; where there is more or less time it gives or takes between `least` and `most`. */
export type PhasePlan = {
  phase: Exclude<Phase, 'race week' | 'break'>;
  weeks: number;
  least: number;
  most: number;
  /** The coach set its length: it is kept as long as there are weeks for it. */
  isKept?: true;
};

export type RhythmDay = Exclude<DayKind, 'race'>;
/** Monday to Sunday. */
export type Rhythm = readonly [RhythmDay, RhythmDay, RhythmDay, RhythmDay, RhythmDay, RhythmDay, RhythmDay];

/** Which thread each hard day of a week takes, in order; null where it stays easy that week. */
export type CycleWeek = readonly (string | null)[];

/** A family of sessions that grows by a lever. */
export type Thread = {
  id: string;
  name: string;
  intent: Intent;
  /** How its sessions are to feel, where that is not as usual for their kind. */
  arc?: MeantArc;
  /** Main part and fast finish as written: the sessions it goes through in turn; the last one then grows by the chain. */
  stages: readonly string[];
  chain: readonly ChainLink[];
  /** At least so many days from one turn to the next. */
  spacingDays: number;
  /** Hard, but light on the legs. */
  isLight?: true;
  /** A step only where the coach has said so, not by the date. */
  isByReadiness?: true;
  /** When all stages are done they come again, a little faster. */
  isLadder?: true;
  /** Reps over a distance are fewer for a slower group. */
  isFitted?: true;
  /** Goes through the steps of a progression of the library, or grows from one session of it, in place of `stages`. */
  progressionId?: string;
  libraryId?: string;
};

/** A session at a place of its own in the season. */
export type SpecialSession = { title: string; intent: Intent; arc?: MeantArc; main: string };

/** In kilometres or minutes: from so much, more each week, less every so many weeks (0: never), to a most. */
export type LongRun = {
  unit: 'km' | 'min';
  from: number;
  step: number;
  most: number;
  easierEvery: number;
  /** The last whole one is so many days before an A race. */
  lastDays: number;
  /** Held level for so many weeks and then raised, where a school does so. */
  heldWeeks?: number;
  /** What is in it, by phase: `the last 20 minutes steady`. */
  parts?: Partial<Record<Phase, string>>;
};

/** Where coaches disagree; each says in one line what it holds (see schools.ts). */
export type SeasonSchools = {
  /** The long run may follow a hard day. */
  isLongAfterHard?: true;
  /** The long run is one of the hard days. */
  isLongHard?: true;
  /** Threshold and critical speed may share a week. */
  mixesThreshold?: true;
  /** Easy days are run briskly. */
  hasBriskEasyDays?: true;
  /** Heavy legs the day after do not move the next hard day. */
  keepsAfterHeavy?: true;
};

/** A day that the layout leaves alone: set by the coach, written as a session, or over. */
export type FixedDay = {
  date: string;
  kind: DayKind;
  because: 'pinned' | 'written' | 'past';
  threadId?: string;
  /** The step that was written or run; else it is the thread's next one. */
  step?: number;
  special?: SpecialKind;
  /** The session is cut to about this share. */
  share?: number;
  /** The session (dated row) it was written as. */
  sessionId?: string;
  note?: string;
  /** It was missed: `slide` leaves the step to the thread's next turn, `skip` lets it go. */
  missed?: 'slide' | 'skip';
};

/** Days on which nobody trains together: holidays, exams. */
export type DaysOff = { id: string; from: string; to: string; reason: string };

export const EXCEPTION_KINDS = ['away', 'ill', 'injured', 'race'] as const;
/** One athlete is not as the others, from a day to a day, both included. */
export type AthleteException = {
  id: string;
  athleteId: string;
  kind: (typeof EXCEPTION_KINDS)[number];
  from: string;
  to: string;
  note?: string;
};

/** The coach's yes to what the review said of a thread, from this day on. */
export type ThreadDecision = { threadId: string; date: string; step: 'on' | 'repeat' | 'back' };

export const SPECIALS = ['rehearsal', 'indicator', 'trial', 'sharpener'] as const;
/** `rehearsal` is the peak rehearsal, `sharpener` what is run in race week. */
export type SpecialKind = (typeof SPECIALS)[number];

/** What an easy or a long day comes to. */
export type DayAmount = { unit: 'km' | 'min'; amount: number };

/** A day that was run without being timed: about how much, and who of them did not. */
export type DayDone = { date: string; amount: DayAmount; notIds?: string[] };

export type SeasonPlan = {
  name: string;
  firstDay: string;
  /** The median time over 5000 m of those it is for, where known: sessions of the app's own are fitted to it. */
  median5kS?: number;
  /** Training groups it is for; everyone where left out. */
  groupIds?: string[];
  /** Weeks begin on this day; Monday where left out. */
  weekStart?: 'monday' | 'sunday';
  races: SeasonRace[];
  phases: PhasePlan[];
  rhythm: Rhythm;
  /** Where a phase has a rhythm of its own. */
  phaseRhythms?: Partial<Record<Phase, Rhythm>>;
  cycles: Partial<Record<Phase, readonly CycleWeek[]>>;
  /** Threads that may stand in where the one whose turn it is was run too lately. */
  spareIds?: readonly string[];
  threads: Thread[];
  longRun?: LongRun;
  specials: Partial<Record<SpecialKind, SpecialSession>>;
  /** The indicator is on the hard day nearest to the middle of these days before an A race; 10 to 14 where left out. */
  indicatorDays?: readonly [number, number];
  /** A trial in the week so many after the easy-only phase. */
  trialWeek?: number;
  /** Days of less work before an A race, 7 to 14. */
  taperDays: number;
  schools: SeasonSchools;
  /** What was tried out in a rehearsal, for the card on race day. */
  rehearsed?: { shoes?: string; drink?: string; gel?: string };
  daysOff: DaysOff[];
  exceptions: AthleteException[];
  fixed: FixedDay[];
  decisions: ThreadDecision[];
  /** Days that were run, as the coach has ticked them. */
  done?: DayDone[];
};

/** A season as it is stored: its version goes up with every change. */
export type StoredSeason = { id: string; version: number; season: SeasonPlan };

export type SeasonDay = {
  date: string;
  kind: DayKind;
  intent?: Intent;
  thread?: { id: string; step: number };
  special?: SpecialKind;
  raceId?: string;
  /** Within the days of less work before a race. */
  taper?: true;
  /** The session is cut to about this share. */
  share?: number;
  amount?: DayAmount;
  pinned?: true;
  because?: FixedDay['because'];
  missed?: NonNullable<FixedDay['missed']>;
  sessionId?: string;
  note?: string;
};

export type SeasonWeek = { from: string; phase: Phase; days: SeasonDay[] };

/** All days of a season, in order. */
export const daysOf = (weeks: readonly SeasonWeek[]): SeasonDay[] => weeks.flatMap(({ days }) => days);
