/** @jest-environment node */
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { openDB } from 'idb';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { leastPlan, endedIn } from './runFixture';
import type { OutboxState } from '../store/trackside';
import { Outbox, type OutboxPort } from './outbox';
import { openTrackLog, type TrackLog } from './trackLog';

const RUN = ulid();
const plan = leastPlan(RUN);
const ended = () => endedIn(RUN);

/** A server with only what the outbox sees of it; it can be gone, slow to accept, or picky. */
class FakeServer implements OutboxPort {
  gone = false;
  plans = new Set<string>();
  events = new Map<string, number>();
  picky: string | undefined;
  /** Answers this status in place of taking events. */
  status: number | undefined;
  calls = 0;

  async send(method: 'PUT' | 'POST', path: string, body: unknown) {
    this.calls++;
    if (this.gone) return undefined;
    if (method === 'PUT') {
      this.plans.add((body as Plan).id);
      return { status: 204, body: undefined };
    }
    if (!this.plans.has(path.split('/')[1] ?? ''))
      return { status: 404, body: { error: { message: 'There is no such run.' } } };
    if (this.status !== undefined) return { status: this.status, body: { error: { message: 'Not now.' } } };
    const { events } = body as { events: RunEvent[] };
    const taken = events.filter(({ id }) => id !== this.picky);
    for (const { id } of taken) this.events.set(id, (this.events.get(id) ?? 0) + 1);
    const refused = events.filter(({ id }) => id === this.picky).map(({ id }) => ({ id, message: 'Not this one.' }));
    return { status: 200, body: { accepted: taken.map(({ id }) => id), refused } };
  }
}

/** Timers that go off when told to. */
class HandTimer {
  waiting: (() => void)[] = [];
  delays: number[] = [];
  set(run: () => void, afterMs: number) {
    this.waiting.push(run);
    this.delays.push(afterMs);
    return run;
  }
  clear(handle: unknown) {
    this.waiting = this.waiting.filter((run) => run !== handle);
  }
}

let log: TrackLog;
let server: FakeServer;
let timer: HandTimer;
let states: OutboxState[];
let outbox: Outbox;
let n = 0;
beforeEach(() => {
  log = openTrackLog(`test-${n++}`);
  server = new FakeServer();
  timer = new HandTimer();
  states = [];
  outbox = new Outbox(log, server, (state) => states.push(state), timer);
});

test('plans go first, then events, each marked as sent', async () => {
  const events = [ended(), ended()];
  await log.addEvents(events, false);
  await log.addPlan(plan, false);
  await outbox.poke();
  expect([...server.events.keys()].sort()).toEqual(events.map(({ id }) => id).sort());
  expect(states.at(-1)).toEqual({ waiting: 0, refused: [] });
  const before = server.calls;
  await outbox.poke();
  expect(server.calls).toBe(before);
});

test('while the server is gone everything waits, and is tried again less and less often', async () => {
  server.gone = true;
  await log.addPlan(plan, false);
  await log.addEvents([ended()], false);
  await outbox.poke();
  for (let i = 0; i < 6; i++) await outbox.poke();
  expect(states.at(-1)?.waiting).toBe(2);
  expect(timer.delays).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000]);
  expect(timer.waiting).toHaveLength(1);
  server.gone = false;
  await outbox.poke();
  expect(states.at(-1)).toEqual({ waiting: 0, refused: [] });
  expect(timer.waiting).toHaveLength(0);
});

test('what comes in while it is sending is sent too', async () => {
  await log.addPlan(plan, false);
  const first = outbox.poke();
  const late = ended();
  await log.addEvents([late], false);
  await Promise.all([outbox.poke(), first]);
  expect(server.events.has(late.id)).toBe(true);
});

test('an event that is refused is named, stays here, and holds up nothing', async () => {
  const [bad, good] = [ended(), ended()];
  server.picky = bad.id;
  await log.addPlan(plan, false);
  await log.addEvents([bad, good], false);
  await outbox.poke();
  expect(server.events.has(good.id)).toBe(true);
  expect(states.at(-1)).toEqual({ waiting: 1, refused: [{ id: bad.id, message: 'Not this one.' }] });
});

test('however the server comes and goes, every event arrives', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(fc.boolean(), fc.nat(3)), { minLength: 1, maxLength: 12 }), async (steps) => {
      const ownLog = openTrackLog(`test-${n++}`);
      const ownServer = new FakeServer();
      const seen: OutboxState[] = [];
      const ownOutbox = new Outbox(ownLog, ownServer, (state) => seen.push(state), new HandTimer());
      await ownLog.addPlan(plan, false);
      const all: string[] = [];
      for (const [gone, count] of steps) {
        ownServer.gone = gone;
        const events = Array.from({ length: count }, ended);
        all.push(...events.map(({ id }) => id));
        await ownLog.addEvents(events, false);
        await ownOutbox.poke();
      }
      ownServer.gone = false;
      await ownOutbox.poke();
      expect([...ownServer.events.keys()].sort()).toEqual([...all].sort());
      expect(seen.at(-1)).toEqual({ waiting: 0, refused: [] });
    }),
    { numRuns: 25 },
  );
});

test('storage that does not answer is tried again later', async () => {
  const broken: TrackLog = { ...log, unsent: () => Promise.reject(new Error('storage is gone')) };
  await new Outbox(broken, server, (state) => states.push(state), timer).poke();
  expect(timer.waiting).toHaveLength(1);
  expect(states).toEqual([]);
});

describe('the log', () => {
  test('gives back what it was given, once, and keeps what was sent as sent', async () => {
    const event = ended();
    await log.addPlan(plan, false);
    for (let i = 0; i < 3; i++) await log.addEvents([event], i > 0);
    expect(await log.readRun(RUN)).toEqual({ plan, events: [event] });
    expect((await log.unsent()).events).toEqual([event]);
    await log.markSent({ planIds: [RUN, 'nobody'], eventIds: [event.id, 'nothing'] });
    expect(await log.unsent()).toEqual({ plans: [], events: [] });
    await log.addEvents([event], false);
    expect((await log.unsent()).events).toEqual([]);
    expect(await log.plans()).toEqual([plan]);
  });
  test('knows nothing of a run it has no plan of', async () => {
    await log.addEvents([ended()], false);
    expect(await log.readRun(RUN)).toBeUndefined();
  });
});

test('who pokes while something is on its way hears when that, and what has come since, has been sent', async () => {
  await log.addPlan(plan, false);
  const first = outbox.poke();
  const event = ended();
  await log.addEvents([event], false);
  await outbox.poke();
  expect(server.events.get(event.id)).toBe(1);
  await first;
  expect(states.at(-1)).toMatchObject({ waiting: 0 });
});

test.each([429, 408, 401, 403, 500, 503])('after an answer of %d what was not taken is sent again', async (status) => {
  await log.addPlan(plan, true);
  server.plans.add(plan.id);
  const event = ended();
  await log.addEvents([event], false);
  server.status = status;
  await outbox.poke();
  expect(states.at(-1)).toEqual({ waiting: 1, refused: [] });
  expect(timer.waiting).toHaveLength(1);
  server.status = undefined;
  timer.waiting[0]?.();
  await outbox.poke();
  expect([...server.events.keys()]).toEqual([event.id]);
});

test('what was refused and is taken later is refused no longer', async () => {
  await log.addPlan(plan, false);
  const event = ended();
  await log.addEvents([event], false);
  server.picky = event.id;
  await outbox.poke();
  expect(states.at(-1)?.refused).toEqual([{ id: event.id, message: 'Not this one.' }]);
  server.picky = undefined;
  await outbox.poke();
  expect(states.at(-1)).toEqual({ waiting: 0, refused: [] });
});

test('events that an app of before made at parts of a millisecond are put right, and sent', async () => {
  const name = `test-old-${n++}`;
  const event = { ...ended(), atMs: 1_790_000_000_000.4 };
  const old = await openDB(name, 3, {
    upgrade(db) {
      db.createObjectStore('plans', { keyPath: 'id' }).createIndex('bySent', 'sent');
      const events = db.createObjectStore('events', { keyPath: 'id' });
      events.createIndex('byRun', 'runId');
      events.createIndex('bySent', 'sent');
    },
  });
  await old.put('plans', { id: plan.id, plan, sent: 1 });
  await old.put('events', { id: event.id, runId: RUN, event, sent: 0 });
  old.close();
  const upgraded = openTrackLog(name);
  expect((await upgraded.unsent()).events).toEqual([{ ...event, atMs: 1_790_000_000_000 }]);
});
