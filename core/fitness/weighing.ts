import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import type { Mark } from './mark';

/** A mark with how old it is and how far it is trusted: `sd` is the standard deviation of ln(time), 0.012 is 1.2 %. */
export type Weighed = { mark: Mark; ageDays: number; sd: number };

/** The further a mark is from a race, the less it is trusted; how the project trusts them, not a published value. */
const SD_OF_KIND: Record<Mark['kind'], number> = { race: 0.012, trial: 0.02, session: 0.03, estimate: 0.03 };
const SD_PER_DAY = 0.005 / 28;
/** Marks shorter or slower than this say nothing about endurance. */
const USABLE = { minM: 200, maxM: 200_000, minMps: 0.8, maxMps: 12 };

/** True if a curve can stand on the mark: 200 m or more at a running speed, a date that is one, and not left out by the coach. */
export function isUsable(mark: Mark): boolean {
  const speedMps = mark.distanceM / mark.timeS;
  return (
    mark.leftOut !== true &&
    mark.distanceM >= USABLE.minM &&
    mark.distanceM <= USABLE.maxM &&
    speedMps >= USABLE.minMps &&
    speedMps <= USABLE.maxMps &&
    isValid(parseISO(mark.date))
  );
}

/** Age in days on `asOf` (YYYY-MM-DD), 0 for a day to come. */
export const ageDaysOn = (date: string, asOf: string): number =>
  Math.max(0, differenceInCalendarDays(parseISO(asOf), parseISO(date)));

/** A mark as seen from a day: 0.5 % less sure for each four weeks of age. */
export function weigh(mark: Mark, asOf: string): Weighed {
  const ageDays = ageDaysOn(mark.date, asOf);
  return { mark, ageDays, sd: SD_OF_KIND[mark.kind] + ageDays * SD_PER_DAY };
}
