import fc from 'fast-check';
import { ulid } from 'ulid';
import type { ListedRun, ListedSession, Page, RunsApart } from '@core/api/answers';
import { runs } from '../db/schema';
import { eq } from 'drizzle-orm';
import { planFor } from './madeUpPlan';
import { serverForEach, startTestServer } from './testServer';

const server = serverForEach(() => startTestServer(undefined, () => nowMs++));
let nowMs = 1_800_000_000_000;
const ADA = ulid();

async function write(date: string, more: object = {}): Promise<string> {
  const id = ulid();
  await server.call('PUT', `/api/sessions/${id}`, { title: 'Reps', date, shorthand: '', ...more });
  return id;
}

/** Takes a session to the track, starts it, and ends it unless it is to stay open. */
async function runOn(date: string, { sessionId = ulid(), isEnded = true, isStarted = true } = {}): Promise<string> {
  const plan = { ...planFor(ADA), date, sessionId };
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  const stamp = (atMs: number) => ({ id: ulid(), runId: plan.id, deviceId: plan.id, atMs });
  const events = [
    ...(isStarted ? [{ ...stamp(1000), type: 'started', repIndex: 0, athleteIds: [ADA] }] : []),
    ...(isEnded ? [{ ...stamp(2000), type: 'ended' }] : []),
  ];
  if (events.length > 0) await server.call('POST', `/api/runs/${plan.id}/events`, { events });
  return plan.id;
}

/** All rows of a list, page by page. */
async function walk<T>(path: string, limit: number, between: () => Promise<unknown> = async () => undefined) {
  const rows: T[] = [];
  let cursor: string | undefined;
  do {
    const query = `${path.includes('?') ? '&' : '?'}limit=${limit}${cursor === undefined ? '' : `&cursor=${cursor}`}`;
    const page = (await server.call('GET', `${path}${query}`)).body as Page<T>;
    expect(page.rows.length).toBeLessThanOrEqual(limit);
    rows.push(...page.rows);
    cursor = page.next;
    await between();
  } while (cursor !== undefined);
  return rows;
}

test('pages of any size together are the whole list, the latest first, also of one day', async () => {
  const days = ['2026-10-20', '2026-10-20', '2026-11-03', '2026-09-01', '2026-11-03', '2026-10-20', '2025-12-31'];
  for (const day of days) await write(day);
  const whole = (await server.call('GET', '/api/sessions/days?from=1900-01-01')).body as ListedSession[];
  expect(whole).toHaveLength(days.length);
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 1, max: 9 }), async (limit) => {
      expect(await walk<ListedSession>('/api/sessions', limit)).toEqual(whole);
    }),
    { numRuns: 9 },
  );
  expect((await walk<ListedSession>('/api/sessions?before=2026-10-20', 2)).map(({ date }) => date)).toEqual([
    '2026-09-01',
    '2025-12-31',
  ]);
});

test('a last page that is exactly full names no next one, and the one before it does', async () => {
  for (let day = 10; day < 14; day++) await write(`2026-10-${day}`);
  const first = (await server.call('GET', '/api/sessions?limit=2')).body as Page<ListedSession>;
  expect(first.next).toEqual(expect.any(String));
  const last = (await server.call('GET', `/api/sessions?limit=2&cursor=${first.next}`)).body as Page<ListedSession>;
  expect(last.rows).toHaveLength(2);
  expect(last).not.toHaveProperty('next');
});

test('rows that come while somebody pages move nothing: none is missed, none comes twice', async () => {
  for (let day = 10; day < 20; day++) await write(`2026-10-${day}`);
  const seen = await walk<ListedSession>('/api/sessions', 3, () => write('2026-12-24'));
  expect(seen.map(({ date }) => date)).toEqual(Array.from({ length: 10 }, (_, i) => `2026-10-${19 - i}`));
});

test('a page says nothing of what is decided for a day; the days and the session itself do', async () => {
  const id = await write('2026-10-20');
  await server.call('PUT', `/api/sessions/${id}/plan`, { rounding: 0.1 });
  expect((await server.call('GET', '/api/sessions')).body).toEqual({
    rows: [expect.not.objectContaining({ plan: {} })],
  });
  expect(((await server.call('GET', '/api/sessions')).body as Page<object>).rows[0]).not.toHaveProperty('plan');
  expect((await server.call('GET', `/api/sessions/${id}`)).body).toMatchObject({ id, plan: { rounding: 0.1 } });
  expect((await server.call('GET', '/api/sessions/days?from=2026-10-20&to=2026-10-20')).body).toMatchObject([
    { id, plan: { rounding: 0.1 } },
  ]);
  expect((await server.call('GET', `/api/sessions/${ulid()}`)).status).toBe(404);
});

test.each(['?cursor=made-up', '?cursor=', '?limit=0', '?limit=1000', '?limit=all', '?before=tomorrow', '?page=2'])(
  'a page that cannot be is refused: %s',
  async (query) => {
    await write('2026-10-20');
    expect(await server.call('GET', `/api/sessions${query}`)).toMatchObject({ status: 400 });
  },
);

test('results are what was started; open, damaged and set aside ones have places of their own', async () => {
  const done = await runOn('2026-10-20');
  const open = await runOn('2026-10-21', { isEnded: false });
  const onlyCalled = await runOn('2026-10-22', { isEnded: false, isStarted: false });
  const aside = await runOn('2026-10-23');
  const damaged = await runOn('2026-10-24');
  await server.call('DELETE', `/api/runs/${aside}`);
  server.db.update(runs).set({ planJson: '{' }).where(eq(runs.id, damaged)).run();
  expect((await server.call('GET', `/api/runs/${damaged}`)).status).toBe(500);
  const ids = (list: readonly ListedRun[]) => list.map(({ id }) => id);
  expect(ids(await walk<ListedRun>('/api/runs', 1))).toEqual([open, done]);
  expect(ids((await server.call('GET', '/api/runs/open')).body as ListedRun[])).toEqual([onlyCalled, open]);
  const apart = (await server.call('GET', '/api/runs/apart')).body as RunsApart;
  expect(apart).toMatchObject({
    pending: 0,
    runs: [
      { id: damaged, isUnreadable: true },
      { id: aside, isSetAside: true },
    ],
  });
  expect(ids((await server.call('GET', '/api/runs/days?from=2026-10-21&to=2026-10-23')).body as ListedRun[])).toEqual([
    aside,
    onlyCalled,
    open,
  ]);
});

test('the results of one session, and of one of the library, with how often that was used', async () => {
  const library = ulid();
  const [first, second] = [
    await write('2026-10-20', { libraryId: library }),
    await write('2026-10-27', { libraryId: library }),
  ];
  await write('2026-12-24', { libraryId: library });
  const [a, b, other] = [
    await runOn('2026-10-20', { sessionId: first }),
    await runOn('2026-10-27', { sessionId: second }),
    await runOn('2026-10-28'),
  ];
  const ids = async (query: string) => (await walk<ListedRun>(`/api/runs${query}`, 1)).map(({ id }) => id);
  expect(await ids('')).toEqual([other, b, a]);
  expect(await ids(`?library=${library}`)).toEqual([b, a]);
  expect(await ids(`?session=${first}`)).toEqual([a]);
  expect((await server.call('GET', '/api/library/uses?until=2026-11-01')).body).toEqual({
    [library]: { days: 3, last: '2026-10-27' },
  });
  expect((await server.call('GET', '/api/library/uses?until=2026-10-01')).body).toEqual({ [library]: { days: 3 } });
});
