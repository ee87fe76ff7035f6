/**
 * Rows of results that are behind their log. An event is stored and answered at once; what it changes in the rows is worked out later, for
 * many events together: before somebody reads, or in the background. After a kill the mark in the database has them made anew.
 */
import { and, eq, ne, sql } from 'drizzle-orm';
import type { RunEvent } from '@core/run/events';
import { isNoRoom } from './errorCode';
import type { Db } from './open';
import { forgetGrowing, project } from './results';
import { runResults } from './schema';

/** The version of rows that are behind: never a RESULTS_VERSION. */
const BEHIND = 0;

/** In place of the number of events known: the log is read anew. */
const READ_ANEW = -1;

/** Events that the rows of a session do not show yet, how many it had before them, and when the last of them came in. */
type Behind = { countBefore: number; added: RunEvent[]; lastAtMs: number };

const behindOf = new WeakMap<Db, Map<string, Behind>>();

function behindIn(db: Db): Map<string, Behind> {
  const all = behindOf.get(db) ?? new Map<string, Behind>();
  behindOf.set(db, all);
  return all;
}

const marking = new WeakMap<Db, { run: (values: { runId: string }) => unknown }>();

const markingOf = (db: Db) =>
  db
    .update(runResults)
    .set({ version: BEHIND })
    .where(and(eq(runResults.runId, sql.placeholder('runId')), ne(runResults.version, BEHIND)))
    .prepare();

/** Marks the rows of a session as behind, in the transaction that adds to its log. */
export function markBehind(db: Db, runId: string): void {
  const mark = marking.get(db) ?? markingOf(db);
  marking.set(db, mark);
  mark.run({ runId });
}

/** Remembers which events the rows do not show yet, once they are committed. */
export function noteBehind(
  db: Db,
  runId: string,
  added: readonly RunEvent[],
  countBefore: number,
  nowMs: number,
): void {
  if (added.length === 0) return;
  const all = behindIn(db);
  const behind = all.get(runId);
  if (!behind) all.set(runId, { countBefore, added: [...added], lastAtMs: nowMs });
  else if (behind.countBefore + behind.added.length === countBefore) {
    behind.added.push(...added);
    behind.lastAtMs = nowMs;
  }
  // The log changed in between, as by an erasure: it is read anew.
  else all.set(runId, { countBefore: READ_ANEW, added: [], lastAtMs: nowMs });
}

/** Marks a session to be rebuilt from its log: its events in memory may never have been committed. */
export function readAnew(db: Db, runId: string): void {
  forgetGrowing(db, runId);
  behindIn(db).set(runId, { countBefore: READ_ANEW, added: [], lastAtMs: 0 });
}

/**
 * Brings rows that are behind up to their log: all of them, before somebody reads. Costs nothing where none is. On a full disk they stay
 * behind, and lists show those sessions as still being worked out.
 */
export function bringUpToDate(db: Db, isDue: (behind: Behind) => boolean = () => true): void {
  const all = behindIn(db);
  for (const [runId, behind] of all) {
    if (!isDue(behind)) continue;
    const { added, countBefore } = behind;
    try {
      db.transaction((tx) => project(db, tx, runId, added, countBefore));
    } catch (error) {
      // Memory may be ahead of the rows now: the next attempt reads the log.
      readAnew(db, runId);
      if (isNoRoom(error)) return;
      throw error;
    }
    all.delete(runId);
  }
}

/** A session in which nothing has come in for so long is worked out before anybody asks; one that is being timed is left alone. */
const QUIET_MS = 3000;

/** Brings the rows of sessions up to date in which nothing comes in just now. */
export const bringQuietUpToDate = (db: Db, nowMs: number): void =>
  bringUpToDate(db, ({ lastAtMs }) => nowMs - lastAtMs >= QUIET_MS);
