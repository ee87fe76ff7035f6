/** Pages of lists by cursor: the latest first, and none twice or left out while rows come and go. */
import { sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Page } from '@core/api/answers';
import { Refused } from './refused';

/** Where a row stands in a list by date: date, then when it was made, then id. */
export type Place = { date: string; createdAtMs: number; id: string };

const SEPARATOR = '~';

const cursorOf = ({ date, createdAtMs, id }: Place): string =>
  Buffer.from([date, createdAtMs, id].join(SEPARATOR)).toString('base64url');

/** The place a cursor stands for. @throws Refused when it is none of ours. */
export function placeOf(cursor: string): Place {
  const [date, createdAtMs, id, ...more] = Buffer.from(cursor, 'base64url').toString().split(SEPARATOR);
  if (date === undefined || id === undefined || more.length > 0 || !Number.isSafeInteger(Number(createdAtMs)))
    throw new Refused('invalid', 'This list has no such page.', 'cursor');
  return { date, createdAtMs: Number(createdAtMs), id };
}

/** Rows that come after a place, in the order of the list. */
export const isAfter = (columns: Record<keyof Place, SQLiteColumn>, place: Place): SQL =>
  sql`(${columns.date}, ${columns.createdAtMs}, ${columns.id}) < (${place.date}, ${place.createdAtMs}, ${place.id})`;

/** A page of rows that were read one more than asked for, by which it is known whether there is another. */
export function pageOf<Row extends Place, T>(rows: readonly Row[], limit: number, toAnswer: (row: Row) => T): Page<T> {
  const last = rows.length > limit ? rows[limit - 1] : undefined;
  return { rows: rows.slice(0, limit).map(toAnswer), ...(last ? { next: cursorOf(last) } : {}) };
}
