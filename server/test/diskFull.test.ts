import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { planFor } from './madeUpPlan';
import { serverForEach } from './testServer';

const server = serverForEach();
const plan = planFor(ulid());
const crossed = (): RunEvent => ({ id: ulid(), runId: plan.id, deviceId: ulid(), atMs: 1, type: 'crossed' });
const post = (...events: RunEvent[]) => server.call('POST', `/api/runs/${plan.id}/events`, { events });
/** The file may not grow: SQLite then says what it says on a full disk. */
const fillDisk = () =>
  server.db.$client.pragma(`max_page_count = ${String(server.db.$client.pragma('page_count', { simple: true }))}`);
const makeRoom = () => server.db.$client.pragma('max_page_count = 1000000');

beforeEach(async () => {
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
});

test('a full disk is reported, keeps what was there, can still be read, and takes writes again when there is room', async () => {
  const first = crossed();
  const second = crossed();
  expect((await post(first)).status).toBe(200);
  const days = () => server.call('GET', '/api/runs/days?from=1900-01-01');
  await days();
  expect((await post(second)).status).toBe(200);
  fillDisk();
  const many = Array.from({ length: 400 }, crossed);
  expect(await post(...many)).toEqual({
    status: 507,
    body: { error: { code: 'disk_full', message: expect.stringMatching(/disk is full.*Make room/) } },
  });
  // Without room the summary may stay pending.
  expect(await days()).toMatchObject({ status: 200, body: [{ id: plan.id }] });
  const run = await server.call('GET', `/api/runs/${plan.id}`);
  expect((run.body as { events: RunEvent[] }).events).toEqual([first, second]);
  makeRoom();
  expect((await post(...many)).body).toMatchObject({ refused: [] });
  expect(await days()).toMatchObject({ body: [{ id: plan.id, summary: { athletes: 1 } }] });
});
