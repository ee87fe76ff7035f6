import { isDate } from './dayNumber';

/** Passes a number that is above 0 and finite. @throws RangeError else, naming what it was to be. */
export function aboveZero(value: number, name: string): number {
  if (value > 0 && value < Infinity) return value;
  throw new RangeError(`${name} is to be above 0, not ${value}.`);
}

/** Passes a day (YYYY-MM-DD; a time behind it is let be). @throws RangeError where there is no such day. */
export function aDay(date: string, name: string): string {
  if (isDate(date.slice(0, 10))) return date;
  throw new RangeError(`${name} is to be a day like 2026-05-01, not “${date}”.`);
}
