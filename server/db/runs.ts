import { isDeepStrictEqual } from 'node:util';
import { and, desc, eq, gte, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { ListedRun, Page, RefusedEvent, RunsApart } from '@core/api/answers';
import { RESULTS_VERSION } from '@core/review/results';
import type { RunEvent } from '@core/run/events';
import type { StoredLog } from '@core/run/helper';
import { MOST_JOINED } from '@core/run/limits';
import { athletesOf, type Plan } from '@core/run/plan';
import { eventAbout, runOf } from '@core/run/runOf';
import { markBehind, noteBehind } from './behind';
import { anyRow } from './insertRows';
import type { Db } from './open';
import { cursorOf, isAfter, isOn, pageOf } from './pages';
import { Refused } from './refused';
import { pendingRunIds, project } from './results';
import { erasedAthletes, runEvents, runResults, runs, sessions } from './schema';
import { eventRows, parsed, UnreadableRun } from './storedRun';

/** Events per run: far more than any session has; more could not be replayed in time. */
export const MOST_EVENTS = 20_000;

/** What came in after a row of the log, and the last row there is. @throws UnreadableRun */
export function eventsAfter(db: Db, runId: string, row: number): { events: RunEvent[]; lastRow: number } {
  const rows = eventRows(db, runId, row);
  return { events: rows.map(({ eventJson }) => parsed<RunEvent>(eventJson)), lastRow: rows.at(-1)?.row ?? row };
}

type ListRow = { id: string; sessionId: string; title: string; date: string; setAsideAtMs: number | null } & {
  results: typeof runResults.$inferSelect | null;
};

function listed({ id, sessionId, title, date, setAsideAtMs, results }: ListRow): ListedRun {
  const run = { id, sessionId, title, date };
  if (setAsideAtMs !== null) return { ...run, isSetAside: true };
  if (!results || results.version !== RESULTS_VERSION) return { ...run, isPending: true };
  if (results.isUnreadable) return { ...run, isUnreadable: true };
  const { athletes, planned, finished, early, on, late, startedAtMs, endedAtMs, minutes } = results;
  const times = {
    ...(startedAtMs === null ? {} : { startedAtMs }),
    ...(endedAtMs === null ? {} : { endedAtMs }),
    ...(minutes === null ? {} : { minutes }),
  };
  return { ...run, summary: { athletes, planned, finished, verdicts: { early, on, late }, ...times } };
}

const { id: runId, sessionId, title, date, createdAtMs, setAsideAtMs } = runs;
const LATEST_FIRST = [desc(date), desc(createdAtMs), desc(runId)];
const isListed = and(isNull(setAsideAtMs), eq(runResults.version, RESULTS_VERSION), eq(runResults.isUnreadable, false));

/** Rows of lists: neither plans nor logs are read for them. */
const listedRows = (db: Db) =>
  db
    .select({ id: runId, sessionId, title, date, createdAtMs, setAsideAtMs, results: runResults })
    .from(runs)
    .leftJoin(runResults, eq(runResults.runId, runId))
    .$dynamic();

/** A page of results, the latest date first: sessions that were started; of one session, or one session of the library, where asked for. */
export function pageOfRuns(
  db: Db,
  { cursor, limit, session, library }: { cursor?: string; limit: number; session?: string; library?: string },
): Page<ListedRun> {
  const ofLibrary =
    library === undefined
      ? undefined
      : inArray(
          sessionId,
          db
            .select({ id: sessions.id })
            .from(sessions)
            .where(and(eq(sessions.libraryId, library), isNull(sessions.removedAtMs))),
        );
  const rows = listedRows(db)
    .where(
      and(
        isListed,
        // A roll call that came to nothing is no result.
        isNotNull(runResults.startedAtMs),
        session === undefined ? undefined : eq(sessionId, session),
        ofLibrary,
        isAfter({ date, createdAtMs, id: runId }, cursor),
      ),
    )
    .orderBy(...LATEST_FIRST)
    .limit(limit + 1)
    .all();
  return pageOf(rows, limit, listed, cursorOf);
}

/** Everything taken to the track on some days, the latest first. */
export const runsOn = (db: Db, days: { from: string; to?: string }): ListedRun[] =>
  listedRows(db)
    .where(isOn(date, days))
    .orderBy(...LATEST_FIRST)
    .all()
    .map(listed);

/** Sessions at the track that were never ended, as many as anyone goes on with. */
const MOST_OPEN = 20;

/** Sessions at the track that have not ended, the latest first. */
export const openRuns = (db: Db): ListedRun[] =>
  listedRows(db)
    .where(and(isListed, isNull(runResults.endedAtMs)))
    .orderBy(...LATEST_FIRST)
    .limit(MOST_OPEN)
    .all()
    .map(listed);

/** What the list of results leaves out: damaged or set aside, and how many are still being worked out. */
export function runsApart(db: Db): RunsApart {
  const apart = listedRows(db)
    .where(or(isNotNull(setAsideAtMs), eq(runResults.isUnreadable, true)))
    .orderBy(...LATEST_FIRST)
    .all()
    .map(listed);
  return { pending: pendingRunIds(db).length, runs: apart };
}

/** Sets a run aside from the results, or takes that back. @returns false if that changes nothing. */
export function setRunAside(db: Db, id: string, nowMs: number | null): boolean {
  const there = and(eq(runs.id, id), nowMs === null ? isNotNull(runs.setAsideAtMs) : isNull(runs.setAsideAtMs));
  return db.update(runs).set({ setAsideAtMs: nowMs }).where(there).run().changes > 0;
}

/** The ids of those who were erased: a phone may still send what it has of them. */
const erasedIds = (db: Db) =>
  new Set(
    statementsOf(db)
      .erased.all()
      .map(({ id }) => id),
  );

/** Compared by value: in what an older app sends, the keys may stand in another order. */
function isSamePlan(storedJson: string, sentJson: string): boolean {
  if (storedJson === sentJson) return true;
  try {
    return isDeepStrictEqual(parsed(storedJson), JSON.parse(sentJson));
  } catch (error) {
    if (error instanceof UnreadableRun) return false;
    throw error;
  }
}

/** Stores a plan once. @returns 'kept' if it is new, 'same' if it was there already, 'different' if another plan has its id. */
export function putPlan(db: Db, sent: Plan, nowMs: number): 'kept' | 'same' | 'different' {
  const erased = erasedIds(db);
  const { plan } = runOf({ plan: sent, events: [] }, (athleteId) => !erased.has(athleteId));
  // Everyone in it was erased: nothing to keep, and the phone need not send it again.
  if (athletesOf(plan).length === 0) return 'same';
  const { id, sessionId, title, date } = plan;
  const stored = db.select({ planJson: runs.planJson }).from(runs).where(eq(runs.id, id)).get();
  const planJson = JSON.stringify(plan);
  if (stored) return isSamePlan(stored.planJson, planJson) ? 'same' : 'different';
  db.transaction((tx) => {
    tx.insert(runs).values({ id, sessionId, title, date, planJson, createdAtMs: nowMs }).run();
    project(db, tx, id, [], -1);
  });
  return 'kept';
}

/** Why an event is refused. */
type Refusal = Pick<RefusedEvent, 'code' | 'message'>;

/** The outcome of a batch: new events, those that have the id of another event, and those that were refused. */
export type AddedEvents = {
  added: RunEvent[];
  conflictIds: ReadonlySet<string>;
  refused: ReadonlyMap<RunEvent, Refusal>;
};

/** Returns the reason to refuse an event, judged by the stored events, or undefined to accept it. */
export type WhyNot = (event: RunEvent, stored: StoredLog) => string | undefined;

const { placeholder } = sql;

/** Prepares the statements of a post, once per database: preparing takes several times as long as running. */
function statementsFor(db: Db) {
  const event = and(eq(runEvents.id, placeholder('id')), eq(runEvents.runId, placeholder('runId')));
  const named = and(
    eq(runEvents.runId, placeholder('runId')),
    eq(runEvents.type, 'named'),
    sql`json_extract(${runEvents.eventJson}, '$.eventId') = ${placeholder('eventId')}`,
    sql`json_extract(${runEvents.eventJson}, '$.deviceId') <> ${placeholder('deviceId')}`,
  );
  const { eventCount, joinedCount } = runs;
  return {
    run: db
      .select({ count: eventCount, joined: joinedCount })
      .from(runs)
      .where(eq(runs.id, placeholder('id')))
      .prepare(),
    count: db
      .update(runs)
      .set({ eventCount: anyRow(runs).eventCount, joinedCount: anyRow(runs).joinedCount })
      .where(eq(runs.id, placeholder('id')))
      .prepare(),
    event: db.select({ eventJson: runEvents.eventJson }).from(runEvents).where(event).prepare(),
    insert: db.insert(runEvents).values(anyRow(runEvents)).onConflictDoNothing().prepare(),
    named: db.select({ id: runEvents.id }).from(runEvents).where(named).limit(1).prepare(),
    erased: db.select({ id: erasedAthletes.id }).from(erasedAthletes).prepare(),
  };
}

const statements = new WeakMap<Db, ReturnType<typeof statementsFor>>();

function statementsOf(db: Db): ReturnType<typeof statementsFor> {
  const made = statements.get(db) ?? statementsFor(db);
  statements.set(db, made);
  return made;
}

/** The log of a run, also in the middle of a write. */
function storedLog(db: Db, runId: string): StoredLog {
  const { event, named } = statementsOf(db);
  return {
    event(id) {
      const found = event.get({ id, runId });
      return found && parsed<RunEvent>(found.eventJson);
    },
    isNamedByOthers: (eventId, deviceId) => named.get({ runId, eventId, deviceId }) !== undefined,
  };
}

/**
 * Adds events to a run, skipping duplicates and events about erased athletes. The rows of results follow later: see behind.ts.
 * @returns undefined if there is no such run. @throws Refused when the run would have too many; nothing is stored then.
 */
export function addEvents(
  db: Db,
  runId: string,
  events: readonly RunEvent[],
  nowMs: number,
  whyNot: WhyNot = () => undefined,
): AddedEvents | undefined {
  const result = db.$client.transaction(() => addTo(db, runId, { events, nowMs, whyNot }))();
  if (!result) return undefined;
  const { countBefore, ...outcome } = result;
  noteBehind(db, runId, outcome.added, countBefore, nowMs);
  return outcome;
}

type Batch = { events: readonly RunEvent[]; nowMs: number; whyNot: WhyNot };

function addTo(db: Db, runId: string, { events, nowMs, whyNot }: Batch) {
  const { run: readCounts, insert, count } = statementsOf(db);
  const run = readCounts.get({ id: runId });
  if (!run) return undefined;
  const erased = erasedIds(db);
  const isKept = (athleteId: string) => !erased.has(athleteId);
  const added: RunEvent[] = [];
  const conflictIds = new Set<string>();
  const refused = new Map<RunEvent, Refusal>();
  let joinedCount = run.joined;
  const stored = storedLog(db, runId);
  const whyRefused = (event: RunEvent): Refusal | undefined => {
    const message = whyNot(event, stored);
    if (message !== undefined) return { code: 'not_for_helper', message };
    return event.type === 'joined' && joinedCount >= MOST_JOINED && !stored.event(event.id)
      ? { code: 'invalid', message: `A session has room for ${MOST_JOINED} visitors, and this one is full.` }
      : undefined;
  };
  for (const sent of events) {
    const why = whyRefused(sent);
    if (why) refused.set(sent, why);
    const event = why ? undefined : eventAbout(sent, isKept);
    if (!event) continue;
    const { id, atMs, type } = event;
    const row = { id, runId, atMs, type, eventJson: JSON.stringify(event), receivedAtMs: nowMs };
    if (insert.run(row).changes > 0) {
      added.push(event);
      if (type === 'joined') joinedCount++;
    } else if (!isDeepStrictEqual(stored.event(id), event)) conflictIds.add(id);
  }
  const eventCount = run.count + added.length;
  if (added.length > 0 && eventCount > MOST_EVENTS)
    throw new Refused('too_many', `A session has room for ${MOST_EVENTS} entries, and this one is full.`, 'events');
  if (added.length > 0) {
    count.run({ id: runId, eventCount, joinedCount });
    markBehind(db, runId);
  }
  return { added, conflictIds, refused, countBefore: run.count };
}

/** How many events of a run are kept. */
export const countEvents = (db: Db, runId: string): number =>
  db.select({ n: runs.eventCount }).from(runs).where(eq(runs.id, runId)).get()?.n ?? 0;

/** The runs that were taken to the track since then, the latest first; a few at most. */
export const recentRunIds = (db: Db, sinceMs: number): string[] =>
  db
    .select({ id: runs.id })
    .from(runs)
    .where(and(gte(runs.createdAtMs, sinceMs), isNull(runs.setAsideAtMs)))
    .orderBy(desc(runs.createdAtMs), desc(runs.id))
    .limit(4)
    .all()
    .map(({ id }) => id);

export const hasRun = (db: Db, id: string): boolean =>
  db.select({ id: runs.id }).from(runs).where(eq(runs.id, id)).get() !== undefined;
