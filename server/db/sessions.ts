import { and, count, desc, eq, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import type { LibraryUses, ListedSession, Page, ScheduledSession } from '@core/api/answers';
import type { SessionInput } from '@core/api/schemas';
import type { DayPlan } from '@core/planning/dayPlan';
import type { Db } from './open';
import { cursorOf, isAfter, isOn, pageOf } from './pages';
import { sessions } from './schema';
import { withoutNulls } from './withoutNulls';

const {
  id: idColumn,
  title,
  date,
  shorthand,
  startTime,
  intent,
  arc,
  libraryId,
  plan,
  createdAtMs,
  removedAtMs,
} = sessions;

const LISTED = { id: idColumn, title, date, shorthand, startTime, intent, arc, libraryId };
const WITH_PLAN = { ...LISTED, plan };
const LATEST_FIRST = [desc(date), desc(createdAtMs), desc(idColumn)];
const isThere = isNull(removedAtMs);

/** A page of sessions, the latest date first: those before a day, or all. What is decided for their days is not read. */
export function pageOfSessions(
  db: Db,
  { before, cursor, limit }: { before?: string; cursor?: string; limit: number },
): Page<ListedSession> {
  const rows = db
    .select({ ...LISTED, createdAtMs })
    .from(sessions)
    .where(
      and(
        isThere,
        before === undefined ? undefined : lt(date, before),
        isAfter({ date, createdAtMs, id: idColumn }, cursor),
      ),
    )
    .orderBy(...LATEST_FIRST)
    .limit(limit + 1)
    .all();
  return pageOf(rows, limit, ({ createdAtMs: _created, ...row }) => withoutNulls(row), cursorOf);
}

/** The sessions of some days, or all from a day on, the latest date first. */
export function sessionsOn(db: Db, days: { from: string; to?: string }): ScheduledSession[] {
  return db
    .select(WITH_PLAN)
    .from(sessions)
    .where(and(isThere, isOn(date, days)))
    .orderBy(...LATEST_FIRST)
    .all()
    .map(withoutNulls);
}

/** A session; undefined if there is none with this id. */
export function readSession(db: Db, id: string): ScheduledSession | undefined {
  const row = db
    .select(WITH_PLAN)
    .from(sessions)
    .where(and(isThere, eq(idColumn, id)))
    .get();
  return row && withoutNulls(row);
}

/** How often sessions of the library were used, and when last, up to a day. */
export function librarySessionUses(db: Db, until: string): LibraryUses {
  const rows = db
    .select({ libraryId, days: count(), last: sql<string | null>`max(case when ${date} <= ${until} then ${date} end)` })
    .from(sessions)
    .where(and(isThere, isNotNull(libraryId)))
    .groupBy(libraryId)
    .all();
  return Object.fromEntries(rows.map(({ libraryId: id, days, last }) => [id, { days, ...(last ? { last } : {}) }]));
}

/**
 * Stores a session in place of what was stored under this id, its plan for the day apart; a removed one is back. How it is to feel stays
 * as long as its intent does.
 */
export function putSession(db: Db, id: string, given: SessionInput, nowMs: number): ListedSession {
  const before = db.select({ arc, intent }).from(sessions).where(eq(idColumn, id)).get();
  const keptArc = before?.arc && before.intent === given.intent ? before.arc : undefined;
  const ownArc = given.arc ?? keptArc;
  const input = ownArc ? { ...given, arc: ownArc } : given;
  const row = {
    ...input,
    startTime: input.startTime ?? null,
    intent: input.intent ?? null,
    arc: ownArc ?? null,
    libraryId: input.libraryId ?? null,
  };
  db.insert(sessions)
    .values({ id, ...row, createdAtMs: nowMs, updatedAtMs: nowMs })
    .onConflictDoUpdate({ target: idColumn, set: { ...row, updatedAtMs: nowMs, removedAtMs: null } })
    .run();
  return { id, ...input };
}

/** Hides a session. What was run of it stays in the results. @returns false if there is none with this id. */
export function removeSession(db: Db, id: string, nowMs: number): boolean {
  const there = and(eq(idColumn, id), isThere);
  return db.update(sessions).set({ removedAtMs: nowMs }).where(there).run().changes > 0;
}

/** Brings a removed session back. @returns false if none with this id was removed. */
export function restoreSession(db: Db, id: string): boolean {
  const gone = and(eq(idColumn, id), isNotNull(removedAtMs));
  return db.update(sessions).set({ removedAtMs: null }).where(gone).run().changes > 0;
}

/** Stores what is decided for the day of a session. @returns false if there is no session with this id. */
export function putDayPlan(db: Db, id: string, decided: DayPlan, nowMs: number): boolean {
  const there = and(eq(idColumn, id), isThere);
  return db.update(sessions).set({ plan: decided, updatedAtMs: nowMs }).where(there).run().changes > 0;
}
