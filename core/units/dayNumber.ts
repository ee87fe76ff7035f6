/**
 * Days as whole numbers, for reckoning over a season: no clock, no time zone, and so no hour that is there twice or not at all when the clocks
 * change.
 */
const DAY_MS = 86_400_000;

/** Days from 1 January 1970 to a day (YYYY-MM-DD); NaN where it is no day. */
export const dayNumber = (date: string): number =>
  Date.UTC(Number(date.slice(0, 4)), Number(date.slice(5, 7)) - 1, Number(date.slice(8, 10))) / DAY_MS;

const two = (n: number) => (n < 10 ? `0${n}` : `${n}`);

/** The day (YYYY-MM-DD) so many days after 1 January 1970. */
export function dateOfDay(day: number): string {
  const date = new Date(day * DAY_MS);
  return `${String(date.getUTCFullYear()).padStart(4, '0')}-${two(date.getUTCMonth() + 1)}-${two(date.getUTCDate())}`;
}

/** The day of the week, Monday is 0: 1 January 1970 was a Thursday. */
export const weekdayOf = (day: number): number => (((day + 3) % 7) + 7) % 7;

/** True if it is YYYY-MM-DD and there is such a day. */
export const isDate = (date: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(date) && Number.isFinite(dayNumber(date)) && dateOfDay(dayNumber(date)) === date;

/** The day so many days after another. */
export const daysAfter = (date: string, days: number): string => dateOfDay(dayNumber(date) + days);

/** Days from one day to another; below 0 where it is earlier. */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);
