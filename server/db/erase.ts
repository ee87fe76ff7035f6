import { eq, inArray, like, or } from 'drizzle-orm';
import type { AthleteFile } from '@core/formats/athleteFile';
import { aboutAthlete, withoutAthlete } from '@core/planning/dayPlan';
import { isAnyoneInRun, isInRun, runOf } from '@core/trackside/runOf';
import { readAthlete } from './athletes';
import type { Db } from './open';
import { readRun } from './runs';
import { athletes, erasedAthletes, runEvents, runs, sessions } from './schema';
import { readSquad } from './squad';

/** The sessions at the track that have the athlete in their plan, or that they joined. */
function runsWith(db: Db, athleteId: string) {
  return db
    .select({ id: runs.id })
    .from(runs)
    .where(
      or(
        like(runs.planJson, `%${athleteId}%`),
        inArray(
          runs.id,
          db
            .select({ id: runEvents.runId })
            .from(runEvents)
            .where(like(runEvents.eventJson, `%${athleteId}%`)),
        ),
      ),
    )
    .all()
    .flatMap(({ id }) => {
      const run = readRun(db, id);
      return run && isInRun(run, athleteId) ? [run] : [];
    });
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
  const own = runsWith(db, id).map((run) => runOf(run, (athleteId) => athleteId === id));
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
    for (const run of runsWith(db, id)) {
      const { plan, events } = runOf(run, (athleteId) => athleteId !== id);
      tx.delete(runEvents).where(eq(runEvents.runId, plan.id)).run();
      if (!isAnyoneInRun({ plan, events })) {
        tx.delete(runs).where(eq(runs.id, plan.id)).run();
        continue;
      }
      tx.update(runs)
        .set({ planJson: JSON.stringify(plan), summaryJson: null })
        .where(eq(runs.id, plan.id))
        .run();
      for (const event of events)
        tx.insert(runEvents)
          .values({
            id: event.id,
            runId: plan.id,
            atMs: event.atMs,
            type: event.type,
            eventJson: JSON.stringify(event),
            receivedAtMs: nowMs,
          })
          .run();
    }
    for (const { id: sessionId, plan } of plannedWith(db, id))
      tx.update(sessions)
        .set({ plan: withoutAthlete(plan, id) })
        .where(eq(sessions.id, sessionId))
        .run();
    tx.delete(athletes).where(eq(athletes.id, id)).run();
    tx.insert(erasedAthletes).values({ id, erasedAtMs: nowMs }).onConflictDoNothing().run();
  });
  // The write-ahead log still has the old pages: with secure_delete on, writing it back leaves nothing of them.
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  return true;
}
