/** Where everyone stands on a progression, from what they ran of it. */
import { and, asc, eq, gt, inArray, isNull, sql } from 'drizzle-orm';
import type { Standing } from '@core/review/history';
import type { Db } from './open';
import { athleteResults, athletes, progressions, runs, sessions } from './schema';
import { withoutNulls } from './withoutNulls';

/** The latest step that each athlete of the squad ran; nobody where there is no such progression. */
export function standingsOf(db: Db, progressionId: string): Standing[] {
  const progression = db
    .select({ stepIds: progressions.stepIds })
    .from(progressions)
    .where(and(eq(progressions.id, progressionId), isNull(progressions.removedAtMs)))
    .get();
  if (!progression) return [];
  // Who ran a version of the session ran that step of it.
  const stepId = sql<string>`coalesce(${athleteResults.libraryId}, ${sessions.libraryId})`;
  const rows = db
    .select({
      athleteId: athleteResults.athleteId,
      runId: runs.id,
      date: runs.date,
      stepId,
      nextStep: athleteResults.nextStep,
    })
    .from(athleteResults)
    .innerJoin(runs, eq(runs.id, athleteResults.runId))
    .innerJoin(athletes, eq(athletes.id, athleteResults.athleteId))
    .leftJoin(sessions, eq(sessions.id, runs.sessionId))
    .where(
      and(
        inArray(stepId, progression.stepIds),
        gt(athleteResults.finished, 0),
        isNull(runs.setAsideAtMs),
        isNull(athletes.removedAtMs),
        eq(athletes.archived, false),
      ),
    )
    .orderBy(asc(runs.date), asc(runs.createdAtMs))
    .all();
  return [...new Map(rows.map((row) => [row.athleteId, withoutNulls(row)])).values()];
}
