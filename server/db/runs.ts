import { asc, count, desc, eq, gte, sql } from 'drizzle-orm';
import { summarise, type RunSummary } from '@core/review/summary';
import type { RunEvent } from '@core/trackside/events';
import { athletesOf, type Plan } from '@core/trackside/plan';
import { replay } from '@core/trackside/replay';
import { eventAbout, runOf } from '@core/trackside/runOf';
import type { Db } from './open';
import { erasedAthletes, runEvents, runs } from './schema';

/** One line of the list of results. */
export type ListedRun = { id: string; sessionId: string; title: string; date: string; summary: RunSummary };

type RunRow = typeof runs.$inferSelect;

const planOf = (row: Pick<RunRow, 'planJson'>) => JSON.parse(row.planJson) as Plan;

/** The events of a run, in the order they came in. */
function eventsOf(db: Db, runId: string): RunEvent[] {
  return db
    .select({ eventJson: runEvents.eventJson })
    .from(runEvents)
    .where(eq(runEvents.runId, runId))
    .orderBy(asc(runEvents.receivedAtMs), asc(runEvents.id))
    .all()
    .map((row) => JSON.parse(row.eventJson) as RunEvent);
}

/** The summary is worked out when it is first asked for after new events, so that taking in events stays quick. */
function summaryOf(db: Db, row: RunRow): RunSummary {
  const kept = row.summaryJson && (JSON.parse(row.summaryJson) as Partial<RunSummary>);
  // One kept by an earlier version of the app may have less in it.
  if (kept && kept.planned !== undefined) return kept as RunSummary;
  const plan = planOf(row);
  const summary = summarise(replay(plan, eventsOf(db, row.id)));
  db.update(runs)
    .set({ summaryJson: JSON.stringify(summary) })
    .where(eq(runs.id, row.id))
    .run();
  return summary;
}

/** Everything taken to the track, the latest date first. */
export function listRuns(db: Db): ListedRun[] {
  const rows = db.select().from(runs).orderBy(desc(runs.date), desc(runs.createdAtMs)).all();
  return rows.map((row) => {
    const { id, sessionId, title, date } = row;
    return { id, sessionId, title, date, summary: summaryOf(db, row) };
  });
}

/** A run's plan and events, or undefined if there is none with this id. */
export function readRun(db: Db, id: string): { plan: Plan; events: RunEvent[] } | undefined {
  const row = db.select().from(runs).where(eq(runs.id, id)).get();
  return row && { plan: planOf(row), events: eventsOf(db, id) };
}

/** The ids of those who were erased: a phone may still send what it has of them. */
const erasedIds = (db: Db) =>
  new Set(
    db
      .select({ id: erasedAthletes.id })
      .from(erasedAthletes)
      .all()
      .map(({ id }) => id),
  );

/** Stores a plan once. @returns 'kept' if it is new, 'same' if it was there already, 'different' if another plan has its id. */
export function putPlan(db: Db, sent: Plan, nowMs: number): 'kept' | 'same' | 'different' {
  const erased = erasedIds(db);
  const { plan } = runOf({ plan: sent, events: [] }, (athleteId) => !erased.has(athleteId));
  // Nobody is left in it: there is nothing to keep, and nothing for the phone to send again.
  if (athletesOf(plan).length === 0) return 'same';
  const planJson = JSON.stringify(plan);
  const { id, sessionId, title, date } = plan;
  const stored = db.select({ planJson: runs.planJson }).from(runs).where(eq(runs.id, id)).get();
  if (stored) return stored.planJson === planJson ? 'same' : 'different';
  db.insert(runs).values({ id, sessionId, title, date, planJson, createdAtMs: nowMs }).run();
  return 'kept';
}

/** A row to be filled in, so that the statement is made once for all events of a batch. */
const ANY_EVENT = {
  id: sql.placeholder('id'),
  runId: sql.placeholder('runId'),
  atMs: sql.placeholder('atMs'),
  type: sql.placeholder('type'),
  eventJson: sql.placeholder('eventJson'),
  receivedAtMs: sql.placeholder('receivedAtMs'),
};

/**
 * Adds events to a run; those whose id is there already, and what is about someone erased, are passed over.
 * @returns those that are new, or undefined if there is no such run.
 */
export function addEvents(db: Db, runId: string, events: readonly RunEvent[], nowMs: number): RunEvent[] | undefined {
  return db.transaction((tx) => {
    const run = tx.select({ id: runs.id }).from(runs).where(eq(runs.id, runId)).get();
    const erased = erasedIds(db);
    const isKept = (athleteId: string) => !erased.has(athleteId);
    if (!run) return undefined;
    const added: RunEvent[] = [];
    const insert = tx.insert(runEvents).values(ANY_EVENT).onConflictDoNothing().prepare();
    for (const sent of events) {
      const event = eventAbout(sent, isKept);
      if (!event) continue;
      const { id, atMs, type } = event;
      const { changes } = insert.run({
        id,
        runId,
        atMs,
        type,
        eventJson: JSON.stringify(event),
        receivedAtMs: nowMs,
      });
      if (changes > 0) added.push(event);
    }
    if (added.length > 0) tx.update(runs).set({ summaryJson: null }).where(eq(runs.id, runId)).run();
    return added;
  });
}

/** How many events of a run are kept. */
export const countEvents = (db: Db, runId: string): number =>
  db.select({ n: count() }).from(runEvents).where(eq(runEvents.runId, runId)).get()?.n ?? 0;

/** The runs that were taken to the track since then, the latest first; a few at most. */
export const recentRunIds = (db: Db, sinceMs: number): string[] =>
  db
    .select({ id: runs.id })
    .from(runs)
    .where(gte(runs.createdAtMs, sinceMs))
    .orderBy(desc(runs.createdAtMs), desc(runs.id))
    .limit(4)
    .all()
    .map(({ id }) => id);

export const hasRun = (db: Db, id: string): boolean =>
  db.select({ id: runs.id }).from(runs).where(eq(runs.id, id)).get() !== undefined;
