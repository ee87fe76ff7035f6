/** One athlete who is not as the others for some days: what that makes of their status, and of the days after. */
import { dayNumber } from '../units/dayNumber';
import type { Status } from '../squad/athlete';
import type { AthleteException } from './season';

/** After illness or injury they ease back for as long as it lasted, and no longer than this. */
const MOST_EASING_DAYS = 14;

export const EXCEPTION_WORDS: Record<AthleteException['kind'], string> = {
  away: 'away',
  ill: 'ill',
  injured: 'injured',
  race: 'has a race of their own',
};

const STATUS_IN: Record<AthleteException['kind'], Status | undefined> = {
  away: 'away',
  ill: 'away',
  injured: 'injured',
  race: 'away',
};

/** Days of easing back after an exception: none after being away or a race of their own. */
export function easingDays({ kind, from, to }: Pick<AthleteException, 'kind' | 'from' | 'to'>): number {
  if (kind !== 'ill' && kind !== 'injured') return 0;
  return Math.min(MOST_EASING_DAYS, dayNumber(to) - dayNumber(from) + 1);
}

export type ExceptionOn = { exception: AthleteException; status: Status; isEasing: boolean };

/**
 * What holds for an athlete on a day; undefined where nothing does. An exception goes before easing back after another one. Common coaching
 * practice; how somebody feels, and what a doctor says, goes before it.
 */
export function exceptionOn(
  exceptions: readonly AthleteException[],
  athleteId: string,
  date: string,
): ExceptionOn | undefined {
  const own = exceptions.filter((one) => one.athleteId === athleteId);
  const during = own.find(({ from, to }) => date >= from && date <= to);
  const status = during && STATUS_IN[during.kind];
  if (during && status) return { exception: during, status, isEasing: false };
  const after = own.find((one) => {
    const days = dayNumber(date) - dayNumber(one.to);
    return days > 0 && days <= easingDays(one);
  });
  return after && { exception: after, status: 'easing', isEasing: true };
}

/** An athlete as they are on a day: with the status that an exception gives them. */
export function athleteOn<T extends { id: string; status: Status }>(
  athlete: T,
  exceptions: readonly AthleteException[],
  date: string,
): T {
  const status = exceptionOn(exceptions, athlete.id, date)?.status;
  return status === undefined || status === athlete.status ? athlete : { ...athlete, status };
}
