import { isOnTrack, type Course, type Mark } from './mark';
import { dayNumber, daysBetween, isDate } from '../units/dayNumber';

/**
 * A mark with how old it is, what it was worth on a track (`timeS`, the run time where no offset of its course is known), and how far
 * it is trusted: `sd` is the standard deviation of ln(time), 0.012 is 1.2 %; `freshSd` what that was on the day it was run; `driftedSd` what it
 * is where a drift of the level over time is fitted beside the marks.
 */
export type Weighed = { mark: Mark; ageDays: number; timeS: number; sd: number; freshSd: number; driftedSd: number };

/** By how much ln(time) is longer on a course than on a track, and how sure that is (standard deviation). */
export type CourseOffset = { lnOffset: number; sd: number };
/** What is known of named courses, by `courseKey`. */
export type CourseOffsets = ReadonlyMap<string, CourseOffset>;

/** Prior for an unknown course: as fast as a track, with this spread. This project's own values. */
const SD_OF_COURSE: Record<Course, number> = { track: 0, road: 0.015, 'cross-country': 0.04, hilly: 0.03 };

export const unknownCourse = ({ course = 'track' }: Pick<Mark, 'course'>): CourseOffset => ({
  lnOffset: 0,
  sd: SD_OF_COURSE[course],
});

/** What marks of one named course have in common, also where it is typed a little differently; undefined on a track or without a name. */
export function courseKey(mark: Pick<Mark, 'course' | 'courseName' | 'distanceM'>): string | undefined {
  const name = mark.courseName?.trim().toLowerCase().replace(/\s+/g, ' ');
  return isOnTrack(mark) || !name ? undefined : `${mark.course} ${mark.distanceM} ${name}`;
}

/** The further a mark is from a race, the less it is trusted; this project's own values. */
const SD_OF_KIND: Record<Mark['kind'], number> = { race: 0.012, trial: 0.02, session: 0.03, estimate: 0.03 };
const SD_PER_DAY = 0.005 / 28;
/** The share of that which remains once a drift of the level is fitted. */
const BESIDE_DRIFT = 0.5;
/** Share of its variance that a mark kept of a session has in common with those kept within so many days of it. */
const SHARED = 0.5;
const TOGETHER_DAYS = 120;
/** Marks shorter than this say nothing about endurance. */
export const SHORTEST_MARK_M = 200;
const USABLE = { minM: SHORTEST_MARK_M, maxM: 200_000, minMps: 0.8, maxMps: 12 };

/** True if a curve can stand on the mark: 200 m or more at a running speed, a date that is one, and not left out by the coach. */
export function isUsable(mark: Mark): boolean {
  const speedMps = mark.distanceM / mark.timeS;
  return (
    mark.leftOut !== true &&
    mark.distanceM >= USABLE.minM &&
    mark.distanceM <= USABLE.maxM &&
    speedMps >= USABLE.minMps &&
    speedMps <= USABLE.maxMps &&
    isDate(mark.date.slice(0, 10))
  );
}

/** Marks that a curve of that day (YYYY-MM-DD) can use: usable, and run by then. */
export const usableBy = (marks: readonly Mark[], asOf: string): Mark[] =>
  marks.filter((mark) => isUsable(mark) && mark.date.slice(0, 10) <= asOf.slice(0, 10));

/** Age in days on `asOf` (YYYY-MM-DD); 0 for a future day. */
export const ageDaysOn = (date: string, asOf: string): number => Math.max(0, daysBetween(date, asOf));

/** Facts about the other marks that change the trust in one. */
type Among = {
  courses?: CourseOffsets | undefined;
  /** Marks of its kind that share an error with it, itself included. */
  alike?: number;
  /** Age in days of the newest mark of all; its own if left out. */
  newestDays?: number;
};

/** A mark as seen from a day: 0.5 % less sure for each four weeks of age, and by what is known of its course. */
export function weigh(mark: Mark, asOf: string, { courses, alike = 1, newestDays }: Among = {}): Weighed {
  const ageDays = ageDaysOn(mark.date, asOf);
  const { lnOffset, sd } = courses?.get(courseKey(mark) ?? '') ?? unknownCourse(mark);
  const { timeS, sd: ownSd } = mark.alone ?? { timeS: mark.timeS, sd: SD_OF_KIND[mark.kind] };
  const shared = Math.sqrt(1 + SHARED * (alike - 1));
  const aged = (days: number) => Math.hypot((ownSd + days * SD_PER_DAY) * shared, sd);
  // The drift ends with the newest mark: since then its age counts in full.
  const undriftedDays = Math.min(ageDays, newestDays ?? ageDays);
  return {
    mark,
    ageDays,
    timeS: timeS * Math.exp(-lnOffset),
    sd: aged(ageDays),
    freshSd: aged(0),
    driftedSd: aged(undriftedDays + BESIDE_DRIFT * (ageDays - undriftedDays)),
  };
}

/** Every mark as seen from a day; those kept of sessions share what one athlete's way of telling effort makes them off by. */
export function weighAll(marks: readonly Mark[], asOf: string, courses?: CourseOffsets): Weighed[] {
  const keptOn = marks.filter(({ kind }) => kind === 'session').map(({ date }) => dayNumber(date));
  const newestDays = Math.min(...marks.map(({ date }) => ageDaysOn(date, asOf)));
  return marks.map((mark) => {
    const on = dayNumber(mark.date);
    const alike = mark.kind === 'session' ? keptOn.filter((day) => Math.abs(day - on) <= TOGETHER_DAYS).length : 1;
    return weigh(mark, asOf, { courses, alike, newestDays });
  });
}
