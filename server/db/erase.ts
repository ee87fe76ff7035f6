import type Database from 'better-sqlite3';
import { eq, inArray, like, or } from 'drizzle-orm';
import type { AthleteFile } from '@core/formats/athleteFile';
import { aboutAthlete, withoutAthlete } from '@core/planning/dayPlan';
import { isAnyoneInRun, isInRun, runOf } from '@core/trackside/runOf';
import { readAthlete } from './athletes';
import { truncateWal, type Db } from './open';
import { readSoundPart } from './runs';
import { athletes, erasedAthletes, runEvents, runs, sessions } from './schema';
import { readSquad, type Tx } from './squad';

/** The ids of the sessions at the track in which the athlete is named anywhere. */
function runIdsNaming(db: Db, athleteId: string): string[] {
  const inEvents = db
    .select({ id: runEvents.runId })
    .from(runEvents)
    .where(like(runEvents.eventJson, `%${athleteId}%`));
  return db
    .select({ id: runs.id })
    .from(runs)
    .where(or(like(runs.planJson, `%${athleteId}%`), inArray(runs.id, inEvents)))
    .all()
    .map(({ id }) => id);
}

/** Takes the athlete out of a session at the track. Nobody can be taken out of what cannot be read: what names them there goes as a whole. */
function eraseFromRun(db: Db, tx: Tx, id: string, athleteId: string): void {
  const run = readSoundPart(db, id);
  const kept = run && runOf(run, (other) => other !== athleteId);
  if (!kept || !isAnyoneInRun(kept)) {
    tx.delete(runs).where(eq(runs.id, id)).run();
    return;
  }
  const left = new Map(kept.events.map((event) => [event.id, event]));
  const damaged = run.damaged.filter(({ eventJson }) => eventJson.includes(athleteId));
  for (const gone of [...run.events.filter((event) => !left.has(event.id)), ...damaged])
    tx.delete(runEvents).where(eq(runEvents.id, gone.id)).run();
  for (const event of run.events) {
    const now = left.get(event.id);
    if (!now || now === event) continue;
    tx.update(runEvents)
      .set({ eventJson: JSON.stringify(now) })
      .where(eq(runEvents.id, event.id))
      .run();
  }
  const eventCount = left.size + run.damaged.length - damaged.length;
  tx.update(runs)
    .set({ planJson: JSON.stringify(kept.plan), summaryJson: null, eventCount })
    .where(eq(runs.id, id))
    .run();
}

/** The sessions whose plan for the day has the athlete in it. */
function plannedWith(db: Db, athleteId: string) {
  const { id, title, date, plan } = sessions;
  return db
    .select({ id, title, date, plan })
    .from(sessions)
    .where(like(plan, `%${athleteId}%`))
    .all()
    .flatMap((session) => (session.plan ? [{ ...session, plan: session.plan }] : []));
}

/** Everything that is kept about one athlete; undefined if there is none with this id. */
export function athleteFile(db: Db, id: string, savedOn: string): AthleteFile | undefined {
  const athlete = readAthlete(db, id);
  if (!athlete) return undefined;
  const group = readSquad(db).groups.find((candidate) => candidate.id === athlete.groupId);
  const own = runIdsNaming(db, id).flatMap((runId) => {
    const run = readSoundPart(db, runId);
    return run && isInRun(run, id) ? [runOf(run, (athleteId) => athleteId === id)] : [];
  });
  const plans = plannedWith(db, id).flatMap(({ title, date, plan }) => {
    const about = aboutAthlete(plan, id);
    return about ? [{ title, date, plan: about }] : [];
  });
  return {
    format: 'zest-lap/athlete',
    version: 1,
    savedOn,
    athlete,
    ...(group ? { group } : {}),
    runs: own,
    ...(plans.length > 0 ? { plans } : {}),
  };
}

/**
 * Takes an athlete away for good: profile, marks, their part of every plan and of every session at the track; a session that had nobody else
 * goes with them. It cannot be taken back, and what they leave on the disk is overwritten.
 * @returns false if there is none with this id.
 */
export function eraseAthlete(db: Db, id: string, nowMs: number): boolean {
  const isThere = readAthlete(db, id) !== undefined;
  if (!isThere) return false;
  db.transaction((tx) => {
    for (const runId of runIdsNaming(db, id)) eraseFromRun(db, tx, runId, id);
    for (const { id: sessionId, plan } of plannedWith(db, id))
      tx.update(sessions)
        .set({ plan: withoutAthlete(plan, id) })
        .where(eq(sessions.id, sessionId))
        .run();
    tx.delete(athletes).where(eq(athletes.id, id)).run();
    tx.insert(erasedAthletes).values({ id, erasedAtMs: nowMs }).onConflictDoNothing().run();
  });
  // The write-ahead log still has the old pages: with secure_delete on, writing it back leaves nothing of them.
  truncateSoon(db);
  return true;
}

const RETRY_MS = 1000;

/** Tried again while somebody else reads, for example to make a copy. */
function truncateSoon(db: Db): void {
  if (db.$client.open && !truncateWal(db)) setTimeout(() => truncateSoon(db), RETRY_MS).unref();
}

/** Those who were erased for good, read from an open connection; none if the file is from before there was erasing. */
export function erasedAthleteIds(client: Database.Database): string[] {
  const isKept = client.prepare("SELECT 1 FROM sqlite_master WHERE name = 'erased_athletes'").get();
  return isKept ? (client.prepare('SELECT id FROM erased_athletes').pluck().all() as string[]) : [];
}
