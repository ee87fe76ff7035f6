import { mondayOf } from '@core/review/story';
import { daysAfter } from '@core/units/dayNumber';
import { today } from '../ui/days';

/** So many weeks up to today, from a Monday. */
export function weeksBack(weeks: number): { from: string; to: string } {
  const to = today();
  return { from: daysAfter(mondayOf(to), -7 * (weeks - 1)), to };
}

/** The axis of an effort from 1 to 10, the same for everyone. */
export const EFFORT_AXIS = { low: 0, step: 2, sections: 5 };

export const WEEKS = ['6', '14', '26', '52'] as const;
export type Weeks = (typeof WEEKS)[number];
