/**
 * Rows of results that are behind their log. An event is stored and answered at once; what it changes in the rows is worked out later, for
 * many events together: before somebody reads, or in the background. After a kill the mark in the database has them made anew.
 */
import { and, eq, ne } from 'drizzle-orm';
import type { RunEvent } from '@core/run/events';
import { isNoRoom } from './errorCode';
import type { Db, Tx } from './open';
import { forgetGrowing, project } from './results';
import { runResults } from './schema';

/** The version of rows that are behind: never a RESULTS_VERSION. */
const BEHIND = 0;

/** In place of the number of events known: the log is read anew. */
const READ_ANEW = -1;

/** Events that the rows of a session do not show yet, and how many it had before them. */
type Behind = { countBefore: number; added: RunEvent[] };

const behindOf = new WeakMap<Db, Map<string, Behind>>();

function behindIn(db: Db): Map<string, Behind> {
  const all = behindOf.get(db) ?? new Map<string, Behind>();
  behindOf.set(db, all);
  return all;
}

/** Marks the rows of a session as behind, in the transaction that adds to its log. */
export function markBehind(tx: Tx, runId: string): void {
  tx.update(runResults)
    .set({ version: BEHIND })
    .where(and(eq(runResults.runId, runId), ne(runResults.version, BEHIND)))
    .run();
}

/** Remembers which events the rows do not show yet, once they are committed. */
export function noteBehind(db: Db, runId: string, added: readonly RunEvent[], countBefore: number): void {
  if (added.length === 0) return;
  const all = behindIn(db);
  const behind = all.get(runId);
  if (!behind) all.set(runId, { countBefore, added: [...added] });
  else if (behind.countBefore + behind.added.length === countBefore) behind.added.push(...added);
  // The log changed in between, as by an erasure: it is read anew.
  else all.set(runId, { countBefore: READ_ANEW, added: [] });
}

/**
 * Brings every row that is behind up to its log. Costs nothing where none is. On a full disk they stay behind, and lists show those sessions
 * as still being worked out.
 */
export function bringUpToDate(db: Db): void {
  const all = behindIn(db);
  for (const [runId, { added, countBefore }] of all) {
    try {
      db.transaction((tx) => project(db, tx, runId, added, countBefore));
    } catch (error) {
      // What memory holds of it may be ahead of the rows now: the next attempt reads the log.
      forgetGrowing(db, runId);
      all.set(runId, { added: [], countBefore: READ_ANEW });
      if (isNoRoom(error)) return;
      throw error;
    }
    all.delete(runId);
  }
}
