/** Rows per statement: SQLite takes 32,766 values in one. */
const CHUNK = 500;

export const chunked = <T>(rows: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(rows.length / CHUNK) }, (_, i) => rows.slice(i * CHUNK, (i + 1) * CHUNK));
