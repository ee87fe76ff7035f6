import http from 'node:http';
import { ulid } from 'ulid';
import { curveBook } from '@core/paces/shippedPaceBooks';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { putAthlete } from './athletes';
import { serverForEach } from './testServer';

const server = serverForEach();

const { id: _id, ...shipped } = curveBook;
const myPaceBook = { ...shipped, name: 'Mine' };
const reps = { title: 'Reps', date: '2026-10-20', shorthand: '6x400 @5k / 90s' };

const plan = (id = ulid()): Plan => ({
  id,
  sessionId: ulid(),
  title: 'Reps',
  date: '2026-10-20',
  shorthand: '2x400 @5k / 60s',
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: [
        { role: 'main', distanceM: 400, startM: 0, pace: '5k', callM: [200, 400], recovery: '60s' },
        { role: 'main', distanceM: 400, startM: 0, pace: '5k', callM: [200, 400] },
      ],
      athletes: [
        {
          athleteId: ulid(),
          name: 'Ada',
          tileName: 'Ada',
          targets: [{ targetS: 88.8, recoveryS: 60 }, { targetS: 88.8 }],
        },
      ],
    },
  ],
});
const stampFor = (run: Plan, atMs: number) => ({ id: ulid(), runId: run.id, deviceId: run.sessionId, atMs });
const historyOf = (run: Plan): RunEvent[] => {
  const athleteId = run.groups[0]?.athletes[0]?.athleteId ?? '';
  return [
    { ...stampFor(run, 1000), type: 'started', repIndex: 0, athleteIds: [athleteId] },
    { ...stampFor(run, 45_000), type: 'passed', repIndex: 0, athleteId, atM: 200 },
    { ...stampFor(run, 90_000), type: 'passed', repIndex: 0, athleteId, atM: 400 },
  ];
};

test('says how it is', async () => {
  expect(await server.call('GET', '/api/health')).toEqual({
    status: 200,
    body: { status: 'ok', version: expect.stringMatching(/^\d/), database: 'ok' },
  });
});

describe.each([
  { place: 'pace-books', first: myPaceBook, changed: { ...myPaceBook, name: 'Mine, changed', model: 'power-law' } },
  { place: 'sessions', listed: 'sessions/days?from=1900-01-01', first: reps, changed: { ...reps, shorthand: '' } },
])('$place', ({ place, listed = place, first, changed }) => {
  const list = async () => (await server.call('GET', `/api/${listed}`)).body;
  test('are written, listed, changed, removed and taken back', async () => {
    const id = ulid();
    expect(await server.call('PUT', `/api/${place}/${id}`, first)).toEqual({ status: 200, body: { id, ...first } });
    await server.call('PUT', `/api/${place}/${id}`, first);
    expect(await list()).toEqual([{ id, ...first }]);
    await server.call('PUT', `/api/${place}/${id}`, changed);
    expect(await list()).toEqual([{ id, ...changed }]);
    expect((await server.call('DELETE', `/api/${place}/${id}`)).status).toBe(204);
    expect(await list()).toEqual([]);
    expect((await server.call('DELETE', `/api/${place}/${id}`)).status).toBe(404);
    expect((await server.call('POST', `/api/${place}/${id}/restore`)).status).toBe(204);
    expect(await list()).toEqual([{ id, ...changed }]);
    expect((await server.call('POST', `/api/${place}/${id}/restore`)).status).toBe(404);
  });
  test('that are malformed are refused with the field, and nothing is kept', async () => {
    const answer = await server.call('PUT', `/api/${place}/${ulid()}`, { ...first, shoeSize: 41 });
    expect(answer).toEqual({
      status: 400,
      body: { error: { code: 'invalid', field: 'shoeSize', message: expect.stringMatching(/not allowed/) } },
    });
    expect(await list()).toEqual([]);
  });
  test('an id that this app did not make is refused', async () => {
    expect(await server.call('PUT', `/api/${place}/1`, first)).toMatchObject({
      status: 400,
      body: { error: { field: 'id' } },
    });
  });
});

test('sessions are listed by date, the latest first', async () => {
  for (const date of ['2026-10-20', '2026-11-20', '2026-09-20'])
    await server.call('PUT', `/api/sessions/${ulid()}`, { ...reps, date });
  const { body } = await server.call('GET', '/api/sessions/days?from=1900-01-01');
  expect((body as { date: string }[]).map((session) => session.date)).toEqual([
    '2026-11-20',
    '2026-10-20',
    '2026-09-20',
  ]);
});

describe('at the track', () => {
  test('a plan is kept once, and another one under its id is refused', async () => {
    const run = plan();
    for (let i = 0; i < 2; i++) expect((await server.call('PUT', `/api/runs/${run.id}/plan`, run)).status).toBe(204);
    const other = await server.call('PUT', `/api/runs/${run.id}/plan`, { ...run, title: 'Other' });
    expect(other).toMatchObject({ status: 409, body: { error: { code: 'plan_fixed' } } });
    expect(await server.call('PUT', `/api/runs/${ulid()}/plan`, run)).toMatchObject({
      status: 400,
      body: { error: { field: 'id' } },
    });
  });

  test('the same batch sent ten times is kept once', async () => {
    const run = plan();
    const events = historyOf(run);
    await server.call('PUT', `/api/runs/${run.id}/plan`, run);
    for (let i = 0; i < 10; i++)
      expect(await server.call('POST', `/api/runs/${run.id}/events`, { events })).toEqual({
        status: 200,
        body: { accepted: events.map(({ id }) => id), refused: [] },
      });
    const { body } = await server.call('GET', `/api/runs/${run.id}`);
    expect((body as { events: RunEvent[] }).events.map(({ id }) => id).sort()).toEqual(
      events.map(({ id }) => id).sort(),
    );
    expect((body as { plan: Plan }).plan).toEqual(run);
  });

  test('a malformed event is refused by name and the rest is kept', async () => {
    const run = plan();
    const [start, ...rest] = historyOf(run);
    await server.call('PUT', `/api/runs/${run.id}/plan`, run);
    const foreign = { ...start, id: ulid(), runId: ulid() };
    const answer = await server.call('POST', `/api/runs/${run.id}/events`, {
      events: [start, { ...rest[0], atM: 'half way' }, foreign, 7, rest[1]],
    });
    expect(answer.body).toEqual({
      accepted: [start?.id, rest[1]?.id],
      refused: [
        {
          index: 1,
          id: rest[0]?.id,
          code: 'invalid',
          field: 'events[1].atM',
          message: expect.stringMatching(/number/),
        },
        {
          index: 2,
          id: foreign.id,
          code: 'invalid',
          field: 'events[2].runId',
          message: expect.stringMatching(/another run/),
        },
        { index: 3, code: 'invalid', field: 'events[3]', message: expect.any(String) },
      ],
    });
  });

  test('the list of results says how far each has come, and keeps up', async () => {
    const run = plan();
    await server.call('PUT', `/api/runs/${run.id}/plan`, run);
    const summary = async () =>
      ((await server.call('GET', '/api/runs/days?from=1900-01-01')).body as { summary: unknown }[])[0]?.summary;
    expect(await summary()).toEqual({ athletes: 1, planned: 2, finished: 0, verdicts: { early: 0, on: 0, late: 0 } });
    await server.call('POST', `/api/runs/${run.id}/events`, { events: historyOf(run) });
    const verdicts = { early: 0, on: 1, late: 0 };
    expect(await summary()).toEqual({
      athletes: 1,
      planned: 2,
      finished: 1,
      verdicts,
      startedAtMs: 1000,
      minutes: 1.5,
    });
    await server.call('POST', `/api/runs/${run.id}/events`, { events: [{ ...stampFor(run, 99_000), type: 'ended' }] });
    expect(await summary()).toEqual({
      athletes: 1,
      planned: 2,
      finished: 1,
      verdicts,
      startedAtMs: 1000,
      endedAtMs: 99_000,
      minutes: 1.5,
    });
  });

  test('what is not there is said to be so', async () => {
    expect(await server.call('GET', `/api/runs/${ulid()}`)).toMatchObject({
      status: 404,
      body: { error: { code: 'not_found' } },
    });
    const run = plan();
    expect((await server.call('POST', `/api/runs/${run.id}/events`, { events: historyOf(run) })).status).toBe(404);
  });
});

describe('trouble', () => {
  const put = (body: string, headers: Record<string, string>) =>
    server.call('PUT', `/api/sessions/${ulid()}`, body, headers);
  test.each([
    ['malformed JSON', '{"title": "Reps",', { 'content-type': 'application/json' }, 400, 'bad_json'],
    ['a wrong content type', 'title=Reps', { 'content-type': 'application/x-www-form-urlencoded' }, 415, 'wrong_type'],
    [
      'an oversize body',
      JSON.stringify({ title: 'A'.repeat(1_100_000) }),
      { 'content-type': 'application/json' },
      413,
      'too_large',
    ],
    ['an odd packing', '{}', { 'content-type': 'application/json', 'content-encoding': 'rot13' }, 415, 'wrong_type'],
  ])('%s', async (_what, body, headers, status, code) => {
    const answer = await put(body, headers);
    expect(answer).toMatchObject({ status, body: { error: { code, message: expect.stringMatching(/\.$/) } } });
    expect((await server.call('GET', '/api/sessions/days?from=1900-01-01')).body).toEqual([]);
  });
  test('an unknown address, an unknown query', async () => {
    expect(await server.call('GET', '/api/nowhere')).toMatchObject({
      status: 404,
      body: { error: { code: 'not_found' } },
    });
    expect(await server.call('GET', '/api/runs?page=2')).toMatchObject({
      status: 400,
      body: { error: { field: 'page' } },
    });
    expect(await server.call('GET', '/api/runs/%E0%A4%A')).toMatchObject({ status: 400 });
  });
  test('a request under another host name is refused', async () => {
    const status = await new Promise((resolve, reject) => {
      http
        .get(`${server.url}/api/athletes`, { headers: { host: 'evil.example' } }, (answer) =>
          resolve(answer.resume().statusCode),
        )
        .on('error', reject);
    });
    expect(status).toBe(403);
  });
  test('health reports a failing database, and an error leaks nothing', async () => {
    server.db.$client.exec('DROP TABLE marks');
    const answer = await server.call('GET', '/api/athletes');
    expect(answer).toEqual({
      status: 500,
      body: { error: { code: 'internal', message: expect.stringMatching(/what was stored/i) } },
    });
    server.db.$client.exec('DROP TABLE athletes');
    expect(await server.call('GET', '/api/health')).toMatchObject({ status: 503, body: { database: 'failing' } });
  });
});

test('the log has a line for each request, with no name of anyone in it', async () => {
  await putAthlete(server, ulid());
  const [line = ''] = server.logLines.slice(-1);
  expect(JSON.parse(line)).toMatchObject({
    req: { method: 'POST', path: '/api/squad/changes' },
    res: { status: 204 },
    responseTime: expect.any(Number),
  });
  expect(server.logLines.join()).not.toContain('Ada');
});
