/** The days of a week as the screens show them. */
import type { ListedRun, ScheduledSession } from '@core/api/answers';
import type * as Day from '@core/season/dayView';
import { isToRun } from '@core/season/load';
import { weekStartOf } from '@core/season/phases';
import type { SeasonPlan } from '@core/season/season';
import { counted } from '@core/units/counted';
import { dateOfDay, dayNumber } from '@core/units/dayNumber';

export type DayEntry = Day.DayEntry<ScheduledSession, ListedRun>;
export type DayView = Day.DayView<ScheduledSession, ListedRun>;

/** The first day of the week a day is in. */
export const weekOf = (date: string, season: Pick<SeasonPlan, 'weekStart'> = {}): string =>
  dateOfDay(weekStartOf(dayNumber(date), season));

/** Easy days and long runs up to today are ticked by hand: nobody times them. */
export const canTick = ({ day, run }: DayEntry, date: string, today: string): boolean =>
  day !== undefined && !run && date <= today && isToRun(day) && day.kind !== 'hard';

/** How a session went, in a few words: `12 ran · 96 of 104 reps`. */
export function wentText({ summary }: ListedRun): string {
  if (!summary) return 'run';
  const { athletes, finished, planned } = summary;
  return `${athletes} ran · ${finished} of ${counted(planned, 'rep')}`;
}
