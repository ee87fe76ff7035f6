/** Sessions of some months before a day in which efforts were told, with what was predicted of them: read once, and cached. */
import { and, asc, eq, exists, gte, isNull, lt, sql } from 'drizzle-orm';
import type { Curve } from '@core/fitness/curve';
import { courseOffsets } from '@core/fitness/courseOffsets';
import type { CourseOffsets } from '@core/fitness/weighing';
import { isOnTrack } from '@core/fitness/mark';
import { LEARNED_AFTER_DAYS, type EffortPair } from '@core/outlook/calibration';
import type { PaceBook } from '@core/paces/paceBook';
import { SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { toldIn, type RanRow, type RanSession } from '@core/review/toldBefore';
import { athletePaces, paceBookById } from '@core/squad/athletePaces';
import type { SquadMember } from '@core/squad/athlete';
import { daysAfter } from '@core/units/dayNumber';
import { listAthletes } from './athletes';
import type { Db } from './open';
import { listPaceBooks } from './paceBooks';
import { ReadCache } from './readCache';
import { breathe } from './results';
import { athleteResults, repResults, runResults, runs } from './schema';
import { readSquad } from './squad';
import { withoutNulls } from './withoutNulls';

/** How many days back efforts are read: older ones would count a quarter or less. */
const DAYS = 120 + LEARNED_AFTER_DAYS;

/** Cache size in athletes' sessions: some months of a squad. */
const MOST_KEPT = 6000;

type Told = Pick<EffortPair, 'predicted' | 'reported'>[];
/** What was told in a session, whatever database it is in. */
const kept = new ReadCache<Told>(MOST_KEPT);

/** What is known of a session beside its reps. */
type About = (runId: string, athleteId: string) => Omit<RanSession, 'date' | 'rows'>;

function aboutSessions(db: Db, before: string): About {
  const from = daysAfter(before, -DAYS);
  const sessions = new Map(
    db
      .select({ runId: runResults.runId, intent: runResults.intent, conditions: runResults.conditions })
      .from(runResults)
      .innerJoin(runs, eq(runs.id, runResults.runId))
      .where(and(gte(runs.date, from), lt(runs.date, before)))
      .all()
      .map(({ runId, intent, conditions }) => [runId, { conditions, ...(intent ? { intent } : {}) }]),
  );
  const stops = new Map(
    db
      .select({ runId: athleteResults.runId, athleteId: athleteResults.athleteId, reason: athleteResults.stopReason })
      .from(athleteResults)
      .where(and(eq(athleteResults.isStopped, true), gte(athleteResults.date, from), lt(athleteResults.date, before)))
      .all()
      .map(({ runId, athleteId, reason }) => [
        `${runId} ${athleteId}`,
        { isStopped: true as const, ...(reason ? { stopReason: reason } : {}) },
      ]),
  );
  return (runId, athleteId) => ({ ...sessions.get(runId), ...stops.get(`${runId} ${athleteId}`) });
}

/** Sessions in which they told an effort, each with its rows in the order they were run. */
function sessionsTold(db: Db, athleteId: string, before: string, about: About): Map<string, RanSession> {
  const from = daysAfter(before, -DAYS);
  const told = sql`(select 1 from ${repResults} as told where told.run_id = ${repResults.runId} and told.athlete_id = ${athleteId} and told.effort is not null)`;
  const rows = db
    .select({
      runId: repResults.runId,
      date: repResults.date,
      repIndex: repResults.repIndex,
      place: repResults.place,
      role: repResults.role,
      state: repResults.state,
      distanceM: repResults.distanceM,
      durationS: repResults.durationS,
      coveredM: repResults.coveredM,
      pace: repResults.pace,
      targetS: repResults.targetS,
      expectedM: repResults.expectedM,
      timeS: repResults.timeS,
      effort: repResults.effort,
      restS: repResults.restS,
      plannedRestS: repResults.plannedRestS,
      recovery: repResults.recovery,
      isHill: repResults.isHill,
      isExcluded: repResults.isExcluded,
    })
    .from(repResults)
    .innerJoin(runs, eq(runs.id, repResults.runId))
    .where(
      and(
        isNull(runs.setAsideAtMs),
        eq(repResults.athleteId, athleteId),
        gte(repResults.date, from),
        lt(repResults.date, before),
        exists(told),
      ),
    )
    .orderBy(asc(repResults.date), asc(repResults.runId), asc(repResults.place))
    .all();
  const sessions = new Map<string, RanSession & { rows: RanRow[] }>();
  for (const { runId, date, isHill, isExcluded, ...row } of rows) {
    const session = sessions.get(runId) ?? { date, rows: [], ...about(runId, athleteId) };
    sessions.set(runId, session);
    session.rows.push({
      ...withoutNulls(row),
      ...(isHill ? { isHill: true as const } : {}),
      ...(isExcluded ? { isExcluded: true as const } : {}),
    });
  }
  return sessions;
}

/** The curve of a session's day; marks kept from the session itself do not count as evidence about it. */
function curveOn(athlete: SquadMember, runId: string, date: string, book: PaceBook, courses: CourseOffsets) {
  const marks = athlete.marks.filter((mark) => mark.runId !== runId);
  return athletePaces({ ...athlete, marks }, book, date, { courses }).curve;
}

const toldOf = (session: RanSession, curve: Curve | undefined): Told => (curve ? toldIn(session, curve) : []);

/** One session with reported efforts; `readFrom` is all that its figures were worked out from. */
export type ToldSession = {
  sessionId: string;
  session: RanSession;
  told: Told;
  curve: () => Curve | undefined;
  readFrom: string;
};
/** One athlete's, earliest first. */
export type ToldBy = { athlete: SquadMember; sessions: ToldSession[] };

/** Reported efforts in the sessions before a day, by athlete; those without any are left out. It yields to other requests. */
export async function toldBefore(db: Db, before: string): Promise<ToldBy[]> {
  const athletes = listAthletes(db);
  const books = [...SHIPPED_PACE_BOOKS, ...listPaceBooks(db)];
  const { paceBookId } = readSquad(db);
  const isOffTrack = athletes.some(({ marks }) => !marks.every(isOnTrack));
  const courses: CourseOffsets = isOffTrack ? courseOffsets(athletes, before) : new Map();
  const about = aboutSessions(db, before);
  const found: ToldBy[] = [];
  for (const athlete of athletes) {
    await breathe();
    if (!db.$client.open) break;
    const book = paceBookById(books, athlete.paceBookId ?? paceBookId);
    const ofThem = JSON.stringify([athlete.marks, athlete.nudge, book.model, [...courses]]);
    const sessions: ToldSession[] = [];
    for (const [sessionId, session] of sessionsTold(db, athlete.id, before, about)) {
      const readFrom = `${ofThem} ${JSON.stringify(session)}`;
      const known = kept.get(athlete.id, sessionId, readFrom);
      // A curve for each day takes a while: let other requests in.
      if (!known) await breathe();
      const curve = () => curveOn(athlete, sessionId, session.date, book, courses);
      const told = kept.put(athlete.id, sessionId, readFrom, known ? known.figure : toldOf(session, curve()));
      sessions.push({ sessionId, session, told, curve, readFrom });
    }
    if (sessions.length > 0) found.push({ athlete, sessions });
  }
  kept.keepOnly(athletes);
  return found;
}
