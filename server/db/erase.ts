import type Database from 'better-sqlite3';
import { and, eq, exists, inArray, isNull, like, ne, or } from 'drizzle-orm';
import type { AthleteFile } from '@core/api/athleteFile';
import { aboutAthlete, withoutAthlete } from '@core/planning/dayPlan';
import { aboutAthleteInSeason, seasonWithoutAthlete } from '@core/season/ownSeason';
import { RESULTS_VERSION } from '@core/review/results';
import { isAnyoneInRun, isInRun, runOf } from '@core/run/runOf';
import type { Jobs } from '../jobs';
import { readAthlete } from './athletes';
import { anyRow } from './insertRows';
import { truncateWal, type Db, type Tx } from './open';
import { breathe, eraseFromProjection, forgetGrowing, SLICE_MS } from './results';
import { athleteResults, athletes, erasedAthletes, runEvents, runResults, runs, seasons, sessions } from './schema';
import { seasonsNaming } from './seasons';
import { readSquad } from './squad';
import { readSoundPart } from './storedRun';

/** The ids of the runs that name the athlete anywhere: by the projection, or by their text where that is missing or not of today. */
function runIdsNaming(db: Db, athleteId: string): string[] {
  const projected = db
    .select({ id: athleteResults.runId })
    .from(athleteResults)
    .where(eq(athleteResults.athleteId, athleteId));
  const name = `%${athleteId}%`;
  const inEvents = db
    .select({ id: runEvents.runId })
    .from(runEvents)
    .where(and(eq(runEvents.runId, runs.id), like(runEvents.eventJson, name)));
  const isUnknown = or(
    isNull(runResults.runId),
    eq(runResults.isUnreadable, true),
    ne(runResults.version, RESULTS_VERSION),
  );
  return db
    .select({ id: runs.id })
    .from(runs)
    .leftJoin(runResults, eq(runResults.runId, runs.id))
    .where(or(inArray(runs.id, projected), and(isUnknown, or(like(runs.planJson, name), exists(inEvents)))))
    .all()
    .map(({ id }) => id);
}

/** What is written for each session at the track: put together once, as that takes longer than the writing. */
function runStatements(db: Db) {
  const [run, event] = [anyRow(runs), anyRow(runEvents)];
  return {
    putPlan: db
      .update(runs)
      .set({ planJson: run.planJson, eventCount: run.eventCount })
      .where(eq(runs.id, run.id))
      .prepare(),
    putEvent: db.update(runEvents).set({ eventJson: event.eventJson }).where(eq(runEvents.id, event.id)).prepare(),
    dropEvent: db.delete(runEvents).where(eq(runEvents.id, event.id)).prepare(),
  };
}

/** Takes the athlete out of a session at the track. Damaged text that names them is removed whole, since nobody can be taken out of it. */
function eraseFromRun(db: Db, tx: Tx, id: string, athleteId: string, write: ReturnType<typeof runStatements>): void {
  const run = readSoundPart(db, id);
  const kept = run && runOf(run, (other) => other !== athleteId);
  if (!kept || !isAnyoneInRun(kept)) {
    tx.delete(runs).where(eq(runs.id, id)).run();
    return;
  }
  const left = new Map(kept.events.map((event) => [event.id, event]));
  const damaged = run.damaged.filter(({ eventJson }) => eventJson.includes(athleteId));
  for (const gone of [...run.events.filter((event) => !left.has(event.id)), ...damaged])
    write.dropEvent.run({ id: gone.id });
  for (const event of run.events) {
    const now = left.get(event.id);
    if (now && now !== event) write.putEvent.run({ id: event.id, eventJson: JSON.stringify(now) });
  }
  const eventCount = left.size + run.damaged.length - damaged.length;
  write.putPlan.run({ id, planJson: JSON.stringify(kept.plan), eventCount });
  forgetGrowing(db, id);
  eraseFromProjection(tx, id, athleteId);
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
export async function athleteFile(db: Db, id: string, savedOn: string): Promise<AthleteFile | undefined> {
  const athlete = readAthlete(db, id);
  if (!athlete) return undefined;
  const group = readSquad(db).groups.find((candidate) => candidate.id === athlete.groupId);
  const ownRuns: AthleteFile['runs'] = [];
  for (const runId of runIdsNaming(db, id)) {
    await breathe();
    const run = readSoundPart(db, runId);
    if (run && isInRun(run, id)) ownRuns.push(runOf(run, (athleteId) => athleteId === id));
  }
  const plans = plannedWith(db, id).flatMap(({ title, date, plan }) => {
    const part = aboutAthlete(plan, id);
    return part ? [{ title, date, plan: part }] : [];
  });
  const inSeasons = seasonsNaming(db, id).flatMap(({ season }) => {
    const part = aboutAthleteInSeason(season, id);
    return part ? [{ name: season.name, ...part }] : [];
  });
  return {
    format: 'zest-lap/athlete',
    version: 1,
    savedOn,
    athlete,
    ...(group ? { group } : {}),
    runs: ownRuns,
    ...(plans.length > 0 ? { plans } : {}),
    ...(inSeasons.length > 0 ? { seasons: inSeasons } : {}),
  };
}

/** It may be closed while a slice waits for its turn. */
const isOpen = ({ $client }: Db): boolean => $client.open;

/** Takes an athlete who is erased out of every session at the track, some sessions at a time with room for requests between. */
async function eraseFromRuns(db: Db, athleteId: string, nowMs: number): Promise<void> {
  const ids = runIdsNaming(db, athleteId);
  const write = runStatements(db);
  while (ids.length > 0) {
    await breathe();
    // Closed in the middle: the rest is taken up when it is opened again.
    if (!isOpen(db)) return;
    db.transaction((tx) => {
      const endMs = performance.now() + SLICE_MS;
      do {
        const id = ids.pop();
        if (id !== undefined) eraseFromRun(db, tx, id, athleteId, write);
      } while (ids.length > 0 && performance.now() < endMs);
    });
    // Written back a slice at a time: all at the end would hold requests up.
    await breathe();
    if (isOpen(db)) db.$client.pragma('wal_checkpoint(PASSIVE)');
  }
  if (isOpen(db)) db.update(erasedAthletes).set({ finishedAtMs: nowMs }).where(eq(erasedAthletes.id, athleteId)).run();
}

/**
 * Takes an athlete away for good: profile, marks, their part of every plan and of every session at the track; a session that had nobody else
 * goes with them. It cannot be taken back, and what they leave on the disk is overwritten. They are gone from the squad at once; the
 * sessions follow in slices, and a server that ends in the middle goes on with it when it starts again (see finishErasures()). The write-ahead
 * log still has the old pages: with secure_delete on, emptying it (emptyWalSoon()) leaves nothing of them.
 * @returns false if there is none with this id.
 */
export async function eraseAthlete(db: Db, id: string, nowMs: number): Promise<boolean> {
  if (readAthlete(db, id) === undefined) {
    if (!unfinishedErasures(db).includes(id)) return false;
    // Asked again while it is under way, or after it was interrupted.
    await eraseFromRuns(db, id, nowMs);
    return true;
  }
  const session = anyRow(sessions);
  const putDayPlan = db.update(sessions).set({ plan: session.plan }).where(eq(sessions.id, session.id)).prepare();
  db.transaction((tx) => {
    for (const { id: sessionId, plan } of plannedWith(db, id))
      putDayPlan.run({ id: sessionId, plan: withoutAthlete(plan, id) });
    for (const { id: seasonId, season } of seasonsNaming(tx, id))
      tx.update(seasons)
        .set({ plan: seasonWithoutAthlete(season, id) })
        .where(eq(seasons.id, seasonId))
        .run();
    tx.delete(athletes).where(eq(athletes.id, id)).run();
    tx.insert(erasedAthletes).values({ id, erasedAtMs: nowMs }).onConflictDoNothing().run();
  });
  await eraseFromRuns(db, id, nowMs);
  return true;
}

const unfinishedErasures = (db: Db): string[] =>
  db
    .select({ id: erasedAthletes.id })
    .from(erasedAthletes)
    .where(isNull(erasedAthletes.finishedAtMs))
    .all()
    .map(({ id }) => id);

/** Finishes erasures that were interrupted. @returns whose. */
export async function finishErasures(db: Db, nowMs: number): Promise<string[]> {
  const left = unfinishedErasures(db);
  for (const id of left) await eraseFromRuns(db, id, nowMs);
  return left;
}

const RETRY_MS = 1000;

/** Empties the write-ahead log, with what was erased; tried again while somebody else reads it, for example to make a copy. */
export const emptyWalSoon = (db: Db, jobs: Jobs): Promise<void> =>
  jobs.untilDone('empty the write-ahead log', RETRY_MS, () => {
    if (db.$client.open && !truncateWal(db)) throw new Error('Somebody is reading the database just now.');
  });

/** Those who were erased for good, read from an open connection; none if the file is from before there was erasing. */
export function erasedAthleteIds(client: Database.Database): string[] {
  const isKept = client.prepare("SELECT 1 FROM sqlite_master WHERE name = 'erased_athletes'").get();
  return isKept ? (client.prepare('SELECT id FROM erased_athletes').pluck().all() as string[]) : [];
}
