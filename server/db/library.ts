import { and, asc, count, desc, eq, inArray, isNull, lt } from 'drizzle-orm';
import type { Page, StoredLibrary } from '@core/api/answers';
import type { LibraryChange, LibrarySession, LibraryVersion, Progression } from '@core/library/librarySession';
import { isStarter, STARTERS } from '@core/library/starters';
import type { Plan } from '@core/run/plan';
import type { Db, Tx } from './open';
import { pageOf } from './pages';
import { Refused } from './refused';
import { librarySessions, libraryVersions, progressions, runs, sessions } from './schema';
import { withoutNulls } from './withoutNulls';

type Row = typeof librarySessions.$inferSelect;

function asSession(row: Row): LibrarySession {
  const { createdAtMs: _created, updatedAtMs: _updated, removedAtMs: _removed, favourite, archived, ...fields } = row;
  return {
    ...withoutNulls(fields),
    ...(favourite ? { favourite: true } : {}),
    ...(archived ? { archived: true } : {}),
  };
}

/** The library, by title. */
export function readLibrary(db: Db): StoredLibrary {
  const { id, name, lever, stepIds, chain, everyDays, round } = progressions;
  return {
    sessions: db
      .select()
      .from(librarySessions)
      .where(isNull(librarySessions.removedAtMs))
      .orderBy(asc(librarySessions.title))
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

/** The texts a session in the library had when it was run, the latest first; the cursor is the number of a version. */
export function pageOfVersions(
  db: Db,
  id: string,
  { cursor, limit }: { cursor?: string; limit: number },
): Page<LibraryVersion> {
  const { libraryId, version, title, shorthand, untilMs } = libraryVersions;
  const rows = db
    .select({ version, title, shorthand, untilMs })
    .from(libraryVersions)
    .where(and(eq(libraryId, id), cursor === undefined ? undefined : lt(version, Number(cursor))))
    .orderBy(desc(version))
    .limit(limit + 1)
    .all();
  return pageOf(
    rows,
    limit,
    (row) => row,
    (row) => String(row.version),
  );
}

/** The text of a plan; undefined where it cannot be read, which does not matter here. */
function shorthandOf(planJson: string): string | undefined {
  try {
    return (JSON.parse(planJson) as Plan).shorthand;
  } catch {
    return undefined;
  }
}

/** True if this very text was taken to the track from the library. */
function wasRun(tx: Tx, libraryId: string, shorthand: string): boolean {
  return tx
    .select({ planJson: runs.planJson })
    .from(runs)
    .innerJoin(sessions, eq(runs.sessionId, sessions.id))
    .where(eq(sessions.libraryId, libraryId))
    .all()
    .some(({ planJson }) => shorthandOf(planJson) === shorthand);
}

/** Keeps the present text as a version before it is changed, if it has results. */
function keepVersion(tx: Tx, sent: LibrarySession, nowMs: number): void {
  const stored = tx.select().from(librarySessions).where(eq(librarySessions.id, sent.id)).get();
  const before = stored ?? STARTERS.find(({ id }) => id === sent.id);
  if (!before || before.shorthand === sent.shorthand || !wasRun(tx, sent.id, before.shorthand)) return;
  const kept =
    tx.select({ n: count() }).from(libraryVersions).where(eq(libraryVersions.libraryId, sent.id)).get()?.n ?? 0;
  const { title, shorthand } = before;
  tx.insert(libraryVersions)
    .values({ libraryId: sent.id, version: kept + 1, title, shorthand, untilMs: nowMs })
    .run();
}

function putSession(tx: Tx, sent: LibrarySession, nowMs: number): void {
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
  tx.insert(librarySessions)
    .values({ id: sent.id, ...row, createdAtMs: nowMs })
    .onConflictDoUpdate({ target: librarySessions.id, set: row })
    .run();
}

function putProgression(tx: Tx, { id, ...progression }: Progression, nowMs: number): void {
  const { stepIds } = progression;
  const there = tx
    .select({ id: librarySessions.id })
    .from(librarySessions)
    .where(and(inArray(librarySessions.id, stepIds), isNull(librarySessions.removedAtMs)))
    .all();
  const knownIds = new Set(there.map((row) => row.id));
  if (!stepIds.every((step) => knownIds.has(step) || isStarter(step)))
    throw new Refused(
      'unknown',
      'A step of this progression is not in the library. It may have been removed.',
      'stepIds',
    );
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
 * Changes several things in the library at once. A text that has results is kept as a version.
 * @throws Refused when a progression has a step that is not in the library; nothing is stored then.
 */
export function changeLibrary(db: Db, change: LibraryChange, nowMs: number): void {
  db.transaction((tx) => {
    for (const session of change.sessions ?? []) putSession(tx, session, nowMs);
    for (const progression of change.progressions ?? []) putProgression(tx, progression, nowMs);
    const gone = { removedAtMs: nowMs };
    for (const id of change.removedSessionIds ?? [])
      tx.update(librarySessions).set(gone).where(eq(librarySessions.id, id)).run();
    for (const id of change.removedProgressionIds ?? [])
      tx.update(progressions).set(gone).where(eq(progressions.id, id)).run();
  });
}
