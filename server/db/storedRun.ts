/** A session at the track as it is stored: its plan, and its events in the order they came in. */
import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import type { Db, Tx } from './open';
import { runEvents, runs } from './schema';

/** What is stored of a run is damaged: it can be set aside, and nothing else is touched by it. */
export class UnreadableRun extends Error {
  override name = 'UnreadableRun';
}

/** @throws UnreadableRun */
export function parsed<T>(json: string): T {
  try {
    return JSON.parse(json) as T;
  } catch (cause) {
    throw new UnreadableRun('What is stored of this session cannot be read.', { cause });
  }
}

/** The events of a run as they are stored, in the order they came in. */
export function eventRows(db: Db | Tx, runId: string, afterRow = 0) {
  return db
    .select({ row: sql<number>`rowid`, id: runEvents.id, eventJson: runEvents.eventJson })
    .from(runEvents)
    .where(and(eq(runEvents.runId, runId), gt(sql`rowid`, afterRow)))
    .orderBy(asc(sql`rowid`))
    .all();
}

/** A run's plan and events, or undefined if there is none with this id. @throws UnreadableRun */
export function readRun(db: Db | Tx, id: string): { plan: Plan; events: RunEvent[] } | undefined {
  const row = db.select({ planJson: runs.planJson }).from(runs).where(eq(runs.id, id)).get();
  if (!row) return undefined;
  const events = eventRows(db, id).map(({ eventJson }) => parsed<RunEvent>(eventJson));
  return { plan: parsed<Plan>(row.planJson), events };
}

/** What can be read of a run, and the rows of its log that cannot; undefined if its plan cannot either. */
export function readSoundPart(db: Db | Tx, id: string) {
  const row = db.select({ planJson: runs.planJson }).from(runs).where(eq(runs.id, id)).get();
  if (!row) return undefined;
  const events: RunEvent[] = [];
  const damaged: { id: string; eventJson: string }[] = [];
  try {
    const plan = parsed<Plan>(row.planJson);
    for (const stored of eventRows(db, id)) {
      try {
        events.push(parsed<RunEvent>(stored.eventJson));
      } catch {
        damaged.push(stored);
      }
    }
    return { plan, events, damaged };
  } catch (error) {
    if (error instanceof UnreadableRun) return undefined;
    throw error;
  }
}
