/** The calendar and the clock of a place: which day it is there, and what time. */

/** Formatters are slow to make, the first one most of all, and asked for on every drawing. */
const formatters = new Map<string, Intl.DateTimeFormat>();

function formatterFor(timeZone: string): Intl.DateTimeFormat {
  const cached = formatters.get(timeZone);
  if (cached) return cached;
  const made = new Intl.DateTimeFormat('en-GB', {
    calendar: 'gregory',
    numberingSystem: 'latn',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone,
  });
  formatters.set(timeZone, made);
  return made;
}

/** Whether there is a time zone of this name. */
export function isTimeZone(name: string): boolean {
  try {
    formatterFor(name);
    return true;
  } catch {
    return false;
  }
}

const padded = (n: number, digits = 2) => String(n).padStart(digits, '0');

function hereAt(atMs: number): { date: string; time: string } {
  const at = new Date(atMs);
  return {
    date: `${padded(at.getFullYear(), 4)}-${padded(at.getMonth() + 1)}-${padded(at.getDate())}`,
    time: `${padded(at.getHours())}:${padded(at.getMinutes())}`,
  };
}

/**
 * The day (YYYY-MM-DD) and the time (HH:MM) it is at a moment.
 * @param timeZone as the time zone database names it; that of the machine where left out.
 * @throws RangeError where there is no such zone.
 */
export function zonedAt(atMs: number, timeZone?: string): { date: string; time: string } {
  if (timeZone === undefined) return hereAt(atMs);
  const parts = formatterFor(timeZone).formatToParts(atMs);
  const part = (type: Intl.DateTimeFormatPartTypes) => parts.find((part) => part.type === type)?.value ?? '';
  return {
    date: `${part('year').padStart(4, '0')}-${part('month')}-${part('day')}`,
    time: `${part('hour')}:${part('minute')}`,
  };
}

/** The same, by this machine's own zone where it does not know the one asked for. */
export function zonedOrHere(atMs: number, timeZone?: string): { date: string; time: string } {
  try {
    return zonedAt(atMs, timeZone);
  } catch {
    return zonedAt(atMs);
  }
}
