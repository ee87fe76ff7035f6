import type { RunEvent } from '@core/run/events';
import { WIRE_HEADER, WIRE_VERSION } from '@core/api/wire';
import { rebuild } from '../db/results';
import { readRun } from '../db/storedRun';
import { EVER_SHIPPED } from './everShipped';
import { serverForEach } from './testServer';

const server = serverForEach();

const BROWSER = { 'user-agent': 'Mozilla/5.0 (made up)' };
const THIS = { ...BROWSER, [WIRE_HEADER]: String(WIRE_VERSION) };
const EARLIER = { ...BROWSER, [WIRE_HEADER]: String(WIRE_VERSION - 1) };
const LATER = { ...BROWSER, [WIRE_HEADER]: String(WIRE_VERSION + 1) };

describe.each([
  ['an app from before there were versions', BROWSER],
  ['an app of an earlier version', EARLIER],
  ['an app of a later one', LATER],
])('%s', (_what, headers) => {
  test('is told to reload, where it could not make sense of the answer', async () => {
    for (const path of ['/api/sessions', '/api/athletes', '/api/runs', '/api/library'])
      expect(await server.call('GET', path, undefined, headers)).toMatchObject({
        status: 409,
        body: { error: { code: 'other_version', message: expect.stringMatching(/Reload the page/) } },
      });
    const session = '/api/sessions/01M7ZKC8B0Y78609PN4H3NMY4X';
    expect(
      (await server.call('PUT', session, { title: 'Reps', date: '2026-10-20', shorthand: '' }, headers)).status,
    ).toBe(409);
    expect((await server.call('GET', session)).status).toBe(404);
  });

  test.each(EVER_SHIPPED.map((shipped) => [shipped.since, shipped] as const))(
    'still sends what it timed: %s',
    async (_since, { plan, events }) => {
      for (let sent = 0; sent < 2; sent++) {
        expect(await server.call('PUT', `/api/runs/${plan.id}/plan`, plan, headers)).toMatchObject({ status: 204 });
        expect((await server.call('POST', `/api/runs/${plan.id}/events`, { events }, headers)).body).toEqual({
          accepted: events.map(({ id }) => id),
          refused: [],
        });
      }
      expect((await server.call('GET', `/api/runs/${plan.id}`, undefined, headers)).status).toBe(200);
      expect(readRun(server.db, plan.id)?.events).toEqual(events);
      rebuild(server.db, plan.id);
      expect((await server.call('GET', '/api/runs')).body).toMatchObject({
        rows: [{ id: plan.id, title: plan.title, summary: { endedAtMs: expect.any(Number) } }],
      });
    },
  );
});

test('every kind of event was shipped in some shape, so that none can be forgotten', () => {
  const shipped = new Set(
    EVER_SHIPPED.flatMap(({ events }) => events.map((event) => (event as { type?: string }).type)),
  );
  const KINDS: Record<RunEvent['type'], true> = {
    started: true,
    passed: true,
    crossed: true,
    named: true,
    shifted: true,
    undone: true,
    clock: true,
    came: true,
    joined: true,
    moved: true,
    conditions: true,
    times: true,
    marks: true,
    sending: true,
    held: true,
    felt: true,
    sessionFelt: true,
    nextDay: true,
    nextStep: true,
    stopReason: true,
    careChosen: true,
    pulse: true,
    flagged: true,
    excluded: true,
    noted: true,
    decided: true,
    surged: true,
    covered: true,
    ended: true,
  };
  expect([...shipped].sort()).toEqual(Object.keys(KINDS).sort());
});

test('an app of this version, and a program that is no app, are answered; each answer says the version', async () => {
  expect((await server.call('GET', '/api/sessions', undefined, THIS)).status).toBe(200);
  expect((await server.call('GET', '/api/sessions')).status).toBe(200);
  for (const path of ['/api/health', '/api/sessions', '/api/no'])
    expect((await fetch(`${server.url}${path}`)).headers.get(WIRE_HEADER)).toBe(String(WIRE_VERSION));
});
