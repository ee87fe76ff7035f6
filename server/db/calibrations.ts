/** Each athlete's way of reporting effort, from the sessions of some months before a day; and whether theirs has crept up. */
import { and, asc, eq, exists, gte, isNull, lt, sql } from 'drizzle-orm';
import { courseOffsets } from '@core/fitness/courseOffsets';
import { ageDaysOn, type CourseOffsets } from '@core/fitness/weighing';
import { isOnTrack } from '@core/fitness/mark';
import {
  calibrate,
  calibrated,
  LEARNED_AFTER_DAYS,
  UNCALIBRATED,
  type Calibration,
  type EffortPair,
} from '@core/outlook/calibration';
import type { AboveExpected } from '@core/judgement/creeping';
import type { PaceBook } from '@core/paces/paceBook';
import { SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { toldIn, type RanRow } from '@core/review/toldBefore';
import { athletePaces, paceBookById } from '@core/squad/athletePaces';
import type { SquadMember } from '@core/squad/athlete';
import { daysAfter } from '@core/units/dayNumber';
import { meanOfKnown } from '@core/units/mean';
import { listAthletes } from './athletes';
import type { Db } from './open';
import { listPaceBooks } from './paceBooks';
import { breathe } from './results';
import { repResults, runs } from './schema';
import { readSquad } from './squad';
import { withoutNulls } from './withoutNulls';

/** How many days back efforts are read: older ones would count a quarter or less. */
const DAYS = 120 + LEARNED_AFTER_DAYS;

/** Cache size in athletes' sessions: some months of a squad. */
const MOST_KEPT = 6000;

type Told = Pick<EffortPair, 'predicted' | 'reported'>[];
/** What was told in a session, by athlete and session, and all that it was worked out from: that alone, whatever database it is in. */
const kept = new Map<string, { readFrom: string; told: Told }>();

/** Sessions in which they told an effort, each with its rows in the order they were run. */
function sessionsTold(db: Db, athleteId: string, before: string): Map<string, { date: string; rows: RanRow[] }> {
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
  const sessions = new Map<string, { date: string; rows: RanRow[] }>();
  for (const { runId, date, isHill, isExcluded, ...row } of rows) {
    const session = sessions.get(runId) ?? { date, rows: [] };
    sessions.set(runId, session);
    session.rows.push({
      ...withoutNulls(row),
      ...(isHill ? { isHill: true as const } : {}),
      ...(isExcluded ? { isExcluded: true as const } : {}),
    });
  }
  return sessions;
}

/** Pairs of one session by the curve of that day; marks kept from the session itself do not count as evidence about it. */
function toldOf(
  athlete: SquadMember,
  runId: string,
  { date, rows }: { date: string; rows: RanRow[] },
  book: PaceBook,
  courses: CourseOffsets,
): Told {
  const marks = athlete.marks.filter((mark) => mark.runId !== runId);
  const { curve } = athletePaces({ ...athlete, marks }, book, date, { courses });
  return curve ? toldIn(rows, curve) : [];
}

/** Drops erased athletes and the oldest entries from the cache. */
function tidy(athletes: readonly SquadMember[]): void {
  const ids = new Set(athletes.map(({ id }) => id));
  for (const key of kept.keys())
    if (kept.size > MOST_KEPT || !ids.has(key.slice(0, key.indexOf(' ')))) kept.delete(key);
}

/** One session with reported efforts. */
type ToldSession = { sessionId: string; date: string; told: Told };

/** Reported efforts in the sessions before a day, by athlete; those without any are left out. It yields to other requests. */
async function toldBefore(db: Db, before: string): Promise<Map<string, ToldSession[]>> {
  const athletes = listAthletes(db);
  const books = [...SHIPPED_PACE_BOOKS, ...listPaceBooks(db)];
  const { paceBookId } = readSquad(db);
  const isOffTrack = athletes.some(({ marks }) => !marks.every(isOnTrack));
  const courses: CourseOffsets = isOffTrack ? courseOffsets(athletes, before) : new Map();
  const found = new Map<string, ToldSession[]>();
  for (const athlete of athletes) {
    await breathe();
    if (!db.$client.open) break;
    const book = paceBookById(books, athlete.paceBookId ?? paceBookId);
    const ofThem = JSON.stringify([athlete.marks, athlete.nudge, book.model, [...courses]]);
    const sessions: ToldSession[] = [];
    for (const [sessionId, session] of sessionsTold(db, athlete.id, before)) {
      const key = `${athlete.id} ${sessionId}`;
      // The cache holds for as long as everything it was computed from is the same.
      const readFrom = `${ofThem} ${JSON.stringify(session)}`;
      const cached = kept.get(key);
      const isKnown = cached?.readFrom === readFrom;
      // A curve for each day takes a while: let other requests in.
      if (!isKnown) await breathe();
      const told = isKnown ? cached.told : toldOf(athlete, sessionId, session, book, courses);
      kept.delete(key);
      kept.set(key, { readFrom, told });
      sessions.push({ sessionId, date: session.date, told });
    }
    if (sessions.length > 0) found.set(athlete.id, sessions);
  }
  tidy(athletes);
  return found;
}

/** An athlete's way of reporting effort on a day, from sessions old enough to learn it from. */
function calibrationOf(sessions: readonly ToldSession[], day: string): Calibration | undefined {
  const pairs = sessions.flatMap(({ sessionId, date, told }): EffortPair[] => {
    const ageDays = ageDaysOn(date, day);
    return ageDays > LEARNED_AFTER_DAYS ? told.map((pair) => ({ ...pair, ageDays, sessionId })) : [];
  });
  return pairs.length > 0 ? calibrate(pairs) : undefined;
}

/** Everyone's calibration from sessions some weeks before a day (YYYY-MM-DD), by athlete; those without reports are left out. */
export async function calibrationsBefore(db: Db, before: string): Promise<Record<string, Calibration>> {
  const found: Record<string, Calibration> = {};
  for (const [athleteId, sessions] of await toldBefore(db, before)) {
    const calibration = calibrationOf(sessions, before);
    if (calibration) found[athleteId] = calibration;
  }
  return found;
}

/** Reported less expected effort of each athlete in each session up to a day, that day included. */
export async function aboveExpectedUpTo(db: Db, day: string): Promise<Map<string, AboveExpected[]>> {
  const found = new Map<string, AboveExpected[]>();
  for (const [athleteId, sessions] of await toldBefore(db, daysAfter(day, 1))) {
    const telling = calibrationOf(sessions, day) ?? UNCALIBRATED;
    found.set(
      athleteId,
      sessions.flatMap(({ date, told }) => {
        const above = meanOfKnown(told.map(({ predicted, reported }) => reported - calibrated(predicted, telling)));
        return above === undefined ? [] : [{ date, above }];
      }),
    );
  }
  return found;
}
