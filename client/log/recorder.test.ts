/** @jest-environment node */
import 'fake-indexeddb/auto';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan, PlannedGroup } from '@core/run/plan';
import { leastPlan, endedIn } from './runFixture';
import { store } from '../store/store';
import { openTrackLog } from './trackLog';
import { provideWireCheck } from './wireCheck';
import {
  dropRefused,
  forgetAthlete,
  keptPlans,
  NotTaken,
  openRun,
  record,
  refusedThings,
  takeToTrack,
} from './recorder';

const shown = () => store.getState().trackside.run;
/** The phone's disk, as a second reader of it. */
const disk = openTrackLog();
const fillDisk = () =>
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('The disk is full.', 'QuotaExceededError');
  });

provideWireCheck(() => import('../data/checks').then(({ WIRE_CHECK }) => WIRE_CHECK));

/** Sessions at the track that the server has; undefined while it cannot be reached. */
let server: Map<string, { plan: Plan; events: RunEvent[] }> | undefined;

/** Addresses without a host, as in a page. */
class PageRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://127.0.0.1') : input, init);
  }
}

beforeEach(() => {
  server = undefined;
  globalThis.Request = PageRequest;
  globalThis.fetch = (input, init) => {
    if (!server) return Promise.reject(new TypeError('Failed to fetch'));
    const request = new PageRequest(input as RequestInfo, init);
    const run = server.get(new URL(request.url).pathname.split('/')[3] ?? '');
    if (request.method !== 'GET') return Promise.resolve(Response.json({ accepted: [], refused: [] }));
    return Promise.resolve(
      run ? Response.json(run) : Response.json({ error: { message: 'There is no such run.' } }, { status: 404 }),
    );
  };
});
// What waits for the server is tried again by the clock; nothing here waits for it.
beforeAll(() => jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate', 'performance'] }));
afterAll(() => jest.useRealTimers());

test('what happened is on the phone’s disk before the screen shows it, with its own time and place', async () => {
  const plan = leastPlan(ulid());
  await takeToTrack(plan, []);
  expect(await openRun(plan.id)).toBe(true);
  let onDiskWhenShown: ReturnType<typeof disk.readRun> | undefined;
  const unsubscribe = store.subscribe(() => {
    if (shown()?.events.length === 1) onDiskWhenShown ??= disk.readRun(plan.id);
  });
  const recording = record(plan.id, { type: 'ended' }, 1_790_000_000_123);
  expect(shown()?.events).toEqual([]);
  await recording;
  unsubscribe();
  const kept = (await onDiskWhenShown)?.events;
  expect(kept).toMatchObject([{ runId: plan.id, type: 'ended', atMs: 1_790_000_000_123 }]);
  await record(plan.id, { type: 'undone', eventId: kept?.[0]?.id ?? '' }, 1_790_000_000_456);
  const [first, second] = (await disk.readRun(plan.id))?.events ?? [];
  expect(first?.deviceId).toBe(second?.deviceId);
});

test('a disk that will take no more is said, and the time is still on the screen', async () => {
  const plan = leastPlan(ulid());
  await takeToTrack(plan, []);
  await openRun(plan.id);
  const full = fillDisk();
  await record(plan.id, { type: 'ended' }, 1_790_000_000_000);
  expect(store.getState().trackside.inMemory).toBe(1);
  full.mockRestore();
  expect(shown()?.events).toHaveLength(1);
  expect((await disk.readRun(plan.id))?.events).toEqual([]);
});

describe('what the server would refuse', () => {
  test('is not kept: neither a plan nor anything of what happened in it', async () => {
    const plan = leastPlan(ulid());
    const happened = [
      { happening: { type: 'ended' as const }, atMs: 1000 },
      { happening: { type: 'ended' as const }, atMs: 1000.5 },
    ];
    await expect(takeToTrack(plan, happened)).rejects.toThrow(NotTaken);
    await expect(takeToTrack({ ...plan, groups: [] }, [])).rejects.toThrow(/nobody in this session/);
    expect(await disk.readRun(plan.id)).toBeUndefined();
  });
  test('of a tap is said as refused, with why, and not shown as something that happened', async () => {
    const plan = leastPlan(ulid());
    await takeToTrack(plan, []);
    await openRun(plan.id);
    await record(plan.id, { type: 'ended' }, 1_790_000_000_000.25);
    expect(shown()?.events).toEqual([]);
    expect(store.getState().trackside.outbox.refused).toEqual([
      { id: expect.any(String), message: expect.stringContaining('integer') },
    ]);
    expect(await refusedThings()).toMatchObject([{ what: { type: 'ended', atMs: 1_790_000_000_000.25 } }]);
    await dropRefused();
    expect(store.getState().trackside.outbox.refused).toEqual([]);
  });
});

describe('opening a session at the track', () => {
  test('with the server away, this phone’s own copy is there', async () => {
    const plan = leastPlan(ulid());
    await takeToTrack(plan, []);
    expect(await openRun(plan.id)).toBe(true);
    expect(shown()).toEqual({ plan, events: [] });
    expect((await keptPlans()).map(({ id }) => id)).toContain(plan.id);
  });

  test('what another phone timed is added to what this one has, and kept here too', async () => {
    const plan = leastPlan(ulid());
    const [mine, theirs] = [endedIn(plan.id), endedIn(plan.id)];
    await disk.addPlan(plan, true);
    await disk.addEvents([mine], true);
    server = new Map([[plan.id, { plan, events: [theirs] }]]);
    expect(await openRun(plan.id)).toBe(true);
    const ids = (events: RunEvent[] | undefined) => events?.map(({ id }) => id).sort();
    expect(ids(shown()?.events)).toEqual(ids([mine, theirs]));
    expect(ids((await disk.readRun(plan.id))?.events)).toEqual(ids([mine, theirs]));
  });

  test('one this phone never saw comes from the server, even onto a full disk', async () => {
    const plan = leastPlan(ulid());
    const theirs = endedIn(plan.id);
    server = new Map([[plan.id, { plan, events: [theirs] }]]);
    const full = fillDisk();
    expect(await openRun(plan.id)).toBe(true);
    full.mockRestore();
    expect(shown()).toEqual({ plan, events: [theirs] });
    expect(await disk.readRun(plan.id)).toBeUndefined();
  });

  test('one that neither has is not found, with the server there or away', async () => {
    expect(await openRun(ulid())).toBe(false);
    server = new Map();
    expect(await openRun(ulid())).toBe(false);
  });
});

describe('someone who was erased', () => {
  const groupWith = (...ids: string[]): PlannedGroup => ({
    id: 'all',
    name: 'Everyone',
    reps: [{ role: 'main', distanceM: 400, callM: [400] }],
    athletes: ids.map((athleteId) => ({ athleteId, name: 'N', tileName: 'N', targets: [{}] })),
  });
  const [gone, other] = [ulid(), ulid()];
  const stamp = (runId: string) => ({ id: ulid(), runId, deviceId: ulid(), atMs: 1 });
  test('is taken out of what this phone keeps; what waits to be sent of others still waits', async () => {
    const shared: Plan = {
      ...leastPlan(ulid()),
      groups: [groupWith(gone, other)],
    };
    const alone: Plan = { ...leastPlan(ulid()), groups: [groupWith(gone)] };
    const start: RunEvent = { ...stamp(shared.id), type: 'started', repIndex: 0, athleteIds: [gone, other] };
    const ownEvent: RunEvent = { ...stamp(shared.id), type: 'passed', repIndex: 0, athleteId: gone, atM: 400 };
    await disk.addPlan(shared, false);
    await disk.addPlan(alone, true);
    await disk.addEvents([start, ownEvent], false);
    await forgetAthlete(gone);
    expect(await disk.readRun(alone.id)).toBeUndefined();
    expect(await disk.readRun(shared.id)).toEqual({
      plan: { ...shared, groups: [groupWith(other)] },
      events: [{ ...start, athleteIds: [other] }],
    });
    const { events } = await disk.unsent();
    expect(events.filter(({ runId }) => runId === shared.id).map(({ id }) => id)).toEqual([start.id]);
  });
});
