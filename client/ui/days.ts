import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { daysBetween } from '@core/units/dayNumber';
import { zonedOrHere } from '@core/units/zoned';

/** The club's, where it has said so; see `setTimeZone()`. */
let timeZone: string | undefined;

const listeners = new Set<() => void>();

/** Days begin and end by this time zone from now on; by the device's if left out. */
export function setTimeZone(zone: string | undefined): void {
  timeZone = zone;
  for (const listener of listeners) listener();
}

/** How often to look whether it is another day: an app that is left open is looked at again the next morning. */
const LOOK_EVERY_MS = 60_000;

/** Calls the listener whenever today may have become another day, until what it returns is called. */
export function subscribeToday(listener: () => void): () => void {
  listeners.add(listener);
  const timer = setInterval(listener, LOOK_EVERY_MS);
  document.addEventListener('visibilitychange', listener);
  return () => {
    listeners.delete(listener);
    clearInterval(timer);
    document.removeEventListener('visibilitychange', listener);
  };
}

/** The day (YYYY-MM-DD) and the time (HH:MM) it is now, by the club's calendar and clock. */
export const clubNow = (): { date: string; time: string } => zonedOrHere(Date.now(), timeZone);

/** Today as YYYY-MM-DD, by the club's calendar. */
export const today = (): string => clubNow().date;

/** `Today`, `Tomorrow`, `Thu 19 Nov`, with the year where it is another one. */
export function dayName(date: string): string {
  const day = parseISO(date);
  if (!isValid(day)) return 'No date';
  const now = today();
  const away = daysBetween(now, date);
  if (away === 0) return 'Today';
  if (away === 1) return 'Tomorrow';
  if (away === -1) return 'Yesterday';
  return format(day, date.slice(0, 4) === now.slice(0, 4) ? 'EEE d MMM' : 'd MMM yyyy');
}

/** A day within a sentence: `tomorrow`, `Thu 19 Nov`. */
export const dayInText = (date: string): string =>
  dayName(date).replace(/^(Today|Tomorrow|Yesterday|No date)$/, (name) => name.toLowerCase());

/** `tomorrow`, `on Thu 19 Nov`. */
export const onDay = (date: string): string => dayInText(date).replace(/^(?=[A-Z\d])/, 'on ');
