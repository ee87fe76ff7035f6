/** Everyone's care on a day: records of their sessions, whether effort has crept up, how evenly they usually run. */
import { and, asc, eq, gte, inArray, isNotNull, isNull, lte, or, sql } from 'drizzle-orm';
import { CARE_DAYS, type CareKnown, type CareRecord } from '@core/judgement/care';
import { creepingEffort } from '@core/judgement/creeping';
import type { UsualSpread } from '@core/judgement/oddRep';
import { daysAfter } from '@core/units/dayNumber';
import { grouped } from '@core/units/grouped';
import { variance } from '@core/units/mean';
import { aboveExpectedUpTo } from './calibrations';
import type { Db } from './open';
import { athleteResults, repResults, runs } from './schema';
import { withoutNulls } from './withoutNulls';

type Range = { from: string; to: string };

const partsIn = (table: typeof athleteResults | typeof repResults, { from, to }: Range) =>
  and(isNull(runs.setAsideAtMs), gte(table.date, from), lte(table.date, to));

/** Flags of reps, and how many reps were begun by those who stopped, by run and athlete. */
function repsOf(db: Db, range: Range) {
  const rows = db
    .select({
      runId: repResults.runId,
      athleteId: repResults.athleteId,
      begun: sql<number>`sum(${repResults.state} <> 'not-run')`,
      // One list of [rep, flags] for those reps that have any.
      flags: sql<string>`json_group_array(json_array(${repResults.place} + 1, json(${repResults.flags}))) filter (where ${repResults.flags} <> '[]')`,
    })
    .from(repResults)
    .innerJoin(runs, eq(runs.id, repResults.runId))
    .where(partsIn(repResults, range))
    .groupBy(repResults.runId, repResults.athleteId)
    .having(or(sql`sum(${repResults.flags} <> '[]') > 0`, sql`sum(${repResults.state} <> 'run') > 0`))
    .all();
  return new Map(
    rows.map(({ runId, athleteId, begun, flags }) => [
      `${runId} ${athleteId}`,
      { begun, flags: JSON.parse(flags) as [number, CareRecord['flags'][number]['flag'][]][] },
    ]),
  );
}

function recordsIn(db: Db, range: Range): CareRecord[] {
  const reps = repsOf(db, range);
  return db
    .select({
      athleteId: athleteResults.athleteId,
      runId: athleteResults.runId,
      date: athleteResults.date,
      isStopped: athleteResults.isStopped,
      stopReason: athleteResults.stopReason,
      legs: athleteResults.nextDay,
      lastEffort: athleteResults.lastEffort,
      meantLast: athleteResults.meantLast,
    })
    .from(athleteResults)
    .innerJoin(runs, eq(runs.id, athleteResults.runId))
    .where(and(partsIn(athleteResults, range), eq(athleteResults.isThere, true)))
    .orderBy(asc(athleteResults.date), asc(runs.createdAtMs))
    .all()
    .map(({ isStopped, ...row }): CareRecord => {
      const { begun, flags = [] } = reps.get(`${row.runId} ${row.athleteId}`) ?? {};
      return {
        ...withoutNulls(row),
        flags: flags.flatMap(([rep, list]) => list.map((flag) => ({ flag, rep }))),
        ...(isStopped ? { isStopped: true as const, ...(begun === undefined ? {} : { stopRep: begun }) } : {}),
      };
    });
}

/** Reps of one kind on one day: from this many on, those between the first and the last show how even somebody is. */
const LEAST_REPS = 4;

/** Each athlete's usual spread over reps of one kind against their targets, in percent. */
function spreadsIn(db: Db, range: Range): Map<string, UsualSpread> {
  const rows = db
    .select({
      athleteId: repResults.athleteId,
      kind: sql<string>`${repResults.runId} || ' ' || coalesce(${repResults.distanceM}, '') || ' ' || coalesce(${repResults.pace}, '')`,
      percent: sql<number>`100.0 * ${repResults.deltaS} / ${repResults.targetS}`,
    })
    .from(repResults)
    .innerJoin(runs, eq(runs.id, repResults.runId))
    .where(
      and(
        partsIn(repResults, range),
        eq(repResults.state, 'run'),
        eq(repResults.isExcluded, false),
        isNotNull(repResults.deltaS),
        isNotNull(repResults.targetS),
        inArray(repResults.role, ['main']),
      ),
    )
    .orderBy(asc(repResults.date), asc(repResults.place))
    .all();
  const spreads = new Map<string, UsualSpread>();
  for (const [athleteId, own] of grouped(rows, (row) => row.athleteId)) {
    let [squares, freedoms, reps] = [0, 0, 0];
    for (const alike of grouped(own, ({ kind }) => kind).values()) {
      const between = alike.slice(1, -1).map(({ percent }) => percent);
      if (alike.length < LEAST_REPS) continue;
      squares += variance(between) * (between.length - 1);
      freedoms += between.length - 1;
      reps += alike.length;
    }
    if (freedoms > 0) spreads.set(athleteId, { percent: Math.sqrt(squares / freedoms), reps });
  }
  return spreads;
}

/** Everyone with a record up to a day (YYYY-MM-DD), that day included, by athlete. It yields to other requests. */
export async function careOn(db: Db, day: string): Promise<Record<string, CareKnown>> {
  const range = { from: daysAfter(day, -CARE_DAYS), to: day };
  const above = await aboveExpectedUpTo(db, day);
  if (!db.$client.open) return {};
  // Usual spread comes from earlier sessions: the day's own is judged by it.
  const spreads = spreadsIn(db, { ...range, to: daysAfter(day, -1) });
  const found: Record<string, CareKnown> = {};
  for (const [athleteId, records] of grouped(recordsIn(db, range), (record) => record.athleteId)) {
    const creep = creepingEffort(above.get(athleteId) ?? [], day);
    const usual = spreads.get(athleteId);
    found[athleteId] = { records, ...(creep ? { creep } : {}), ...(usual ? { usual } : {}) };
  }
  return found;
}
