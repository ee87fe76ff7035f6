import { ulid } from 'ulid';
import type { History, LastTime, SameSessions, SquadHistory } from '@core/review/history';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { putAthlete } from './athletes';
import { serverForEach, startTestServer } from './testServer';

const server = serverForEach();
const [ada, bo, phone] = [ulid(), ulid(), ulid()];

/** Four 400s for two on a day. */
function planOn(date: string, sessionId = ulid(), reps = 4): Plan {
  const athlete = (athleteId: string, name: string) => ({
    athleteId,
    name,
    tileName: name,
    targets: Array.from({ length: reps }, () => ({ targetS: 80, recoveryS: 60 })),
  });
  return {
    id: ulid(),
    sessionId,
    title: 'Four quick ones',
    date,
    shorthand: `${reps}x400 @5k / 60s`,
    groups: [
      {
        id: 'all',
        name: 'Everyone',
        reps: Array.from({ length: reps }, () => ({
          role: 'main' as const,
          distanceM: 400,
          pace: '5k',
          callM: [400],
          recovery: '60s',
        })),
        athletes: [athlete(ada, 'Ada'), athlete(bo, 'Bo')],
      },
    ],
  };
}

/** Runs a plan: each rep in so many seconds. */
async function run(plan: Plan, timeS: number, more: Happening[] = []) {
  const startMs = Date.parse(`${plan.date}T17:00:00Z`);
  const at = (atMs: number, happening: Happening): RunEvent => ({
    ...happening,
    id: ulid(),
    runId: plan.id,
    deviceId: phone,
    atMs,
  });
  const events = plan.groups[0]?.reps.flatMap((_, repIndex) => {
    const atMs = startMs + repIndex * 150_000;
    return [
      at(atMs, { type: 'started', repIndex, athleteIds: [ada, bo] }),
      ...[ada, bo].map((athleteId) => at(atMs + timeS * 1000, { type: 'passed', athleteId, repIndex, atM: 400 })),
    ];
  });
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  const said = more.map((happening) => at(startMs + 700_000, happening));
  const answer = await server.call('POST', `/api/runs/${plan.id}/events`, {
    events: [...(events ?? []), ...said, at(startMs + 800_000, { type: 'ended' })],
  });
  expect(answer.body).toMatchObject({ refused: [] });
}

const get = async <T>(path: string) => (await server.call('GET', `/api/review/${path}`)).body as T;

test('the same session: one of the same kinds in counts that are near, the latest first; another is none', async () => {
  const [old, now, far] = [planOn('2026-09-01'), planOn('2026-10-01'), planOn('2026-09-15', ulid(), 9)];
  await run(old, 82);
  await run(now, 80, [{ type: 'felt', athleteId: ada, repIndex: 3, effort: 7 }]);
  await run(far, 81);
  const same = await get<SameSessions>(`runs/${now.id}/same`);
  expect(same.runs.map(({ runId, relation }) => [runId, relation])).toEqual([
    [now.id, 'alike'],
    [old.id, 'alike'],
  ]);
  expect(same.reps).toHaveLength(16);
  const ownSessions = await get<SameSessions>(`runs/${now.id}/same?athlete=${ada}`);
  expect(new Set(ownSessions.reps.map(({ athleteId }) => athleteId))).toEqual(new Set([ada]));
  expect(ownSessions.reps.find(({ runId }) => runId === now.id)).toMatchObject({
    timeS: 80,
    percent: 0,
    verdict: 'on',
  });
  expect((await server.call('GET', `/api/review/runs/${ulid()}/same`)).status).toBe(404);
});

test('of one session in the library, and along a progression step by step', async () => {
  const ids = [ulid(), ulid()];
  const steps = ids.map((id, i) => ({ id, title: `Step ${i + 1}`, shorthand: `${4 + 3 * i}x400`, tags: [] }));
  await server.call('POST', '/api/library/changes', {
    sessions: steps,
    progressions: [{ id: ulid(), name: 'More each time', lever: 'more', stepIds: ids }],
  });
  const dated = async (libraryId: string, date: string) => {
    const id = ulid();
    await server.call('PUT', `/api/sessions/${id}`, {
      title: 'On a day',
      date,
      shorthand: '4x400 @5k / 60s',
      libraryId,
    });
    return id;
  };
  const first = planOn('2026-09-01', await dated(ids[0] ?? '', '2026-09-01'));
  const second = planOn('2026-09-20', await dated(ids[1] ?? '', '2026-09-20'), 7);
  await run(first, 81);
  await run(second, 80);
  const same = await get<SameSessions>(`runs/${first.id}/same`);
  expect(same.progression).toBe('More each time');
  expect(same.runs.map(({ runId, step }) => [runId, step])).toEqual([
    [second.id, 2],
    [first.id, 1],
  ]);
  const next = await dated(ids[0] ?? '', '2026-10-10');
  expect(await get<LastTime>(`sessions/${next}/last`)).toMatchObject({
    runId: first.id,
    date: '2026-09-01',
    kind: { distanceM: 400, pace: '5k', count: 4 },
    athletes: [{ meanS: 81, restS: expect.closeTo(69, 3) }, { meanS: 81 }],
  });
  expect(await get(`sessions/${ulid()}/last`)).toBeNull();
});

test('some weeks of one athlete and of the squad: only those, without what was removed; notes are on nobody’s list', async () => {
  const [out, gone, kept] = [planOn('2026-06-01'), planOn('2026-10-02'), planOn('2026-10-05')];
  await run(out, 82);
  await run(gone, 82);
  await run(kept, 80, [
    { type: 'noted', athleteId: ada, repIndex: 1, text: 'left shin' },
    { type: 'excluded', athleteId: bo, repIndex: 2, reason: 'fell' },
    { type: 'sessionFelt', athleteId: ada, effort: 6 },
  ]);
  await server.call('DELETE', `/api/runs/${gone.id}`);
  const window = 'from=2026-09-01&to=2026-11-01';
  const history = await get<History & { notes: object[] }>(`athletes/${ada}?${window}`);
  expect(history.runs.map(({ runId }) => runId)).toEqual([kept.id]);
  expect(history.reps).toHaveLength(4);
  expect(history.athletes).toMatchObject([{ athleteId: ada, sessionEffort: 6, minutes: expect.any(Number) }]);
  expect(history.notes).toEqual([{ runId: kept.id, date: '2026-10-05', text: 'left shin' }]);
  const squad = await get<SquadHistory>(`squad?${window}`);
  expect(squad.athletes).toHaveLength(2);
  expect(squad.metres).toEqual(
    expect.arrayContaining([
      { athleteId: ada, date: '2026-10-05', pace: '5k', distanceM: 1600 },
      { athleteId: bo, date: '2026-10-05', pace: '5k', distanceM: 1200 },
    ]),
  );
  expect(JSON.stringify(squad)).not.toContain('left shin');
  await putAthlete(server, ada, { name: 'Ada', marks: [] });
  const rows = await get<object[]>(`reps?${window}&athlete=${ada}`);
  expect(rows).toHaveLength(4);
  expect(rows[0]).toMatchObject({ date: '2026-10-05', athlete: 'Ada', rep: 1, timeS: 80, sessionEffort: 6 });
  expect(rows[1]).toMatchObject({ rep: 2, notes: 'left shin' });
});

test.each([
  ['squad?from=2020-01-01&to=2026-01-01', /400 days/],
  ['squad?from=2026-01-01', /to/],
  [`athletes/${ulid()}?from=yesterday&to=2026-01-01`, /year-month-day/],
  ['athletes/x?from=2026-01-01&to=2026-01-01', /id/],
])('what cannot be asked is refused with a reason: %s', async (path, message) => {
  const answer = await server.call('GET', `/api/review/${path}`);
  expect(answer.status).toBeGreaterThanOrEqual(400);
  expect(answer.status).toBeLessThan(500);
  expect(JSON.stringify(answer.body)).toMatch(message);
});

test('a phone that only times one session sees none of it', async () => {
  await server.startAgain((folder) =>
    startTestServer(folder, undefined, undefined, { passphrase: 'rain on the back straight' }),
  );
  for (const path of ['squad?from=2026-01-01&to=2026-02-01', `athletes/${ada}?from=2026-01-01&to=2026-02-01`])
    expect((await server.call('GET', `/api/review/${path}`)).status).toBe(401);
});
