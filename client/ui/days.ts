import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';

/** Today as YYYY-MM-DD, by this device's calendar. */
export const today = (): string => format(new Date(), 'yyyy-MM-dd');

/** So many days after a day (YYYY-MM-DD), or before it. */
export const daysAfter = (date: string, days: number): string => format(addDays(parseISO(date), days), 'yyyy-MM-dd');

/** `Today`, `Tomorrow`, `Thu 19 Nov`, with the year where it is another one. */
export function dayName(date: string): string {
  const day = parseISO(date);
  if (!isValid(day)) return 'No date';
  const now = new Date();
  const away = differenceInCalendarDays(day, now);
  if (away === 0) return 'Today';
  if (away === 1) return 'Tomorrow';
  if (away === -1) return 'Yesterday';
  return format(day, day.getFullYear() === now.getFullYear() ? 'EEE d MMM' : 'd MMM yyyy');
}

/** A day within a sentence: `tomorrow`, `Thu 19 Nov`. */
export const dayInText = (date: string): string =>
  dayName(date).replace(/^(Today|Tomorrow|Yesterday|No date)$/, (name) => name.toLowerCase());

/** `tomorrow`, `on Thu 19 Nov`. */
export const onDay = (date: string): string => dayInText(date).replace(/^(?=[A-Z\d])/, 'on ');
