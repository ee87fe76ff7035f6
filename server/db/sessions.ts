import { and, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { ScheduledSession } from '@core/api/answers';
import type { SessionInput } from '@core/api/schemas';
import type { DayPlan } from '@core/planning/dayPlan';
import type { Db } from './open';
import { sessions } from './schema';
import { withoutNulls } from './withoutNulls';

const { id: idColumn, title, date, shorthand, startTime, intent, libraryId, plan, removedAtMs } = sessions;

/** All sessions, the latest date first. */
export function listSessions(db: Db): ScheduledSession[] {
  return db
    .select({ id: idColumn, title, date, shorthand, startTime, intent, libraryId, plan })
    .from(sessions)
    .where(isNull(removedAtMs))
    .orderBy(desc(date), desc(sessions.createdAtMs))
    .all()
    .map(withoutNulls);
}

/** Stores a session in place of what was stored under this id, its plan for the day apart; a removed one is back. */
export function putSession(db: Db, id: string, input: SessionInput, nowMs: number): ScheduledSession {
  const row = {
    ...input,
    startTime: input.startTime ?? null,
    intent: input.intent ?? null,
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
  const there = and(eq(idColumn, id), isNull(removedAtMs));
  return db.update(sessions).set({ removedAtMs: nowMs }).where(there).run().changes > 0;
}

/** Brings a removed session back. @returns false if none with this id was removed. */
export function restoreSession(db: Db, id: string): boolean {
  const gone = and(eq(idColumn, id), isNotNull(removedAtMs));
  return db.update(sessions).set({ removedAtMs: null }).where(gone).run().changes > 0;
}

/** Stores what is decided for the day of a session. @returns false if there is no session with this id. */
export function putDayPlan(db: Db, id: string, decided: DayPlan, nowMs: number): boolean {
  const there = and(eq(idColumn, id), isNull(removedAtMs));
  return db.update(sessions).set({ plan: decided, updatedAtMs: nowMs }).where(there).run().changes > 0;
}
