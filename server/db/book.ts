import { and, asc, count, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { KeptBook } from '@core/api/answers';
import type { BookChange, BookSession, BookVersion, Progression } from '@core/library/bookSession';
import { isStarter, STARTERS } from '@core/library/starters';
import type { Plan } from '@core/run/plan';
import type { Db, Tx } from './open';
import { Refused } from './refused';
import { bookSessions, bookVersions, progressions, runs, sessions } from './schema';
import { withoutNulls } from './withoutNulls';

type Row = typeof bookSessions.$inferSelect;

function asSession(row: Row): BookSession {
  const { createdAtMs: _created, updatedAtMs: _updated, removedAtMs: _removed, favourite, archived, ...own } = row;
  return {
    ...withoutNulls(own),
    ...(favourite ? { favourite: true } : {}),
    ...(archived ? { archived: true } : {}),
  };
}

/** The book, by title. */
export function readBook(db: Db): KeptBook {
  const { id, name, lever, stepIds, chain, everyDays, round } = progressions;
  return {
    sessions: db
      .select()
      .from(bookSessions)
      .where(isNull(bookSessions.removedAtMs))
      .orderBy(asc(bookSessions.title))
      .all()
      .map(asSession),
    progressions: db
      .select({ id, name, lever, stepIds, chain, everyDays, round })
      .from(progressions)
      .where(isNull(progressions.removedAtMs))
      .orderBy(asc(name))
      .all()
      .map(withoutNulls),
  };
}

/** The texts a session of the book had when it was run, the latest first. */
export function listVersions(db: Db, bookId: string): BookVersion[] {
  const { version, title, shorthand, untilMs } = bookVersions;
  return db
    .select({ version, title, shorthand, untilMs })
    .from(bookVersions)
    .where(eq(bookVersions.bookId, bookId))
    .orderBy(desc(version))
    .all();
}

/** The text of a plan; undefined in one that cannot be read, which is in nobody's way here. */
function shorthandOf(planJson: string): string | undefined {
  try {
    return (JSON.parse(planJson) as Plan).shorthand;
  } catch {
    return undefined;
  }
}

/** True if this very text was taken to the track from the book. */
function wasRun(tx: Tx, bookId: string, shorthand: string): boolean {
  return tx
    .select({ planJson: runs.planJson })
    .from(runs)
    .innerJoin(sessions, eq(runs.sessionId, sessions.id))
    .where(eq(sessions.bookId, bookId))
    .all()
    .some(({ planJson }) => shorthandOf(planJson) === shorthand);
}

/** Keeps the text a session has before it is changed, if results stand on it. */
function keepVersion(tx: Tx, sent: BookSession, nowMs: number): void {
  const stored = tx.select().from(bookSessions).where(eq(bookSessions.id, sent.id)).get();
  const before = stored ?? STARTERS.find(({ id }) => id === sent.id);
  if (!before || before.shorthand === sent.shorthand || !wasRun(tx, sent.id, before.shorthand)) return;
  const kept = tx.select({ n: count() }).from(bookVersions).where(eq(bookVersions.bookId, sent.id)).get()?.n ?? 0;
  const { title, shorthand } = before;
  tx.insert(bookVersions)
    .values({ bookId: sent.id, version: kept + 1, title, shorthand, untilMs: nowMs })
    .run();
}

function putSession(tx: Tx, sent: BookSession, nowMs: number): void {
  keepVersion(tx, sent, nowMs);
  const row = {
    title: sent.title,
    shorthand: sent.shorthand,
    intent: sent.intent ?? null,
    purpose: sent.purpose ?? null,
    season: sent.season ?? null,
    easier: sent.easier ?? null,
    harder: sent.harder ?? null,
    tags: sent.tags,
    favourite: sent.favourite ?? false,
    archived: sent.archived ?? false,
    updatedAtMs: nowMs,
    removedAtMs: null,
  };
  tx.insert(bookSessions)
    .values({ id: sent.id, ...row, createdAtMs: nowMs })
    .onConflictDoUpdate({ target: bookSessions.id, set: row })
    .run();
}

function putProgression(tx: Tx, { id, ...progression }: Progression, nowMs: number): void {
  const { stepIds } = progression;
  const there = tx
    .select({ id: bookSessions.id })
    .from(bookSessions)
    .where(and(inArray(bookSessions.id, stepIds), isNull(bookSessions.removedAtMs)))
    .all();
  const known = new Set(there.map((row) => row.id));
  if (!stepIds.every((step) => known.has(step) || isStarter(step)))
    throw new Refused('unknown', 'A step of this progression is not in the book. It may have been removed.', 'stepIds');
  const row = {
    ...progression,
    chain: progression.chain ?? null,
    everyDays: progression.everyDays ?? null,
    round: progression.round ?? null,
  };
  tx.insert(progressions)
    .values({ id, ...row, createdAtMs: nowMs })
    .onConflictDoUpdate({ target: progressions.id, set: { ...row, removedAtMs: null } })
    .run();
}

/**
 * Changes several things in the book at once. A text that results stand on is kept as a version.
 * @throws Refused when a progression has a step that is not in the book; nothing is stored then.
 */
export function changeBook(db: Db, change: BookChange, nowMs: number): void {
  db.transaction((tx) => {
    for (const session of change.sessions ?? []) putSession(tx, session, nowMs);
    for (const progression of change.progressions ?? []) putProgression(tx, progression, nowMs);
    const gone = { removedAtMs: nowMs };
    for (const id of change.removedSessionIds ?? [])
      tx.update(bookSessions).set(gone).where(eq(bookSessions.id, id)).run();
    for (const id of change.removedProgressionIds ?? [])
      tx.update(progressions).set(gone).where(eq(progressions.id, id)).run();
  });
}
