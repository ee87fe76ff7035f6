import type { Nudge } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import type { Leaning } from '../fitness/shapePrior';
import { ageDaysOn } from '../fitness/weighing';
import { daysAfter } from '../units/dayNumber';
import { YOUNG_BY_DEFAULT } from './club';

export const STATUSES = ['training', 'easing', 'injured', 'away'] as const;
export type Status = (typeof STATUSES)[number];

/** A race to be ready for: `distanceM` metres in `timeS` seconds on `date` (YYYY-MM-DD). */
export type Goal = { distanceM: number; timeS: number; date: string; race?: string };

/** What a timing chip's number may be, and that in words. */
export const CHIP = {
  pattern: /^[A-Za-z0-9_.:-]{1,24}$/,
  says: 'A chip’s number has letters, figures and - _ . : only, 24 at most.',
};

/** Everything the coach keeps about one athlete; as little as the job needs. */
export type Athlete = {
  name: string;
  /** Short and unique, for the tile at the track. */
  tileName: string;
  status: Status;
  marks: Mark[];
  bornYear?: number;
  leaning?: Leaning;
  /** Since when they have run regularly, YYYY-MM-DD: entered as weeks, kept as a day so that the weeks go on counting. */
  runningSince?: string;
  /** The day they were well again, YYYY-MM-DD: a niggle, pain or an illness up to that day no longer holds them back. */
  wellOn?: string;
  /** Kilometres they run in a usual week, as told. */
  weeklyKm?: number;
  groupId?: string;
  notes?: string;
  goal?: Goal;
  nudge?: Nudge;
  /** The pace book to use instead of the squad's. */
  paceBookId?: string;
  /** What the timing chip and the pulse strap they wear say of themselves. */
  chip?: string;
  /** Has left the squad; kept with their results. */
  archived?: true;
};

/** An athlete with the id they are stored under. */
export type SquadMember = Athlete & { id: string };

/** A training group; their order is that of the list they are in. */
export type Group = { id: string; name: string };

/** The age reached in the year of a day (YYYY-MM-DD), as age groups go; undefined where no year of birth is known. */
export const ageInYear = ({ bornYear }: Pick<Athlete, 'bornYear'>, date: string): number | undefined =>
  bornYear === undefined ? undefined : Number(date.slice(0, 4)) - bornYear;

/** Weeks of regular running on `asOf`, or undefined where it is not known. */
export function weeksRunning({ runningSince }: Pick<Athlete, 'runningSince'>, asOf: string): number | undefined {
  return runningSince === undefined ? undefined : Math.floor(ageDaysOn(runningSince, asOf) / 7);
}

/** The day regular running began, for someone with so many weeks of it on `asOf`. */
export const sinceWeeks = (weeks: number, asOf: string): string => daysAfter(asOf, -7 * weeks);

/** Fewer weeks of regular running than this are few: common coaching practice. */
export const FEW_WEEKS = 6;

export const hasFewWeeks = (athlete: Pick<Athlete, 'runningSince'>, asOf: string): boolean =>
  (weeksRunning(athlete, asOf) ?? FEW_WEEKS) < FEW_WEEKS;

/** Fewer kilometres a week than this are no base for fast running: common coaching practice. */
export const BASE_KM = 12;

/** Whether there is a base for fast running, as far as it is known. */
export const hasRunningBase = (athlete: Pick<Athlete, 'runningSince' | 'weeklyKm'>, asOf: string): boolean =>
  !hasFewWeeks(athlete, asOf) && (athlete.weeklyKm ?? BASE_KM) >= BASE_KM;

/** Under this age in the year hard work is kept short: common coaching practice, local rules come first. */
export const YOUNG_UNDER = 14;

/** The young, the new and those easing back: of a range they begin with the least. @param youngUnder see Club. */
export const startsAtLeast = (
  athlete: Pick<Athlete, 'bornYear' | 'runningSince' | 'status'>,
  date: string,
  youngUnder: number = YOUNG_BY_DEFAULT,
): boolean =>
  athlete.status === 'easing' || hasFewWeeks(athlete, date) || (ageInYear(athlete, date) ?? youngUnder) < youngUnder;
