import { and, asc, eq, isNotNull, isNull, like } from 'drizzle-orm';
import { withFixed } from '@core/season/changes';
import { median5kOf } from '@core/season/groupLevel';
import { layOutSeason } from '@core/season/layout/layOut';
import { daysOf, type FixedDay, type SeasonPlan, type StoredSeason } from '@core/season/season';
import { sessionOfDay } from '@core/season/threads/threadSession';
import { listAthletes } from './athletes';
import { readLibrary } from './library';
import type { Db, Tx } from './open';
import { Refused } from './refused';
import { runs, seasons, sessions } from './schema';
import { putSession } from './sessions';

/** Who changes it, until there are accounts. */
export type Actor = 'coach';

/** Seasons that can be kept at once. */
const MOST_SEASONS = 200;

type Reader = Db | Tx;

const isThere = isNull(seasons.removedAtMs);

/** All seasons, the one that begins first first. */
export function listSeasons(db: Db): StoredSeason[] {
  return db
    .select({ id: seasons.id, version: seasons.version, season: seasons.plan })
    .from(seasons)
    .where(isThere)
    .orderBy(asc(seasons.createdAtMs))
    .all()
    .sort((a, b) => (a.season.firstDay < b.season.firstDay ? -1 : 1));
}

/** One season; undefined if there is none with this id. */
export function readSeason(db: Reader, id: string): StoredSeason | undefined {
  return db
    .select({ id: seasons.id, version: seasons.version, season: seasons.plan })
    .from(seasons)
    .where(and(eq(seasons.id, id), isThere))
    .get();
}

function store(tx: Tx, { id, version, season }: StoredSeason, actor: Actor, nowMs: number): StoredSeason {
  const row = { version, plan: season, actor, updatedAtMs: nowMs, removedAtMs: null };
  tx.insert(seasons)
    .values({ id, ...row, createdAtMs: nowMs })
    .onConflictDoUpdate({ target: seasons.id, set: row })
    .run();
  return { id, version, season };
}

const hasRun = (tx: Tx, sessionId: string) =>
  tx.select({ id: runs.id }).from(runs).where(eq(runs.sessionId, sessionId)).limit(1).get() !== undefined;

/** Moves the sessions written for a day along with it; one that was run stays where it was run. */
function moveWritten(tx: Tx, fixed: readonly FixedDay[], nowMs: number): void {
  for (const { sessionId, date } of fixed) {
    if (sessionId === undefined) continue;
    const session = tx.select({ date: sessions.date }).from(sessions).where(eq(sessions.id, sessionId)).get();
    if (!session || session.date === date || hasRun(tx, sessionId)) continue;
    tx.update(sessions).set({ date, updatedAtMs: nowMs }).where(eq(sessions.id, sessionId)).run();
    // Another season may share that day.
    followSession(tx, sessionId, date, nowMs);
  }
}

/** A season with the median of those it is for over 5000 m, by their marks of today. */
function withMedian(db: Db, { median5kS: _before, ...season }: SeasonPlan, nowMs: number): SeasonPlan {
  const median5kS = median5kOf(season, listAthletes(db), new Date(nowMs).toISOString().slice(0, 10));
  return median5kS === undefined ? season : { ...season, median5kS };
}

/**
 * Stores a season in place of what was stored under this id; a removed one is back.
 * @param version the one it was changed from, 0 where it is new.
 * @throws Refused 'stale' when somebody has changed it since: nothing is stored.
 */
export function putSeason(
  db: Db,
  id: string,
  { season, version }: { season: SeasonPlan; version: number },
  { actor, nowMs }: { actor: Actor; nowMs: number },
): StoredSeason {
  return db.transaction((tx) => {
    const stored = tx.select({ version: seasons.version }).from(seasons).where(eq(seasons.id, id)).get();
    if ((stored?.version ?? 0) !== version)
      throw new Refused(
        'stale',
        'Somebody has changed this season since it was opened here. Nothing of this change was kept; look at it as it is now.',
        'version',
      );
    if (!stored && tx.select({ id: seasons.id }).from(seasons).where(isThere).all().length >= MOST_SEASONS)
      throw new Refused('too_many', `There are ${MOST_SEASONS} seasons: remove some that are over first.`, 'season');
    moveWritten(tx, season.fixed, nowMs);
    return store(tx, { id, version: version + 1, season: withMedian(db, season, nowMs) }, actor, nowMs);
  });
}

/** Hides a season. Sessions that were written for it stay. @returns false if there is none with this id. */
export function removeSeason(db: Db, id: string, nowMs: number): boolean {
  return (
    db
      .update(seasons)
      .set({ removedAtMs: nowMs })
      .where(and(eq(seasons.id, id), isThere))
      .run().changes > 0
  );
}

/** Brings a removed season back. @returns false if none with this id was removed. */
export function restoreSeason(db: Db, id: string): boolean {
  const gone = and(eq(seasons.id, id), isNotNull(seasons.removedAtMs));
  return db.update(seasons).set({ removedAtMs: null }).where(gone).run().changes > 0;
}

/**
 * Writes the session of a hard day for real, as a session on that date; once, however often it is asked for.
 * @param sessionId the id it gets, unless it was written already.
 * @returns the season with that day settled, and the id the session has.
 * @throws Refused when nothing is to be run that day, or its thread names a session that is gone.
 */
export function writeDay(
  db: Db,
  id: string,
  { date, sessionId, startTime }: { date: string; sessionId: string; startTime?: string },
  { actor, nowMs }: { actor: Actor; nowMs: number },
): (StoredSeason & { sessionId: string }) | undefined {
  return db.transaction((tx) => {
    const stored = readSeason(tx, id);
    if (!stored) return undefined;
    const day = daysOf(layOutSeason(stored.season)).find((day) => day.date === date);
    const written = day?.sessionId;
    const isStill =
      written !== undefined &&
      tx
        .select({ id: sessions.id })
        .from(sessions)
        .where(and(eq(sessions.id, written), isNull(sessions.removedAtMs)))
        .get() !== undefined;
    if (isStill) return { ...stored, sessionId: written };
    const session = day && sessionOfDay(stored.season, day, readLibrary(db));
    if (!day || !session) throw new Refused('unknown', 'No session is laid out for this day.', 'date');
    if (session.kind === 'gone') throw new Refused('unknown', session.text, 'date');
    const { title, shorthand, intent, arc, libraryId } = session;
    putSession(
      db,
      sessionId,
      {
        title,
        date,
        shorthand,
        ...(startTime === undefined ? {} : { startTime }),
        ...(intent ? { intent } : {}),
        ...(arc ? { arc } : {}),
        ...(libraryId === undefined ? {} : { libraryId }),
      },
      nowMs,
    );
    const fixed: FixedDay = {
      date,
      kind: 'hard',
      because: 'written',
      sessionId,
      ...(day.thread ? { threadId: day.thread.id, step: day.thread.step } : {}),
      ...(day.special ? { special: day.special } : {}),
      ...(day.share === undefined ? {} : { share: day.share }),
      ...(day.note === undefined ? {} : { note: day.note }),
    };
    const season = withFixed(stored.season, [fixed]);
    return { ...store(tx, { id, version: stored.version + 1, season }, actor, nowMs), sessionId };
  });
}

/** A session was put on another date by itself: the day of the season it was written for goes with it. */
export function followSession(tx: Reader, sessionId: string, date: string, nowMs: number): void {
  const found = tx
    .select({ id: seasons.id, version: seasons.version, season: seasons.plan })
    .from(seasons)
    .where(like(seasons.plan, `%${sessionId}%`))
    .all();
  for (const { id, version, season } of found) {
    const day = season.fixed.find((day) => day.sessionId === sessionId);
    if (!day || day.date === date) continue;
    const others = { ...season, fixed: season.fixed.filter((candidate) => candidate !== day) };
    const plan = withFixed(others, [{ ...day, date }]);
    tx.update(seasons)
      .set({ plan, version: version + 1, updatedAtMs: nowMs })
      .where(eq(seasons.id, id))
      .run();
  }
}

/** Seasons, also removed ones, that name an athlete. */
export function seasonsNaming(db: Reader, athleteId: string) {
  return db
    .select({ id: seasons.id, season: seasons.plan })
    .from(seasons)
    .where(like(seasons.plan, `%${athleteId}%`))
    .all();
}
