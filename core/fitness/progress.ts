import { CurveError, fitCurve, timeErrorFor, timeFor } from './curve';
import type { Mark } from './mark';
import { daysAfter } from '../units/dayNumber';

/** What the marks known by a day were worth over one distance: `timeS` ± `errorS` seconds. */
export type ProgressPoint = { date: string; timeS: number; errorS: number };

const EVERY_DAYS = 7;
/** Marks up to this many have a point on their own day. */
const MOST_OWN_DAYS = 20;

/**
 * Traces an athlete's worth over `distanceM` from day to day (YYYY-MM-DD): every week and on the day of each mark (of many marks the first), each
 * time from the marks known by then. Empty before the first mark.
 */
export function progressOf(marks: readonly Mark[], distanceM: number, from: string, to: string): ProgressPoint[] {
  const inTime = marks.map(({ date }) => date).filter((date) => date >= from && date <= to);
  // A fit for each of many marks would cost their square; the weekly points show the same line.
  const days = new Set(inTime.length > MOST_OWN_DAYS ? [inTime.reduce((a, b) => (b < a ? b : a))] : inTime);
  for (let day = from; day <= to; day = daysAfter(day, EVERY_DAYS)) days.add(day);
  days.add(to);
  return [...days].sort().flatMap((date) => {
    try {
      const curve = fitCurve(
        marks.filter((mark) => mark.date <= date),
        { asOf: date },
      );
      return [{ date, timeS: timeFor(curve, distanceM), errorS: timeErrorFor(curve, distanceM) }];
    } catch (error) {
      if (error instanceof CurveError) return [];
      throw error;
    }
  });
}
