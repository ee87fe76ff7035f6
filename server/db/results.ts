/**
 * The projection of what was run: one row a session, an athlete's part of it, and a rep. It is written in the same transaction as the
 * events, and can be worked out from them anew.
 */
import { and, asc, eq, inArray, isNull, ne, or, sql } from 'drizzle-orm';
import { changedBy, idsNamed, partOf, RESULTS_VERSION, type AthleteResult } from '@core/review/results';
import { kindsKey, kindsOfPlan } from '@core/review/sameSession';
import { summaryOf } from '@core/review/summary';
import type { RunEvent } from '@core/run/events';
import { GrowingReplay } from '@core/run/growingReplay';
import type { Plan } from '@core/run/plan';
import type { RunState } from '@core/run/runState';
import { chunked } from './chunked';
import { insertRows } from './insertRows';
import type { Db, Tx } from './open';
import { athleteResults, repResults, runResults, runs } from './schema';
import { readRun, UnreadableRun } from './storedRun';

/** A session being run now: one more event costs the same however long its log is. */
type Growing = {
  plan: Plan;
  events: readonly RunEvent[];
  replay: GrowingReplay;
  athletes: Map<string, AthleteResult>;
};

/** As many as are run at once, with some to spare. */
const MOST_GROWING = 6;
const growingOf = new WeakMap<Db, Map<string, Growing>>();

function growingIn(db: Db): Map<string, Growing> {
  const all = growingOf.get(db) ?? new Map<string, Growing>();
  growingOf.set(db, all);
  return all;
}

/** Forgets a session held in memory: a write was rolled back, or something was erased from it. */
export const forgetGrowing = (db: Db, runId: string): void => void growingIn(db).delete(runId);

function keepGrowing(db: Db, runId: string, growing: Growing): void {
  const all = growingIn(db);
  all.delete(runId);
  all.set(runId, growing);
  const [oldest] = all.keys();
  if (all.size > MOST_GROWING && oldest !== undefined) all.delete(oldest);
}

/** Replays a log, which may be readable and still make no sense. @throws UnreadableRun */
function workedOut<T>(work: () => T): T {
  try {
    return work();
  } catch (cause) {
    throw new UnreadableRun('What is stored of this session cannot be replayed.', { cause });
  }
}

const ofRun = (runId: string, { date }: Pick<Plan, 'date'>) => ({ runId, date });

type Part = ReturnType<typeof partOf>;

/** Writes the parts of athletes who have no rows yet. */
function insertParts(tx: Tx, runId: string, plan: Plan, parts: readonly Part[]): void {
  const its = ofRun(runId, plan);
  insertRows(
    tx,
    athleteResults,
    parts.map(({ athlete }) => ({ ...its, ...athlete })),
  );
  insertRows(
    tx,
    repResults,
    parts.flatMap(({ reps }) => reps.map((rep) => ({ ...its, ...rep }))),
  );
}

function deleteParts(tx: Tx, runId: string, athleteIds: readonly string[]): void {
  for (const table of [athleteResults, repResults])
    for (const ids of chunked(athleteIds))
      tx.delete(table)
        .where(and(eq(table.runId, runId), inArray(table.athleteId, ids)))
        .run();
}

function writeSummary(tx: Tx, runId: string, plan: Plan, athletes: Iterable<AthleteResult>, state: RunState): void {
  const { verdicts, ...summary } = summaryOf(athletes, state);
  const kinds = kindsOfPlan(plan);
  const row = {
    kinds,
    kindsKey: kindsKey(kinds),
    conditions: state.conditions,
    intent: plan.intent ?? null,
    ...summary,
    ...verdicts,
    version: RESULTS_VERSION,
    isUnreadable: false,
    startedAtMs: summary.startedAtMs ?? null,
    endedAtMs: summary.endedAtMs ?? null,
    minutes: summary.minutes ?? null,
  };
  tx.insert(runResults)
    .values({ runId, ...row })
    .onConflictDoUpdate({ target: runResults.runId, set: row })
    .run();
}

/** Marks a session as damaged; who was named in it stays known, so that they can be erased. */
export function writeUnreadable(tx: Db | Tx, runId: string): void {
  const row = { version: RESULTS_VERSION, isUnreadable: true };
  tx.insert(runResults)
    .values({ runId, ...row })
    .onConflictDoUpdate({ target: runResults.runId, set: row })
    .run();
}

/** A session worked out from all of its log. */
type Whole = { growing: Growing; state: RunState; parts: Part[] };

/** Works a session out from all of its log, a part at a time: whoever drives it may let others in between. @throws UnreadableRun */
function* workOutWhole(tx: Db | Tx, runId: string): Generator<undefined, Whole | undefined> {
  const stored = readRun(tx, runId);
  if (!stored) return undefined;
  yield;
  const { plan, events } = stored;
  const growing: Growing = { plan, events, replay: new GrowingReplay(plan), athletes: new Map() };
  const state = workedOut(() => growing.replay.after(events));
  const parts: Part[] = [];
  for (const athleteId of idsNamed(stored)) {
    yield;
    const part = workedOut(() => partOf(plan, state, athleteId));
    growing.athletes.set(athleteId, part.athlete);
    parts.push(part);
  }
  return { growing, state, parts };
}

function writeWhole(tx: Tx, runId: string, { growing, state, parts }: Whole): void {
  tx.delete(athleteResults).where(eq(athleteResults.runId, runId)).run();
  tx.delete(repResults).where(eq(repResults.runId, runId)).run();
  insertParts(tx, runId, growing.plan, parts);
  writeSummary(tx, runId, growing.plan, growing.athletes.values(), state);
}

function projectWhole(db: Db, tx: Tx, runId: string): void {
  const work = workOutWhole(tx, runId);
  let step = work.next();
  while (!step.done) step = work.next();
  if (!step.value) return;
  writeWhole(tx, runId, step.value);
  keepGrowing(db, runId, step.value.growing);
}

/** Applies events that come after everything known. @returns false where the whole log has to be replayed. */
function projectGrown(db: Db, tx: Tx, runId: string, added: readonly RunEvent[], countBefore: number): boolean {
  const growing = growingIn(db).get(runId);
  if (growing?.events.length !== countBefore) return false;
  const { plan, athletes } = growing;
  growing.events = [...growing.events, ...added];
  const state = workedOut(() => growing.replay.after(growing.events));
  const ids = new Set<string>();
  for (const changed of growing.replay.wasWhole ? (['all'] as const) : added.map(changedBy))
    for (const id of changed === 'all' ? [...athletes.keys(), ...idsNamed({ plan, events: added })] : changed)
      ids.add(id);
  const parts = [...ids].map((athleteId) => workedOut(() => partOf(plan, state, athleteId)));
  for (const { athlete } of parts) athletes.set(athlete.athleteId, athlete);
  deleteParts(tx, runId, [...ids]);
  insertParts(tx, runId, plan, parts);
  writeSummary(tx, runId, plan, athletes.values(), state);
  return true;
}

/** Writes the projection of a session after a write to its log. @param countBefore how many events it had before these. */
export function project(db: Db, tx: Tx, runId: string, added: readonly RunEvent[], countBefore: number): void {
  try {
    if (!projectGrown(db, tx, runId, added, countBefore)) projectWhole(db, tx, runId);
  } catch (error) {
    forgetGrowing(db, runId);
    if (!(error instanceof UnreadableRun)) throw error;
    writeUnreadable(tx, runId);
  }
}

/** Takes an athlete out of the projection of a session; nobody else's part depends on theirs. */
export function eraseFromProjection(tx: Tx, runId: string, athleteId: string): void {
  deleteParts(tx, runId, [athleteId]);
  const { isThere, planned, finished, early, on, late, minutes } = athleteResults;
  const sum = (column: typeof planned | typeof isThere | typeof finished | typeof early | typeof on | typeof late) =>
    sql<number>`coalesce(sum(${column}), 0)`;
  const left = tx
    .select({
      athletes: sum(isThere),
      planned: sum(planned),
      finished: sum(finished),
      early: sum(early),
      on: sum(on),
      late: sum(late),
      minutes: sql<number | null>`round(avg(case when ${isThere} then ${minutes} end), 1)`,
    })
    .from(athleteResults)
    .where(eq(athleteResults.runId, runId))
    .get();
  if (left) tx.update(runResults).set(left).where(eq(runResults.runId, runId)).run();
}

/** The projection of a session, made anew from its log. */
export function rebuild(db: Db, runId: string): void {
  forgetGrowing(db, runId);
  db.transaction((tx) => project(db, tx, runId, [], -1));
}

/** Sessions whose projection is missing, or of an earlier version, the latest first: a coach looks at those. */
export const pendingRunIds = (db: Db): string[] =>
  db
    .select({ id: runs.id })
    .from(runs)
    .leftJoin(runResults, eq(runResults.runId, runs.id))
    .where(or(isNull(runResults.runId), ne(runResults.version, RESULTS_VERSION)))
    .orderBy(sql`${runs.date} desc`, asc(runs.id))
    .all()
    .map(({ id }) => id);

/** Yields to other requests. */
export const breathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** How long work that can wait goes on before it lets requests in. */
export const SLICE_MS = 20;

/** What a session is worked out from: it differs once an event has come in, or somebody was erased from it. */
const storedAs = (tx: Db | Tx, runId: string): string =>
  JSON.stringify(tx.select({ count: runs.eventCount, plan: runs.planJson }).from(runs).where(eq(runs.id, runId)).get());

/** The same as rebuild(), letting requests in between; what changes meanwhile makes it begin again. */
async function rebuildInSlices(db: Db, runId: string): Promise<void> {
  try {
    const before = storedAs(db, runId);
    const work = workOutWhole(db, runId);
    let sliceEndMs = performance.now() + SLICE_MS;
    let step = work.next();
    while (!step.done) {
      if (performance.now() >= sliceEndMs) {
        await breathe();
        if (!db.$client.open) return;
        sliceEndMs = performance.now() + SLICE_MS;
      }
      step = work.next();
    }
    const whole = step.value;
    if (!whole) return;
    await breathe();
    if (!db.$client.open) return;
    const isCurrent = db.transaction((tx) => {
      if (storedAs(tx, runId) !== before) return false;
      writeWhole(tx, runId, whole);
      return true;
    });
    if (!isCurrent) rebuild(db, runId);
  } catch (error) {
    if (!(error instanceof UnreadableRun)) throw error;
    db.transaction((tx) => writeUnreadable(tx, runId));
  }
}

/**
 * Rebuilds what is pending, session by session and in slices, yielding to requests in between. What is done is kept if it is interrupted.
 * @returns how many were rebuilt.
 */
export async function rebuildPending(db: Db): Promise<number> {
  let made = 0;
  for (const id of pendingRunIds(db)) {
    await breathe();
    if (!db.$client.open) break;
    await rebuildInSlices(db, id);
    forgetGrowing(db, id);
    made++;
  }
  return made;
}
