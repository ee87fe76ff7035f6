/** Pages of lists by cursor: the latest first, and none twice or left out while rows come and go. */
import { and, gte, lte, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Page } from '@core/api/answers';
import { Refused } from './refused';

/** Where a row stands in a list by date: date, then when it was made, then id. */
export type Place = { date: string; createdAtMs: number; id: string };

const SEPARATOR = '~';

export const cursorOf = ({ date, createdAtMs, id }: Place): string =>
  Buffer.from([date, createdAtMs, id].join(SEPARATOR)).toString('base64url');

/** The place a cursor stands for. @throws Refused when it is none of ours. */
function placeOf(cursor: string): Place {
  const [date, createdAtMs, id, ...more] = Buffer.from(cursor, 'base64url').toString().split(SEPARATOR);
  if (date === undefined || id === undefined || more.length > 0 || !Number.isSafeInteger(Number(createdAtMs)))
    throw new Refused('invalid', 'This list has no such page.', 'cursor');
  return { date, createdAtMs: Number(createdAtMs), id };
}

/** Rows that come after a cursor, in the order of the list; all without one. @throws Refused when it is none of ours. */
export function isAfter(columns: Record<keyof Place, SQLiteColumn>, cursor: string | undefined): SQL | undefined {
  if (cursor === undefined) return undefined;
  const { date, createdAtMs, id } = placeOf(cursor);
  return sql`(${columns.date}, ${columns.createdAtMs}, ${columns.id}) < (${date}, ${createdAtMs}, ${id})`;
}

/** Rows of some days, or of all from a day on. */
export const isOn = (date: SQLiteColumn, { from, to }: { from: string; to?: string }): SQL | undefined =>
  and(gte(date, from), to === undefined ? undefined : lte(date, to));

/** A page of rows that were read one more than asked for, by which it is known whether there is another. */
export function pageOf<Row, T>(
  rows: readonly Row[],
  limit: number,
  toAnswer: (row: Row) => T,
  toCursor: (row: Row) => string,
): Page<T> {
  const last = rows.length > limit ? rows[limit - 1] : undefined;
  return { rows: rows.slice(0, limit).map(toAnswer), ...(last ? { next: toCursor(last) } : {}) };
}
