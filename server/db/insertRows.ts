import { getTableColumns, sql } from 'drizzle-orm';
import type { Tx } from './open';
import type { athleteResults, repResults } from './schema';

/**
 * Inserts rows one by one by a statement that is prepared once: to put together one statement for all of them takes several times as long as
 * writing them. @param rows what is left out of one has its usual value, or null.
 */
export function insertRows<T extends typeof athleteResults | typeof repResults>(
  tx: Tx,
  table: T,
  rows: readonly T['$inferInsert'][],
): void {
  if (rows.length === 0) return;
  const columns = Object.entries(getTableColumns(table));
  const named = Object.fromEntries(columns.map(([name]) => [name, sql.placeholder(name)]));
  const usual = columns.map(([name, column]) => [name, column.default ?? null] as const);
  const insert = tx
    .insert(table)
    .values(named as unknown as T['$inferInsert'])
    .prepare();
  for (const row of rows) {
    const given: Record<string, unknown> = row;
    insert.run(Object.fromEntries(usual.map(([name, value]) => [name, given[name] ?? value])));
  }
}
