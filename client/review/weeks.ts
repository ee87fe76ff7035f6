import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { subWeeks } from 'date-fns/subWeeks';
import { mondayOf } from '@core/review/story';
import { today } from '../ui/days';

/** So many weeks up to today, from a Monday. */
export function weeksBack(weeks: number): { from: string; to: string } {
  const to = today();
  return { from: mondayOf(format(subWeeks(parseISO(to), weeks - 1), 'yyyy-MM-dd')), to };
}

/** The axis of an effort from 1 to 10, the same for everyone. */
export const EFFORT_AXIS = { low: 0, step: 2, sections: 5 };

export const WEEKS = ['6', '14', '26', '52'] as const;
export type Weeks = (typeof WEEKS)[number];
