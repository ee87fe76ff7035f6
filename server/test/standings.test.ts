/** The day after, what was decided, and where everyone stands, over HTTP. */
import { ulid } from 'ulid';
import type { History, Standing } from '@core/review/history';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { putAthlete } from './athletes';
import { serverForEach } from './testServer';

const server = serverForEach();
const [ada, bo, first, second, progression] = [ulid(), ulid(), ulid(), ulid(), ulid()];

const post = (plan: Plan, happened: Happening[], fromMs = 0) => {
  const events: RunEvent[] = happened.map((happening, i) => ({
    ...happening,
    id: ulid(),
    runId: plan.id,
    deviceId: ulid(),
    atMs: fromMs + i * 1000,
  }));
  return server.call('POST', `/api/runs/${plan.id}/events`, { events }).then((answer) => ({ answer, events }));
};

/** One 400 for Ada and Bo on a day, of a session in the library; Bo runs a version where one is given. */
async function run(date: string, libraryId: string, ofBo?: string): Promise<Plan> {
  const sessionId = ulid();
  await server.call('PUT', `/api/sessions/${sessionId}`, { title: 'Reps', date, shorthand: '400', libraryId });
  const group = (id: string, athleteId: string, version?: string) => ({
    id,
    name: id,
    ...(version === undefined ? {} : { libraryId: version }),
    reps: [{ role: 'main' as const, distanceM: 400, callM: [400] }],
    athletes: [{ athleteId, name: id, tileName: id, targets: [{}] }],
  });
  const plan: Plan = {
    id: ulid(),
    sessionId,
    title: 'Reps',
    date,
    shorthand: '400',
    groups: [group(ulid(), ada), group(ulid(), bo, ofBo)],
  };
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  await post(plan, [
    { type: 'started', repIndex: 0, athleteIds: [ada, bo] },
    { type: 'passed', athleteId: ada, repIndex: 0, atM: 400 },
    { type: 'passed', athleteId: bo, repIndex: 0, atM: 400 },
    { type: 'ended' },
  ]);
  return plan;
}

const standings = async () =>
  new Map(
    ((await server.call('GET', `/api/review/progressions/${progression}`)).body as Standing[]).map((standing) => [
      standing.athleteId,
      standing,
    ]),
  );

beforeEach(async () => {
  for (const [id, name] of [
    [ada, 'Ada'],
    [bo, 'Bo'],
  ] as const)
    await putAthlete(server, id, { name, marks: [] });
  await server.call('POST', '/api/library/changes', {
    sessions: [first, second].map((id) => ({ id, title: id, shorthand: '400', tags: [] })),
    progressions: [
      {
        id: progression,
        name: 'Reps',
        lever: 'more',
        stepIds: [first, second],
        chain: [{ lever: 'more', by: 1, to: 9 }, { lever: 'less-rest' }],
        everyDays: 14,
        round: 2,
      },
    ],
  });
});

test('the latest step of each, a version counted as what it is, and what was decided after it', async () => {
  expect(await standings()).toEqual(new Map());
  await run('2026-10-01', first);
  const plan = await run('2026-10-15', second, first);
  const { events } = await post(
    plan,
    [
      { type: 'nextDay', athleteIds: [ada, bo], legs: 'heavy' },
      { type: 'nextStep', athleteIds: [ada], step: 'on', sessionId: ulid() },
    ],
    90_000_000,
  );
  const now = await standings();
  expect(now.get(ada)).toEqual({ athleteId: ada, runId: plan.id, date: '2026-10-15', stepId: second, nextStep: 'on' });
  expect(now.get(bo)).toMatchObject({ runId: plan.id, stepId: first });
  expect(now.get(bo)).not.toHaveProperty('nextStep');
  const { body } = await server.call('GET', '/api/review/athletes/' + bo + '?from=2026-10-01&to=2026-10-31');
  expect((body as History).athletes.find(({ runId }) => runId === plan.id)).toMatchObject({ nextDay: 'heavy' });
  // Taken back, it was never decided.
  await post(plan, [{ type: 'undone', eventId: events[1]?.id ?? '' }], 91_000_000);
  expect((await standings()).get(ada)).not.toHaveProperty('nextStep');
});

test('sessions set aside and athletes who have left are not counted', async () => {
  const plan = await run('2026-10-01', first);
  await server.call('DELETE', `/api/runs/${plan.id}`);
  expect((await standings()).size).toBe(0);
  await server.call('POST', `/api/runs/${plan.id}/restore`);
  await server.call('POST', `/api/athletes/${bo}/erase`);
  expect([...(await standings()).keys()]).toEqual([ada]);
});

test('the levers of a progression, its spacing and its rounds are kept as they were said', async () => {
  const library = (await server.call('GET', '/api/library')).body as { progressions: object[] };
  expect(library.progressions[0]).toMatchObject({
    chain: [{ lever: 'more', by: 1, to: 9 }, { lever: 'less-rest' }],
    everyDays: 14,
    round: 2,
  });
  const put = (more: object) =>
    server.call('POST', '/api/library/changes', {
      progressions: [{ id: progression, name: 'Reps', lever: 'more', stepIds: [first], ...more }],
    });
  expect((await put({})).status).toBeLessThan(300);
  const after = (await server.call('GET', '/api/library')).body as { progressions: object[] };
  expect(after.progressions[0]).toEqual({ id: progression, name: 'Reps', lever: 'more', stepIds: [first] });
  for (const wrong of [{ everyDays: 0 }, { everyDays: 2.5 }, { chain: [{ lever: 'harder' }] }, { round: 99 }])
    expect((await put(wrong)).status).toBe(400);
});

test('what is no day after and no step is refused, and nobody stands on a progression that is not there', async () => {
  const plan = await run('2026-10-01', first);
  for (const wrong of [
    { type: 'nextDay', athleteIds: [ada], legs: 'dead' },
    { type: 'nextDay', athleteIds: [], legs: 'sore' },
    { type: 'nextStep', athleteIds: [ada], step: 'up' },
  ] as unknown as Happening[])
    expect((await post(plan, [wrong])).answer.body).toMatchObject({ accepted: [], refused: [{ code: 'invalid' }] });
  expect((await server.call('GET', `/api/review/progressions/${ulid()}`)).body).toEqual([]);
});
