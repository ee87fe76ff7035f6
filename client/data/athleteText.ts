import { counted } from '@core/units/counted';
import type { ModelName } from '@core/fitness/curve';
import type { Course, MarkKind } from '@core/fitness/mark';
import type { Leaning } from '@core/fitness/shapePrior';
import type { Status } from '@core/squad/athlete';
import { daysBetween } from '@core/units/dayNumber';
import { today } from '../ui/days';

/** The core's names in a coach's words. */
export const STATUS_WORDS: Record<Status, string> = {
  training: 'training',
  easing: 'easing back',
  injured: 'injured',
  away: 'away',
};

export const LEANING_WORDS: Record<Leaning, string> = {
  '400-800': '400/800',
  '800-1500': '800/1500',
  '1500-3k': '1500/3k',
  '5k-10k': '5k/10k, road',
};

export const KIND_WORDS: Record<MarkKind, string> = {
  race: 'race',
  trial: 'trial',
  session: 'session estimate',
  estimate: 'coach’s estimate',
};

export const COURSE_WORDS: Record<Course, string> = {
  track: 'track',
  road: 'road',
  'cross-country': 'cross-country',
  hilly: 'hilly',
};

export const MODEL_WORDS: Record<ModelName, string> = {
  endurance: 'fitness curve',
  'power-law': 'power law',
  'critical-speed': 'critical speed',
};

/** `today`, `9 days ago`, `7 weeks ago`, `14 months ago`. */
export function agoText(date: string): string {
  const days = daysBetween(date, today());
  if (days <= 0) return 'today';
  if (days < 14) return `${counted(days, 'day')} ago`;
  return days < 180 ? `${Math.round(days / 7)} weeks ago` : `${Math.round(days / 30.4)} months ago`;
}
