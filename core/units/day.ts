/** Days as people write them. Inside the app a day is always YYYY-MM-DD. */
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parse } from 'date-fns/parse';
import { parseISO } from 'date-fns/parseISO';
import { daysAfter, daysBetween } from './dayNumber';

export type ReadDay = { ok: true; date: string } | { ok: false; message: string };

/** Whether 3/10 is the 3rd of October or March 10th. */
export type DayOrder = 'day-first' | 'month-first';

const NUMERIC = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})$/;
const WITH_NAMES = ['d MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMMM d yyyy', 'yyyy MMM d'];
const HELP = 'Write it like 2026-10-03, 3.10.2026 or 3 Oct 2026.';

/** Years of two digits: of this century up to next year, else of the last. */
function fullYear(written: string, today: string): number {
  const year = Number(written);
  if (written.length > 2) return year;
  return 2000 + year <= Number(today.slice(0, 4)) + 1 ? 2000 + year : 1900 + year;
}

/** Which order a column of dates is written in: settled by any number above 12, else day first. */
export function dayOrderOf(texts: readonly string[]): DayOrder {
  const found = texts.map((text) => NUMERIC.exec(text.trim())).filter((match) => match !== null);
  if (found.some((match) => Number(match[1]) > 12)) return 'day-first';
  return found.some((match) => Number(match[2]) > 12) ? 'month-first' : 'day-first';
}

/** `3-Oct-26`, as spreadsheets write it. */
const SHORT_NAMED = /^(\d{1,2})[ /-]?(\p{L}{3,9})[ /-]?(\d{2}|\d{4})$/u;

/** Days since the last of 1899, as spreadsheets count them: from 1950 on, and no further than a season ahead. */
const SERIAL = { from: 18_264, pattern: /^(\d{5})(?:\.\d+)?$/, day0: '1899-12-30', aheadDays: 400 };

/**
 * Reads a cell of a column of days: as parseDay() does, and also the bare number (46298) that a spreadsheet makes of a day. Elsewhere such a number
 * may well be metres.
 */
export function parseDayCell(text: string, today: string, order: DayOrder = 'day-first'): ReadDay {
  const days = Number(SERIAL.pattern.exec(text.trim())?.[1]);
  const latest = daysBetween(SERIAL.day0, today) + SERIAL.aheadDays;
  return days >= SERIAL.from && days <= latest
    ? { ok: true, date: daysAfter(SERIAL.day0, days) }
    : parseDay(text, today, order);
}

/**
 * Reads a day as a person writes it: `2026-10-03`, `3.10.2026`, `3/10/26`, `3rd Oct 2026`, `October 3, 2026`, `3-Oct-26`.
 * @param today YYYY-MM-DD, to tell which century a year of two digits is in.
 */
export function parseDay(text: string, today: string, order: DayOrder = 'day-first'): ReadDay {
  const typed = text.trim();
  if (typed === '') return { ok: false, message: `There is no date. ${HELP}` };
  const numeric = NUMERIC.exec(typed);
  let day: Date;
  if (numeric) {
    const [, first = '', second = '', year = ''] = numeric;
    const [d, m] = order === 'day-first' ? [first, second] : [second, first];
    day = parse(`${fullYear(year, today)}-${m}-${d}`, 'yyyy-M-d', new Date(0));
  } else if (/^\d{4}[-/.]\d{1,2}[-/.]\d{1,2}(?:[T ].*)?$/.test(typed)) {
    day = parse(
      typed
        .slice(0, 10)
        .replace(/[T ].*$/, '')
        .replace(/[/.]/g, '-'),
      'yyyy-M-d',
      new Date(0),
    );
  } else {
    const [, d, month, year = ''] = SHORT_NAMED.exec(typed) ?? [];
    const plain = (month === undefined ? typed : `${d} ${month} ${fullYear(year, today)}`)
      .replace(/(\d)(st|nd|rd|th)\b/i, '$1')
      .replace(/[,.]/g, ' ')
      .replace(/\s+/g, ' ')
      .replace(/sept\b/i, 'Sep');
    day = WITH_NAMES.map((pattern) => parse(plain, pattern, new Date(0))).find(isValid) ?? new Date(Number.NaN);
  }
  if (!isValid(day)) return { ok: false, message: `“${typed.slice(0, 40)}” is not a date that can be read. ${HELP}` };
  const date = format(day, 'yyyy-MM-dd');
  if (!isValid(parseISO(date)) || date < '1900' || date > '2200')
    return { ok: false, message: `“${typed.slice(0, 40)}” is not in a year that can be. ${HELP}` };
  return { ok: true, date };
}
