import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { ulid } from 'ulid';
import { RESULTS_VERSION, resultsOf } from '@core/review/results';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { replay } from '@core/run/replay';
import { bringUpToDate } from '../db/behind';
import { eraseAthlete, finishErasures } from '../db/erase';
import { openDatabase } from '../db/open';
import { pendingRunIds, rebuild, rebuildPending } from '../db/results';
import { addEvents } from '../db/runs';
import { athleteResults, athletes, erasedAthletes, repResults, runEvents, runResults, runs } from '../db/schema';
import { putAthlete } from './athletes';
import { planFor } from './madeUpPlan';
import { addOldAthlete, addOldRun, dataBefore } from './dataBefore';
import { serverForEach } from './testServer';

const server = serverForEach();
const [ada, bo, phone] = [ulid(), ulid(), ulid()];

/** One 400 for two. */
function planForTwo(): Plan {
  const plan = planFor(ada);
  const [group] = plan.groups;
  if (!group) throw new Error();
  const second = { athleteId: bo, name: 'Bo', tileName: 'Bo', targets: [{ targetS: 80 }] };
  return { ...plan, groups: [{ ...group, athletes: [...group.athletes, second] }] };
}
const eventsFor = (runId: string) => {
  let n = 0;
  const at = (atMs: number, happening: Happening): RunEvent => ({
    ...happening,
    id: ulid(1_000_000 + n++),
    runId,
    deviceId: phone,
    atMs,
  });
  return [
    at(0, { type: 'started', repIndex: 0, athleteIds: [ada, bo] }),
    at(81_000, { type: 'passed', athleteId: bo, repIndex: 0, atM: 400 }),
    at(82_000, { type: 'passed', athleteId: ada, repIndex: 0, atM: 400 }),
    at(90_000, { type: 'felt', athleteId: bo, repIndex: 0, effort: 7 }),
    at(200_000, { type: 'ended' }),
  ];
};
const put = (plan: Plan) => server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
const post = (runId: string, events: RunEvent[]) => server.call('POST', `/api/runs/${runId}/events`, { events });
const reps = (runId: string) => {
  bringUpToDate(server.db);
  return server.db.select().from(repResults).where(eq(repResults.runId, runId)).orderBy(repResults.athleteId).all();
};
const everything = () => {
  bringUpToDate(server.db);
  return {
    runs: server.db.select().from(runResults).orderBy(runResults.runId).all(),
    athletes: server.db.select().from(athleteResults).orderBy(athleteResults.runId, athleteResults.athleteId).all(),
    reps: server.db.select().from(repResults).orderBy(repResults.runId, repResults.athleteId, repResults.place).all(),
  };
};

/** The rows that SQLite hands out while something is done. */
function rowsReadBy(work: () => unknown): number {
  const statement = Object.getPrototypeOf(server.db.$client.prepare('SELECT 1')) as {
    get: (...values: unknown[]) => unknown;
    all: (...values: unknown[]) => unknown[];
  };
  const { get, all } = statement;
  let rows = 0;
  statement.get = function (...values) {
    const row = get.apply(this, values);
    if (row !== undefined) rows++;
    return row;
  };
  statement.all = function (...values) {
    const found = all.apply(this, values);
    rows += found.length;
    return found;
  };
  try {
    work();
    return rows;
  } finally {
    Object.assign(statement, { get, all });
  }
}

test('one event has the server read as little after thousands as at the start', async () => {
  const plan = planForTwo();
  await put(plan);
  let n = 0;
  const felt = (): RunEvent => ({
    type: 'felt',
    athleteId: bo,
    repIndex: 0,
    effort: 7,
    id: ulid(2_000_000 + n),
    runId: plan.id,
    deviceId: phone,
    atMs: 300_000 + n++,
  });
  await post(plan.id, eventsFor(plan.id));
  const atFirst = rowsReadBy(() => addEvents(server.db, plan.id, [felt()], 1));
  for (let i = 0; i < 3; i++) addEvents(server.db, plan.id, Array.from({ length: 1000 }, felt), 1);
  expect(rowsReadBy(() => addEvents(server.db, plan.id, [felt()], 1))).toBe(atFirst);
  expect(atFirst).toBeLessThan(5);
  // The rows are worked out from memory: the log is not read again.
  expect(rowsReadBy(() => bringUpToDate(server.db))).toBeLessThan(5);
});

test('a server killed between an event and its results has both after the next start', async () => {
  const plan = planForTwo();
  await put(plan);
  const [start, ...more] = eventsFor(plan.id);
  await post(plan.id, [start as RunEvent]);
  const written = everything();
  addEvents(server.db, plan.id, more, 2);
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-killed-'));
  await server.db.$client.backup(path.join(folder, 'zest-lap.sqlite'));
  const again = openDatabase(folder);
  expect(pendingRunIds(again)).toEqual([plan.id]);
  expect(await rebuildPending(again)).toBe(1);
  const after = again.select().from(repResults).orderBy(repResults.athleteId, repResults.place).all();
  again.$client.close();
  fs.rmSync(folder, { recursive: true });
  expect(after).not.toEqual(written.reps);
  expect(after).toEqual(everything().reps.filter(({ runId }) => runId === plan.id));
});

test('what was run is there as soon as the events are, one by one or all at once, and the same when it is made anew', async () => {
  const [plan, other] = [planForTwo(), planForTwo()];
  await put(plan);
  await put(other);
  for (const event of eventsFor(plan.id)) await post(plan.id, [event]);
  await post(other.id, eventsFor(other.id));
  expect(reps(plan.id).map(({ timeS, effort }) => [timeS, effort])).toEqual(
    ada < bo
      ? [
          [82, null],
          [81, 7],
        ]
      : [
          [81, 7],
          [82, null],
        ],
  );
  const written = everything();
  for (const { id } of [plan, other]) rebuild(server.db, id);
  expect(everything()).toEqual(written);
  const [first] = (await server.call('GET', '/api/runs/days?from=1900-01-01')).body as { summary: object }[];
  const events = eventsFor(plan.id);
  const { summary } = resultsOf({ plan, events }, replay(plan, events));
  expect(first?.summary).toEqual(summary);
});

test('events that arrive late give the same results as a rebuild', async () => {
  const plan = planForTwo();
  await put(plan);
  for (const event of eventsFor(plan.id).reverse()) await post(plan.id, [event]);
  const written = everything();
  expect(written.reps.map(({ state }) => state)).toEqual(['run', 'run']);
  rebuild(server.db, plan.id);
  expect(everything()).toEqual(written);
});

test('events that are refused as too many leave neither themselves nor results', async () => {
  const plan = planForTwo();
  await put(plan);
  const [start, finish, ...more] = eventsFor(plan.id);
  await post(plan.id, [start as RunEvent]);
  server.db.update(runs).set({ eventCount: 19_999 }).run();
  expect((await post(plan.id, [finish as RunEvent, ...more])).status).toBe(409);
  expect(reps(plan.id).map(({ state }) => state)).toEqual(['unfinished', 'unfinished']);
  // What is kept in memory of the log was dropped with them.
  server.db.update(runs).set({ eventCount: 1 }).run();
  await post(plan.id, [finish as RunEvent]);
  expect(reps(plan.id).filter(({ state }) => state === 'run')).toHaveLength(1);
});

test('a log that cannot be replayed still takes new events, and is listed as unreadable', async () => {
  const plan = planForTwo();
  await put(plan);
  const [start, ...more] = eventsFor(plan.id);
  await post(plan.id, [start as RunEvent]);
  everything();
  server.db.update(runEvents).set({ eventJson: '{"type":' }).run();
  server.db.update(runs).set({ eventCount: 7 }).run();
  expect((await post(plan.id, more)).body).toMatchObject({ accepted: more.map(({ id }) => id) });
  expect((await server.call('GET', '/api/runs/days?from=1900-01-01')).body).toMatchObject([
    { id: plan.id, isUnreadable: true },
  ]);
});

test('results of an earlier version are rebuilt in slices: meanwhile the list says so, and requests are answered', async () => {
  const plans = Array.from({ length: 5 }, planForTwo);
  for (const plan of plans) {
    await put(plan);
    await post(plan.id, eventsFor(plan.id));
  }
  const written = everything();
  server.db
    .update(runResults)
    .set({ version: RESULTS_VERSION - 1 })
    .run();
  server.db.delete(repResults).run();
  const made = rebuildPending(server.db);
  const asked = (await server.call('GET', '/api/runs/days?from=1900-01-01')).body as {
    isPending?: true;
    summary?: object;
  }[];
  expect(asked.some(({ isPending }) => isPending)).toBe(true);
  expect(asked.every(({ isPending, summary }) => isPending !== (summary !== undefined))).toBe(true);
  expect(await made).toBe(5);
  expect(everything()).toEqual(written);
  expect(pendingRunIds(server.db)).toEqual([]);
});

test('what comes in while a session is being worked out anew is in its results', async () => {
  const plan = planForTwo();
  await put(plan);
  const [start, ...more] = eventsFor(plan.id);
  await post(plan.id, [start as RunEvent]);
  server.db.delete(runResults).run();
  const made = rebuildPending(server.db);
  addEvents(server.db, plan.id, more, 2);
  await made;
  const written = everything();
  expect(written.reps.map(({ state }) => state)).toContain('run');
  rebuild(server.db, plan.id);
  expect(everything()).toEqual(written);
});

test('who is erased while a session is being worked out anew is not in its results', async () => {
  const plan = planForTwo();
  await putAthlete(server, ada, { name: 'Ada', marks: [] });
  await put(plan);
  // Ada was planned and never came: nothing of the log is about her.
  const stamp = { runId: plan.id, deviceId: phone };
  await post(plan.id, [{ ...stamp, id: ulid(), atMs: 0, type: 'started', repIndex: 0, athleteIds: [bo] }]);
  server.db.delete(runResults).run();
  server.db.delete(athleteResults).run();
  await Promise.all([rebuildPending(server.db), eraseAthlete(server.db, ada, 1)]);
  expect(everything().athletes.map(({ athleteId }) => athleteId)).toEqual([bo]);
});

test('a data folder of the version before is brought up to this one: its results are there once they are made, its marks have ids', async () => {
  const { folder, client } = dataBefore('0011');
  const plan = planForTwo();
  const events = eventsFor(plan.id);
  addOldRun(client, plan, events);
  addOldAthlete(client, ada, [1110, 1100]);
  client.close();

  const db = openDatabase(folder);
  expect(await rebuildPending(db)).toBe(1);
  expect(db.select().from(repResults).all()).toHaveLength(2);
  expect(addEvents(db, plan.id, events, 2)?.added).toEqual([]);
  const stored = db.$client.prepare('SELECT id, time_s FROM marks ORDER BY place').all() as { id: string }[];
  expect(stored).toMatchObject([{ time_s: 1110 }, { time_s: 1100 }]);
  expect(new Set(stored.map(({ id }) => id)).size).toBe(2);
  expect(stored.every(({ id }) => /^[0-9A-HJKMNP-TV-Z]{26}$/.test(id))).toBe(true);
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
});

describe('erasing an athlete', () => {
  test('takes them out of the results; the others’ stay as they are', async () => {
    const plan = planForTwo();
    await put(plan);
    await post(plan.id, eventsFor(plan.id));
    for (const [id, name] of [
      [ada, 'Ada'],
      [bo, 'Bo'],
    ] as const)
      await putAthlete(server, id, { name, marks: [] });
    const before = reps(plan.id).filter(({ athleteId }) => athleteId === bo);
    expect((await server.call('POST', `/api/athletes/${ada}/erase`)).status).toBe(204);
    expect(reps(plan.id)).toEqual(before);
    expect((await server.call('GET', '/api/runs/days?from=1900-01-01')).body).toMatchObject([
      { summary: { athletes: 1, planned: 1, finished: 1 } },
    ]);
    const written = everything();
    rebuild(server.db, plan.id);
    expect(everything()).toEqual(written);
  });
  test('goes on after the server has ended in the middle', async () => {
    const plans = Array.from({ length: 3 }, planForTwo);
    for (const plan of plans) {
      await put(plan);
      await post(plan.id, eventsFor(plan.id));
    }
    // Put down as erased, and ended there.
    server.db.insert(erasedAthletes).values({ id: ada, erasedAtMs: 1 }).run();
    expect(await finishErasures(server.db, 1)).toEqual([ada]);
    expect(await finishErasures(server.db, 1)).toEqual([]);
    const stored = JSON.stringify([server.db.select().from(runs).all(), server.db.select().from(runEvents).all()]);
    expect(stored).not.toContain(ada);
    expect(everything().athletes.map(({ athleteId }) => athleteId)).toEqual([bo, bo, bo]);
  });
  test('goes on also where results were being made anew when it ended', async () => {
    const plan = planForTwo();
    await put(plan);
    await post(plan.id, eventsFor(plan.id));
    everything();
    await putAthlete(server, ada, { name: 'Ada', marks: [] });
    // Put down as erased while the results are of an earlier version and their rows gone, and ended there.
    server.db
      .update(runResults)
      .set({ version: RESULTS_VERSION - 1 })
      .run();
    server.db.delete(athleteResults).run();
    server.db.delete(athletes).run();
    server.db.insert(erasedAthletes).values({ id: ada, erasedAtMs: 1 }).run();
    // Asking again finishes it, rather than answering 404.
    expect((await server.call('POST', `/api/athletes/${ada}/erase`)).status).toBe(204);
    expect((await server.call('POST', `/api/athletes/${ada}/erase`)).status).toBe(404);
    await rebuildPending(server.db);
    expect(everything().athletes.map(({ athleteId }) => athleteId)).toEqual([bo]);
  });
  test('finds who was named only in what came in since the results were written', async () => {
    const plan = planForTwo();
    await put(plan);
    const cy = ulid();
    await putAthlete(server, cy, { name: 'Cy', marks: [] });
    const athlete = { athleteId: cy, name: 'Cy', tileName: 'Cy', targets: [{}] };
    await post(plan.id, [
      { id: ulid(), runId: plan.id, deviceId: phone, atMs: 1, type: 'joined', groupId: 'all', athlete },
    ]);
    server.db.insert(erasedAthletes).values({ id: cy, erasedAtMs: 1 }).run();
    expect(await finishErasures(server.db, 2)).toEqual([cy]);
    expect(JSON.stringify(server.db.select().from(runEvents).all())).not.toContain(cy);
  });
  test('even where their results are still to be built', async () => {
    const plan = planForTwo();
    await put(plan);
    await post(plan.id, eventsFor(plan.id));
    await putAthlete(server, ada, { name: 'Ada', marks: [] });
    server.db.delete(runResults).run();
    server.db.delete(athleteResults).run();
    await eraseAthlete(server.db, ada, 1);
    await rebuildPending(server.db);
    expect(everything().athletes.map(({ athleteId }) => athleteId)).toEqual([bo]);
  });
});
