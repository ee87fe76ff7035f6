/** What was run, over many sessions: read from the projection alone, and only what is asked for. */
import { and, asc, desc, eq, gte, inArray, isNotNull, isNull, lte, or, sql } from 'drizzle-orm';
import type {
  History,
  LastPart,
  LastTime,
  PaceMetres,
  RanAthlete,
  RanRep,
  RunHead,
  SameRun,
  SameSessions,
  SquadHistory,
} from '@core/review/history';
import type { DateRange } from '@core/api/answers';
import type { ResultRow } from '@core/review/resultRow';
import { isAlike, kindsKey, kindsOfSession, type KindCount } from '@core/review/sameSession';
import { parseStored } from '@core/session/parseSession';
import type { Db } from './open';
import { athleteResults, athletes, progressions, repResults, runResults, runs, sessions } from './schema';
import { withoutNulls } from './withoutNulls';
import { grouped } from '@core/units/grouped';
import { meanOfKnown } from '@core/units/mean';

/** How many runs of a session are compared: a year of it once a month. */
const MOST_SAME = 12;

const wasRun = and(isNull(runs.setAsideAtMs), isNotNull(runResults.startedAtMs));

const HEAD = {
  runId: runs.id,
  title: runs.title,
  date: runs.date,
  kinds: runResults.kinds,
  conditions: runResults.conditions,
};

function headsIn(db: Db, { from, to }: DateRange): RunHead[] {
  return db
    .select(HEAD)
    .from(runs)
    .innerJoin(runResults, eq(runResults.runId, runs.id))
    .where(and(wasRun, gte(runs.date, from), lte(runs.date, to)))
    .orderBy(desc(runs.date), desc(runs.createdAtMs))
    .all();
}

/** Rows of a table of parts that are of these runs, and of one athlete where one is asked for. */
const ofRuns = (table: typeof athleteResults | typeof repResults, runIds: string[], athleteId: string | undefined) =>
  and(inArray(table.runId, runIds), athleteId === undefined ? undefined : eq(table.athleteId, athleteId));

function athletesOf(db: Db, runIds: string[], athleteId?: string): RanAthlete[] {
  if (runIds.length === 0) return [];
  return db
    .select()
    .from(athleteResults)
    .where(ofRuns(athleteResults, runIds, athleteId))
    .all()
    .map(({ early, on, late, isStopped, date: _date, groupId: _group, startedAtMs: _started, ...row }) => ({
      ...withoutNulls(row),
      verdicts: { early, on, late },
      ...(isStopped ? { isStopped: true as const } : {}),
    }));
}

const REP = {
  runId: repResults.runId,
  athleteId: repResults.athleteId,
  place: repResults.place,
  role: repResults.role,
  distanceM: repResults.distanceM,
  durationS: repResults.durationS,
  coveredM: repResults.coveredM,
  pace: repResults.pace,
  timeS: repResults.timeS,
  percent: sql<number | null>`100.0 * ${repResults.deltaS} / coalesce(${repResults.targetS}, ${repResults.timeS})`,
  verdict: repResults.verdict,
  effort: repResults.effort,
  restS: repResults.restS,
  plannedRestS: repResults.plannedRestS,
};

/** Reps that were run to their end and count. */
const COUNTS = and(eq(repResults.state, 'run'), eq(repResults.isExcluded, false), isNotNull(repResults.timeS));

function repsOf(db: Db, runIds: string[], athleteId?: string): RanRep[] {
  if (runIds.length === 0) return [];
  return db
    .select(REP)
    .from(repResults)
    .where(and(ofRuns(repResults, runIds, athleteId), COUNTS))
    .orderBy(asc(repResults.athleteId), asc(repResults.place))
    .all()
    .map(({ timeS, ...row }) => ({ ...withoutNulls(row), timeS: timeS ?? 0 }));
}

/** The progression that a session in the library is a step of, if it is of one. */
function progressionWith(db: Db, libraryId: string | null) {
  if (libraryId === null) return undefined;
  const all = db.select().from(progressions).where(isNull(progressions.removedAtMs)).all();
  return all.find(({ stepIds }) => stepIds.includes(libraryId));
}

/** Two runs side by side, whatever they were; undefined if there is no such pair. */
function besideEachOther(db: Db, runIds: readonly [string, string], athleteId?: string): SameSessions | undefined {
  const list = db
    .select(HEAD)
    .from(runs)
    .innerJoin(runResults, eq(runResults.runId, runs.id))
    .where(and(wasRun, inArray(runs.id, [...runIds])))
    .orderBy(desc(runs.date), desc(runs.createdAtMs))
    .all()
    .map((head): SameRun => ({ ...head, relation: 'chosen' }));
  const ids = list.map((head) => head.runId);
  if (ids.length < 2) return undefined;
  return { runs: list, reps: repsOf(db, ids, athleteId), athletes: athletesOf(db, ids, athleteId) };
}

/**
 * Runs of the same session as another, the latest first; undefined if there is no such run. @param athleteId only their part, if given.
 * @param beside another run to lay beside it, in place of those that are the same.
 */
export function sameSessions(db: Db, runId: string, athleteId?: string, beside?: string): SameSessions | undefined {
  if (beside !== undefined) return besideEachOther(db, [runId, beside], athleteId);
  const result = db
    .select({ kinds: runResults.kinds, key: runResults.kindsKey, libraryId: sessions.libraryId })
    .from(runs)
    .innerJoin(runResults, eq(runResults.runId, runs.id))
    .leftJoin(sessions, eq(sessions.id, runs.sessionId))
    .where(eq(runs.id, runId))
    .get();
  if (!result) return undefined;
  const progression = progressionWith(db, result.libraryId);
  const libraryIds = progression?.stepIds ?? (result.libraryId === null ? [] : [result.libraryId]);
  const found = db
    .select({ ...HEAD, libraryId: sessions.libraryId })
    .from(runs)
    .innerJoin(runResults, eq(runResults.runId, runs.id))
    .leftJoin(sessions, eq(sessions.id, runs.sessionId))
    .where(and(wasRun, or(eq(runResults.kindsKey, result.key), inArray(sessions.libraryId, libraryIds))))
    .orderBy(desc(runs.date), desc(runs.createdAtMs))
    .all()
    .flatMap(({ libraryId, ...head }): SameRun[] => {
      const step = libraryId === null ? -1 : (progression?.stepIds.indexOf(libraryId) ?? -1);
      if (step >= 0) return [{ ...head, relation: 'step', step: step + 1 }];
      if (libraryId !== null && libraryId === result.libraryId) return [{ ...head, relation: 'same' }];
      return isAlike(head.kinds, result.kinds) ? [{ ...head, relation: 'alike' }] : [];
    });
  const here = found.findIndex((head) => head.runId === runId);
  // The run itself is always among them, however long ago it was.
  const start = Math.max(0, Math.min(here, found.length - MOST_SAME));
  const list = found.slice(start, start + MOST_SAME);
  const ids = list.map((head) => head.runId);
  return {
    ...(progression ? { progression: progression.name } : {}),
    runs: list,
    reps: repsOf(db, ids, athleteId),
    athletes: athletesOf(db, ids, athleteId),
  };
}

/** One athlete's sessions of some weeks, also those of the squad that they were not in. */
export function athleteHistory(db: Db, athleteId: string, window: DateRange): History {
  const heads = headsIn(db, window);
  const ids = heads.map(({ runId }) => runId);
  return { runs: heads, athletes: athletesOf(db, ids, athleteId), reps: repsOf(db, ids, athleteId) };
}

/** What was said about an athlete in those weeks, the latest first: for the coach's eyes, and for nobody's list. */
export function notesOn(
  db: Db,
  athleteId: string,
  { from, to }: DateRange,
): { runId: string; date: string; text: string }[] {
  return db
    .select({ runId: repResults.runId, date: repResults.date, notes: repResults.notes, flags: repResults.flags })
    .from(repResults)
    .innerJoin(runs, eq(runs.id, repResults.runId))
    .where(
      and(
        eq(repResults.athleteId, athleteId),
        isNull(runs.setAsideAtMs),
        gte(repResults.date, from),
        lte(repResults.date, to),
        or(sql`${repResults.notes} <> '[]'`, sql`${repResults.flags} <> '[]'`),
      ),
    )
    .orderBy(desc(repResults.date), asc(repResults.place))
    .all()
    .flatMap(({ runId, date, notes, flags }) => [...flags, ...notes].map((text) => ({ runId, date, text })));
}

/** The squad's sessions of some weeks: everyone's part of each, and metres by pace. */
export function squadHistory(db: Db, window: DateRange): SquadHistory {
  const heads = headsIn(db, window);
  const ids = heads.map(({ runId }) => runId);
  if (ids.length === 0) return { runs: [], athletes: [], metres: [] };
  const metres: PaceMetres[] = db
    .select({
      athleteId: repResults.athleteId,
      date: repResults.date,
      pace: sql<string>`coalesce(${repResults.pace}, '')`,
      distanceM: sql<number>`sum(coalesce(${repResults.distanceM}, ${repResults.coveredM}, 0))`,
    })
    .from(repResults)
    .where(and(inArray(repResults.runId, ids), COUNTS))
    .groupBy(repResults.athleteId, repResults.date, repResults.pace)
    .all();
  return { runs: heads, athletes: athletesOf(db, ids), metres };
}

/** How a session that is written went the last time it was run; undefined if it was not, or there is no such session. */
export function lastTime(db: Db, sessionId: string): LastTime | undefined {
  const { id, libraryId, shorthand, date } = sessions;
  const session = db.select({ libraryId, shorthand, date }).from(sessions).where(eq(id, sessionId)).get();
  if (!session) return undefined;
  const parsed = parseStored(session.shorthand);
  const kinds = parsed.ok ? kindsOfSession(parsed.session) : [];
  const found = db
    .select({ ...HEAD, libraryId: sessions.libraryId, sessionId: runs.sessionId })
    .from(runs)
    .innerJoin(runResults, eq(runResults.runId, runs.id))
    .leftJoin(sessions, eq(sessions.id, runs.sessionId))
    .where(
      and(
        wasRun,
        lte(runs.date, session.date),
        or(
          eq(runResults.kindsKey, kindsKey(kinds)),
          session.libraryId === null ? sql`0` : eq(sessions.libraryId, session.libraryId),
        ),
      ),
    )
    .orderBy(desc(runs.date), desc(runs.createdAtMs))
    .all()
    .find((run) => run.sessionId !== sessionId && isAlike(run.kinds, kinds));
  const kind = found?.kinds.reduce<KindCount | undefined>(
    (most, kind) => (most && most.count >= kind.count ? most : kind),
    undefined,
  );
  if (!found || !kind) return undefined;
  const reps = repsOf(db, [found.runId]);
  const isOfKind = (rep: RanRep) =>
    rep.role === kind.role &&
    rep.distanceM === kind.distanceM &&
    rep.durationS === kind.durationS &&
    rep.pace === kind.pace;
  const parts = new Map(athletesOf(db, [found.runId]).map((part) => [part.athleteId, part]));
  const athletes = [...grouped(reps, ({ athleteId }) => athleteId)].flatMap(([athleteId, own]): LastPart[] => {
    const ofKind = own.filter(isOfKind);
    const meanS = meanOfKnown(ofKind.map(({ timeS }) => timeS));
    if (meanS === undefined) return [];
    const { evennessPercent, sessionEffort, lastEffort } = parts.get(athleteId) ?? {};
    const effort = sessionEffort ?? lastEffort;
    const restS = meanOfKnown(ofKind.map((rep) => rep.restS));
    return [
      {
        athleteId,
        meanS,
        distanceM: own.reduce((sum, { distanceM, coveredM }) => sum + (distanceM ?? coveredM ?? 0), 0),
        ...(evennessPercent === undefined ? {} : { evennessPercent }),
        ...(effort === undefined ? {} : { effort }),
        ...(restS === undefined ? {} : { restS }),
      },
    ];
  });
  return athletes.length === 0 ? undefined : { runId: found.runId, date: found.date, kind, athletes };
}

/** Every rep of some weeks as it stands in a file, of one athlete or of all who are in the squad; the earliest first. */
export function resultRowsIn(db: Db, { from, to }: DateRange, athleteId?: string): ResultRow[] {
  const rows = db
    .select({
      rep: repResults,
      session: runs.title,
      athlete: athletes.name,
      sessionEffort: athleteResults.sessionEffort,
    })
    .from(repResults)
    .innerJoin(runs, eq(runs.id, repResults.runId))
    .innerJoin(athletes, eq(athletes.id, repResults.athleteId))
    .leftJoin(
      athleteResults,
      and(eq(athleteResults.runId, repResults.runId), eq(athleteResults.athleteId, repResults.athleteId)),
    )
    .where(
      and(
        isNull(runs.setAsideAtMs),
        isNull(athletes.removedAtMs),
        gte(repResults.date, from),
        lte(repResults.date, to),
        athleteId === undefined ? undefined : eq(repResults.athleteId, athleteId),
      ),
    )
    .orderBy(asc(repResults.date), asc(repResults.runId), asc(athletes.name), asc(repResults.place))
    .all();
  return rows.map(({ rep, session, athlete, sessionEffort }): ResultRow => {
    const { date, place, role, distanceM, durationS, pace, targetS, timeS, coveredM, effort } = rep;
    const { beatsPerMin, restS, plannedRestS, flags, notes, isExcluded } = rep;
    const run = { distanceM, durationS, pace, targetS, timeS, coveredM, effort, beatsPerMin, restS, plannedRestS };
    const noted = [...flags, ...notes].join('; ');
    return {
      date,
      session,
      group: '',
      athlete,
      rep: place + 1,
      part: role,
      ...withoutNulls(run),
      ...(place === 0 && sessionEffort !== null ? { sessionEffort } : {}),
      ...(noted === '' ? {} : { notes: noted }),
      ...(isExcluded ? { leftOut: 'yes' } : {}),
    };
  });
}
