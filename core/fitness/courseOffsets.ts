/**
 * Offsets of named courses off the track, learned from athletes with marks both there and on a track, so that a heavy cross-country course
 * is not taken for a bad day.
 */
import { fitCurve, timeErrorFor, timeFor } from './curve';
import { isOnTrack, type Mark } from './mark';
import { courseKey, unknownCourse, usableBy, weigh, type CourseOffset, type CourseOffsets } from './weighing';
import { daysBetween } from '../units/dayNumber';

/** Marks further apart than this may show different fitness. */
const SAME_FITNESS_DAYS = 120;

type Reading = { mark: Mark; lnOffset: number; variance: number };

/** How far one athlete's marks on each named course are off their track curve of that time. */
function readingsOf(marks: readonly Mark[], asOf: string): Reading[] {
  const usable = usableBy(marks, asOf);
  const onTrack = usable.filter(isOnTrack);
  return usable.flatMap((mark) => {
    if (courseKey(mark) === undefined) return [];
    const near = onTrack.filter(({ date }) => Math.abs(daysBetween(mark.date, date)) <= SAME_FITNESS_DAYS);
    if (near.length === 0) return [];
    const latest = [mark, ...near].reduce((last, { date }) => (date > last ? date : last), mark.date);
    const curve = fitCurve(near, { asOf: latest });
    const expectedS = timeFor(curve, mark.distanceM);
    const { course: _track, ...plain } = mark;
    const spread = Math.hypot(weigh(plain, latest).sd, timeErrorFor(curve, mark.distanceM) / expectedS);
    return [{ mark, lnOffset: Math.log(mark.timeS / expectedS), variance: spread ** 2 }];
  });
}

/**
 * The offset of every named course run by somebody who also has marks on a track, shrunk towards the usual offset of such a course (normal
 * prior and likelihood).
 * @param asOf the day to judge from, YYYY-MM-DD.
 */
export function courseOffsets(people: readonly { marks: readonly Mark[] }[], asOf: string): CourseOffsets {
  const byCourse = new Map<string, Reading[]>();
  for (const { marks } of people)
    for (const reading of readingsOf(marks, asOf)) {
      const key = courseKey(reading.mark) ?? '';
      byCourse.set(key, [...(byCourse.get(key) ?? []), reading]);
    }
  return new Map([...byCourse].map(([key, readings]) => [key, combined(readings)]));
}

function combined(readings: readonly Reading[]): CourseOffset {
  const [first] = readings;
  const prior = unknownCourse(first?.mark ?? {});
  let precision = 1 / prior.sd ** 2;
  let weighted = prior.lnOffset * precision;
  for (const { lnOffset, variance } of readings) {
    precision += 1 / variance;
    weighted += lnOffset / variance;
  }
  return { lnOffset: weighted / precision, sd: Math.sqrt(1 / precision) };
}
