/** A change of fitness is reported plainly only once several sessions agree: one alone is within chance too often. */
import { wasFlatOut, type Mark } from '../fitness/mark';
import { mean } from '../units/mean';
import { daysBetween } from '../units/dayNumber';

/**
 * The level that a session showed against the marks of its day: `shift` of ln(speed), above 0 is fitter, and the standard error that the
 * marks left.
 */
export type LevelRead = { date: string; shift: number; error: number };

/** The last sessions that decide together, and the days after which one no longer counts. */
export const LATELY = { sessions: 4, days: 56 };
/**
 * Their mean has to be beyond this share of the error: of unchanged athletes it is reached once in sixteen weeks for a quarter, after three
 * percent of change within six sessions for more than half (bench `oracle`).
 */
const BEYOND = 0.6;

/** Sessions that still count on a day (YYYY-MM-DD): since the newest race or trial, which has answered what was open before it. */
export function levelsSince(levels: readonly LevelRead[], marks: readonly Mark[], day: string): LevelRead[] {
  const answered = marks.filter((mark) => !mark.leftOut && mark.date < day && wasFlatOut(mark));
  const from = answered.reduce((latest, { date }) => (date > latest ? date : latest), '');
  return levels
    .filter(({ date }) => date > from && date <= day && daysBetween(date, day) <= LATELY.days)
    .sort((a, b) => a.date.localeCompare(b.date))
    .slice(-LATELY.sessions);
}

/**
 * `fitter` or `less-fit` if the last sessions together show that; else undefined.
 * @param levels those that still count, see `levelsSince`, the latest last.
 */
export function changeShown(levels: readonly Omit<LevelRead, 'date'>[]): 'fitter' | 'less-fit' | undefined {
  const lately = levels.slice(-LATELY.sessions);
  if (lately.length < LATELY.sessions) return undefined;
  const shift = mean(lately.map((level) => level.shift));
  if (Math.abs(shift) <= BEYOND * mean(lately.map(({ error }) => error))) return undefined;
  return shift > 0 ? 'fitter' : 'less-fit';
}
