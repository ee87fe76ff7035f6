/** Approximate running minutes of a day or week, planned and run. */
import type { DayAmount, DayDone, SeasonDay, SeasonWeek } from './season';

/** Usual lengths where nothing more is known, hard days with warm-up and cool-down. */
const MINUTES = { hard: 55, strides: 40, easy: 35, race: 50, off: 0, free: 0, long: 60 } as const;
/** Minutes a kilometre of easy running, for a club runner. */
export const MIN_PER_KM = 5.5;

/** Minutes of an amount; kilometres at a club runner's easy pace. */
export const minutesOf = ({ unit, amount }: DayAmount): number => (unit === 'min' ? amount : amount * MIN_PER_KM);

export function dayMinutes({ kind, amount, share = 1 }: SeasonDay): number {
  if (kind === 'long' && amount) return minutesOf(amount);
  if (kind === 'hard') return MINUTES.hard * (0.5 + share / 2);
  return MINUTES[kind];
}

/** Minutes of a week as planned. */
export const weekMinutes = ({ days }: SeasonWeek): number => days.reduce((sum, day) => sum + dayMinutes(day), 0);

/** A day on which there is something to run, other than a race. */
export const isToRun = ({ kind, missed }: SeasonDay): boolean =>
  !missed && (kind === 'easy' || kind === 'strides' || kind === 'long' || kind === 'hard');

/** What a day comes to where nothing else is said: as it is laid out, else the usual minutes. */
export const usualAmount = (day: SeasonDay): DayAmount =>
  day.amount ?? { unit: 'min', amount: Math.round(dayMinutes(day) / 5) * 5 || 30 };

/** Sessions that were run, by their ids, with their minutes where those are known. */
export type RanMinutes = ReadonlyMap<string, number | undefined>;

/** What was run on a day: as it was ticked, else by its session; undefined where nothing says that it was run. */
export function ranAmount(day: SeasonDay, done: DayDone | undefined, ranMinutes: RanMinutes): DayAmount | undefined {
  if (done) return done.amount;
  if (day.sessionId === undefined || !ranMinutes.has(day.sessionId)) return undefined;
  return { unit: 'min', amount: ranMinutes.get(day.sessionId) ?? dayMinutes(day) };
}

/** Minutes of a week that were run: what was ticked, and the sessions. */
export function ranInWeek(
  { days }: SeasonWeek,
  { done = [], ranMinutes }: { done?: readonly DayDone[] | undefined; ranMinutes: RanMinutes },
): number {
  return days.reduce((sum, day) => {
    const ticked = done.find(({ date }) => date === day.date);
    const ran = ranAmount(day, ticked, ranMinutes);
    return ran ? sum + minutesOf(ran) : sum;
  }, 0);
}
