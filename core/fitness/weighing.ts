import { isOnTrack, type Course, type Mark } from './mark';
import { daysBetween, isDate } from '../units/dayNumber';

/**
 * A mark with how old it is, what it was worth on a track (`timeS`, the run time where no offset of its course is known), and how far
 * it is trusted: `sd` is the standard deviation of ln(time), 0.012 is 1.2 %.
 */
export type Weighed = { mark: Mark; ageDays: number; timeS: number; sd: number };

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

/** A mark as seen from a day: 0.5 % less sure for each four weeks of age, and by what is known of its course. */
export function weigh(mark: Mark, asOf: string, courses?: CourseOffsets): Weighed {
  const ageDays = ageDaysOn(mark.date, asOf);
  const { lnOffset, sd } = courses?.get(courseKey(mark) ?? '') ?? unknownCourse(mark);
  const { timeS, sd: ownSd } = mark.alone ?? { timeS: mark.timeS, sd: SD_OF_KIND[mark.kind] };
  return {
    mark,
    ageDays,
    timeS: timeS * Math.exp(-lnOffset),
    sd: Math.hypot(ownSd + ageDays * SD_PER_DAY, sd),
  };
}

/** The standard deviation of ln(time) of a mark as it was on its own day: what its age makes it less sure of today does not count. */
export function sdOnItsDay({ mark, ageDays, sd }: Weighed): number {
  const ownSd = mark.alone?.sd ?? SD_OF_KIND[mark.kind];
  const ofCourse = Math.max(0, sd ** 2 - (ownSd + ageDays * SD_PER_DAY) ** 2);
  return Math.sqrt(ownSd ** 2 + ofCourse);
}
