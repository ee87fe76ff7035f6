import { counted } from '@core/units/counted';
import type { DayKind, RaceWeight, SeasonPlan } from '@core/season/season';
import type { Group } from '@core/squad/athlete';
import { listed } from '@core/units/listed';
import { daysBetween } from '@core/units/dayNumber';

export const WEIGHT_WORDS: Record<RaceWeight, string> = {
  A: 'A: the season is laid back from it',
  B: 'B: a few days of rest before it',
  C: 'C: run out of full training',
};

/** What a coach can choose for a day. */
export const KIND_CHOICES: Record<Exclude<DayKind, 'race'>, string> = {
  hard: 'Hard',
  long: 'Long run',
  strides: 'Easy, strides',
  easy: 'Easy',
  off: 'Off',
  free: 'Free',
};

/** Whom a season is for: `Milers and Young ones`, `Everyone`. */
export function groupsText({ groupIds }: Pick<SeasonPlan, 'groupIds'>, groups: readonly Group[]): string {
  if (!groupIds) return 'Everyone';
  const names = groups.filter(({ id }) => groupIds.includes(id)).map(({ name }) => name);
  return names.length > 0 ? listed(names) : 'A group that is gone';
}

/** How far off a day is: `in 6 weeks`, `in 5 days`, `tomorrow`, `today`. */
export function untilText(date: string, today: string): string {
  const days = daysBetween(today, date);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days < 0) return days === -1 ? 'yesterday' : `${-days} days ago`;
  return days < 14 ? `in ${counted(days, 'day')}` : `in ${Math.round(days / 7)} weeks`;
}
