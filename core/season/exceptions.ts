/** An athlete's exceptional days: their status during and after them. */
import { dayNumber } from '../units/dayNumber';
import type { Status } from '../squad/athlete';
import type { AthleteException } from './season';

/** After illness or injury they ease back for as long as it lasted, up to this long. */
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
 * The exception or easing back that applies to an athlete on a day; undefined if none. An exception wins over easing back from an earlier
 * one. Common coaching practice; how somebody feels, and a doctor's word, come first.
 */
export function exceptionOn(
  exceptions: readonly AthleteException[],
  athleteId: string,
  date: string,
): ExceptionOn | undefined {
  const ownExceptions = exceptions.filter((exception) => exception.athleteId === athleteId);
  const during = ownExceptions.find(({ from, to }) => date >= from && date <= to);
  const status = during && STATUS_IN[during.kind];
  if (during && status) return { exception: during, status, isEasing: false };
  const after = ownExceptions.find((exception) => {
    const days = dayNumber(date) - dayNumber(exception.to);
    return days > 0 && days <= easingDays(exception);
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
