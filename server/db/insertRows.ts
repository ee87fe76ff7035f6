import { getTableColumns, sql } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Tx } from './open';
import type { athleteResults, repResults } from './schema';

/** A row of a table whose values are given when the prepared statement is run, each by the name of its column. */
export const anyRow = <T extends SQLiteTable>(table: T): T['$inferInsert'] =>
  Object.fromEntries(Object.keys(getTableColumns(table)).map((name) => [name, sql.placeholder(name)]));

/**
 * Inserts rows one by one, by one prepared statement: putting a single statement together for all of them takes several times as long as
 * writing them.
 * @param rows what is left out of a row has the column's default, or null.
 */
export function insertRows<T extends typeof athleteResults | typeof repResults>(
  tx: Tx,
  table: T,
  rows: readonly T['$inferInsert'][],
): void {
  if (rows.length === 0) return;
  const defaults = Object.entries(getTableColumns(table)).map(
    ([name, column]) => [name, column.default ?? null] as const,
  );
  const insert = tx.insert(table).values(anyRow(table)).prepare();
  for (const row of rows) {
    const given: Record<string, unknown> = row;
    insert.run(Object.fromEntries(defaults.map(([name, value]) => [name, given[name] ?? value])));
  }
}
