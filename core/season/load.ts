/** About how much a day or a week comes to, planned: minutes of running. */
import type { SeasonDay, SeasonWeek } from './season';

/** Usual lengths where nothing more is known; a hard day with warm-up and cool-down. */
const MINUTES = { hard: 55, strides: 40, easy: 35, race: 50, off: 0, free: 0, long: 60 } as const;
/** Minutes a kilometre of a long run, for a club runner. */
const MIN_PER_KM = 5.5;

export function dayMinutes({ kind, amount, share = 1 }: SeasonDay): number {
  if (kind === 'long' && amount) return amount.unit === 'min' ? amount.amount : amount.amount * MIN_PER_KM;
  if (kind === 'hard') return MINUTES.hard * (0.5 + share / 2);
  return MINUTES[kind];
}

/** Minutes of a week as planned. */
export const weekMinutes = ({ days }: SeasonWeek): number => days.reduce((sum, day) => sum + dayMinutes(day), 0);
