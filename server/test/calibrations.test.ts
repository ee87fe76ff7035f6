/** How athletes tell effort, over HTTP: from sessions before a day, and no others. */
import { ulid } from 'ulid';
import type { CareKnown } from '@core/judgement/care';
import type { Calibration } from '@core/outlook/calibration';
import type { LevelRead } from '@core/review/changeShown';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { daysAfter } from '@core/units/dayNumber';
import { putAthlete } from './athletes';
import { serverForEach } from './testServer';

const server = serverForEach();
const ada = ulid();
const MARKS = [{ distanceM: 5000, timeS: 1200, date: '2026-09-01', kind: 'race' }];

const planOn = (date: string): Plan => ({
  id: ulid(),
  sessionId: ulid(),
  title: 'Kilometres',
  date,
  shorthand: '5x1000 @threshold / 60s jog',
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: Array.from({ length: 5 }, () => ({
        role: 'main' as const,
        distanceM: 1000,
        callM: [1000],
        recovery: '60s jog',
      })),
      athletes: [
        { athleteId: ada, name: 'Ada', tileName: 'Ada', targets: Array.from({ length: 5 }, () => ({ targetS: 250 })) },
      ],
    },
  ],
});

/** Runs it: a thousand in 4:10 every 5:10, with an effort told of each. */
async function run(plan: Plan, efforts: (number | undefined)[]): Promise<void> {
  const at = (atMs: number, happening: Happening): RunEvent => ({
    ...happening,
    id: ulid(),
    runId: plan.id,
    deviceId: ulid(),
    atMs,
  });
  const events = efforts.flatMap((effort, repIndex) => [
    at(repIndex * 310_000, { type: 'started', repIndex, athleteIds: [ada] }),
    at(repIndex * 310_000 + 250_000, { type: 'passed', athleteId: ada, repIndex, atM: 1000 }),
    ...(effort === undefined
      ? []
      : [at(repIndex * 310_000 + 255_000, { type: 'felt', athleteId: ada, repIndex, effort })]),
  ]);
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  await server.call('POST', `/api/runs/${plan.id}/events`, { events });
}

async function calibrationOf(before: string): Promise<Calibration | undefined> {
  const { body } = await server.call('GET', `/api/review/calibrations?before=${before}`);
  return (body as Record<string, Calibration>)[ada];
}

beforeEach(async () => {
  await putAthlete(server, ada, { name: 'Ada', marks: MARKS });
});

test('tells lower than most, and the surer the more was told; only of sessions before the day, and of the last months', async () => {
  expect(await calibrationOf('2026-12-01')).toBeUndefined();
  await run(planOn('2026-10-01'), [2, 2, 2, 2, 2]);
  const once = await calibrationOf('2026-12-01');
  expect(once?.n).toBe(5);
  expect((once?.a ?? 0) + 6 * ((once?.g ?? 0) - 1)).toBeLessThan(-0.2);
  await run(planOn('2026-10-08'), [2, undefined, 2, undefined, 2]);
  const twice = await calibrationOf('2026-12-01');
  expect(twice?.n).toBe(8);
  expect(twice?.aError).toBeLessThan(once?.aError ?? 0);
  expect((await calibrationOf('2026-11-19'))?.n).toBe(5);
  // Efforts of the last six weeks show tiredness, not a way of reporting.
  expect(await calibrationOf('2026-11-12')).toBeUndefined();
  expect(await calibrationOf('2027-04-20')).toBeUndefined();
});

test('a new mark, a session that is set aside and an athlete who is erased count at once', async () => {
  const plan = planOn('2026-10-01');
  await run(plan, [5, 5, 6, 6, 6]);
  const before = await calibrationOf('2026-12-01');
  const faster = [...MARKS, { distanceM: 5000, timeS: 1100, date: '2026-09-30', kind: 'race' }];
  await putAthlete(server, ada, { name: 'Ada', marks: faster });
  expect((await calibrationOf('2026-12-01'))?.a).toBeGreaterThan(before?.a ?? 9);
  await server.call('DELETE', `/api/runs/${plan.id}`);
  expect(await calibrationOf('2026-12-01')).toBeUndefined();
  await server.call('POST', `/api/runs/${plan.id}/restore`);
  expect(await calibrationOf('2026-12-01')).toBeDefined();
  await server.call('POST', `/api/athletes/${ada}/erase`);
  expect(await calibrationOf('2026-12-01')).toBeUndefined();
});

test('a mark kept from the session itself is no evidence about it', async () => {
  const plan = planOn('2026-10-01');
  await run(plan, [5, 5, 6, 6, 6]);
  const before = await calibrationOf('2026-12-01');
  const kept = { distanceM: 5000, timeS: 1260, date: '2026-10-01', kind: 'session', runId: plan.id };
  await putAthlete(server, ada, { name: 'Ada', marks: [...MARKS, kept] });
  expect(await calibrationOf('2026-12-01')).toEqual(before);
});

const levelsOf = async (before: string) =>
  ((await server.call('GET', `/api/review/levels?before=${before}`)).body as Record<string, LevelRead[]>)[ada] ?? [];

test('the levels that the last sessions before a day showed: three at most, of eight weeks, since the newest race', async () => {
  expect(await levelsOf('2026-12-01')).toEqual([]);
  const days = ['2026-09-10', '2026-10-20', '2026-10-27', '2026-11-03', '2026-11-10'];
  for (const date of days) await run(planOn(date), [2, 2, 2, 2, 2]);
  const levels = await levelsOf('2026-11-17');
  expect(levels.map(({ date }) => date)).toEqual(days.slice(2));
  for (const { shift, error } of levels) {
    expect(shift).toBeGreaterThan(0);
    expect(error).toBeGreaterThan(0.005);
  }
  expect((await levelsOf('2026-11-10')).map(({ date }) => date)).toEqual(days.slice(1, 4));
  // By then the first three are more than eight weeks old.
  expect((await levelsOf('2027-01-02')).map(({ date }) => date)).toEqual(days.slice(4));
  const raced = { distanceM: 3000, timeS: 690, date: '2026-10-30', kind: 'race' };
  await putAthlete(server, ada, { name: 'Ada', marks: [...MARKS, raced] });
  expect((await levelsOf('2026-11-17')).map(({ date }) => date)).toEqual(days.slice(3));
  await server.call('POST', `/api/athletes/${ada}/erase`);
  expect(await levelsOf('2026-11-17')).toEqual([]);
  expect((await server.call('GET', '/api/review/levels?before=soon')).status).toBe(400);
});

test('each kind of session is learned for itself; flat-out work and sprints teach nothing', async () => {
  await run({ ...planOn('2026-10-01'), intent: 'threshold' }, [2, 2, 2, 2, 2]);
  await run({ ...planOn('2026-10-08'), intent: 'aerobic-power' }, [8, 8, 8, 8, 8]);
  const both = await calibrationOf('2026-12-01');
  expect(both?.kinds?.threshold?.b).toBeLessThan(-0.1);
  expect(both?.kinds?.['aerobic-power']?.b).toBeGreaterThan(0.1);
  await run({ ...planOn('2026-10-10'), intent: 'speed' }, [9, 9, 9, 9, 9]);
  await run({ ...planOn('2026-10-12'), intent: 'test' }, [10, 10, 10, 10, 10]);
  expect((await calibrationOf('2026-12-01'))?.n).toBe(both?.n);
});

test('asks for a day', async () => {
  for (const query of ['', '?before=yesterday', '?before=2026-10-20&athlete=x'])
    expect((await server.call('GET', `/api/review/calibrations${query}`)).status).toBe(400);
});

test('what is known of care: stops, flags, legs, whose effort creeps up, and how even somebody is', async () => {
  const careOf = async (on: string) =>
    ((await server.call('GET', `/api/review/care?on=${on}`)).body as Record<string, CareKnown>)[ada];
  expect(await careOf('2026-10-20')).toBeUndefined();
  const plan = planOn('2026-10-01');
  await run(plan, [5, 5, 6, 6, 6]);
  const said = (happening: object) => ({
    id: ulid(),
    runId: plan.id,
    deviceId: ulid(),
    atMs: Date.now(),
    ...happening,
  });
  await server.call('POST', `/api/runs/${plan.id}/events`, {
    events: [
      said({ type: 'flagged', athleteId: ada, repIndex: 1, flag: 'niggle' }),
      said({ type: 'decided', athleteIds: [ada], decision: { kind: 'stop' } }),
      said({ type: 'stopReason', athleteId: ada, reason: 'stitch' }),
      said({ type: 'nextDay', athleteIds: [ada], legs: 'sore' }),
    ],
  });
  const known = await careOf('2026-10-20');
  expect(known?.records).toMatchObject([
    {
      athleteId: ada,
      runId: plan.id,
      date: '2026-10-01',
      flags: [{ flag: 'niggle', rep: 2 }],
      isStopped: true,
      stopReason: 'stitch',
      stopRep: 5,
      legs: 'sore',
      lastEffort: 6,
    },
  ]);
  // Its own evenness is not what it is judged by.
  expect((await careOf('2026-10-01'))?.usual).toBeUndefined();
  expect(known?.usual).toMatchObject({ percent: expect.any(Number), reps: 5 });
  expect(known).not.toHaveProperty('creep');
  for (let week = 1; week <= 10; week++) {
    const effort = week <= 4 ? 5 : Math.min(10, 5 + (week - 4) * 0.8);
    await run(
      planOn(daysAfter('2026-10-01', 7 * week)),
      Array.from({ length: 5 }, () => Math.round(effort)),
    );
  }
  expect((await careOf('2026-12-10'))?.creep?.by).toBeGreaterThanOrEqual(1);
  expect(await careOf('2027-04-01')).toBeUndefined();
  expect((await server.call('GET', '/api/review/care?on=yesterday')).status).toBe(400);
});
