/** About how much a day or a week comes to, planned and run: minutes of running. */
import type { DayAmount, DayDone, SeasonDay, SeasonWeek } from './season';

/** Usual lengths where nothing more is known; a hard day with warm-up and cool-down. */
const MINUTES = { hard: 55, strides: 40, easy: 35, race: 50, off: 0, free: 0, long: 60 } as const;
/** Minutes a kilometre of easy running, for a club runner. */
export const MIN_PER_KM = 5.5;

const minutesOf = ({ unit, amount }: DayAmount): number => (unit === 'min' ? amount : amount * MIN_PER_KM);

export function dayMinutes({ kind, amount, share = 1 }: SeasonDay): number {
  if (kind === 'long' && amount) return minutesOf(amount);
  if (kind === 'hard') return MINUTES.hard * (0.5 + share / 2);
  return MINUTES[kind];
}

/** Minutes of a week as planned. */
export const weekMinutes = ({ days }: SeasonWeek): number => days.reduce((sum, day) => sum + dayMinutes(day), 0);

/** What was run: days that were ticked, and sessions with their minutes where those are known. */
export type Ran = { done?: readonly DayDone[] | undefined; ranMinutes: ReadonlyMap<string, number | undefined> };

/** Minutes of a day that was run, as far as it is known; undefined where nothing says that it was. */
export function ranMinutesOf(day: SeasonDay, { done = [], ranMinutes }: Ran): number | undefined {
  const ticked = done.find(({ date }) => date === day.date);
  if (ticked) return minutesOf(ticked.amount);
  if (day.sessionId === undefined || !ranMinutes.has(day.sessionId)) return undefined;
  return ranMinutes.get(day.sessionId) ?? dayMinutes(day);
}

/** Minutes of a week that were run: what was ticked, and the sessions. */
export const ranInWeek = ({ days }: SeasonWeek, ran: Ran): number =>
  days.reduce((sum, day) => sum + (ranMinutesOf(day, ran) ?? 0), 0);
