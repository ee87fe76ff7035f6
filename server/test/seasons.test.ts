import fs from 'node:fs';
import { ulid } from 'ulid';
import type { SessionInput } from '@core/api/schemas';
import { changeSeason } from '@core/season/changes';
import { layOutSeason } from '@core/season/layout/layOut';
import type { SeasonPlan, StoredSeason } from '@core/season/season';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from '@core/season/templates/templates';
import { daysAfter } from '@core/units/dayNumber';
import { openDatabase } from '../db/open';
import { listSeasons } from '../db/seasons';
import { readSquad } from '../db/squad';
import { putAthlete } from './athletes';
import { dataBefore } from './dataBefore';
import { planFor } from './madeUpPlan';
import { serverForEach } from './testServer';

const MONDAY = '2027-01-04';
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const RACE = { id: 'harbour', date: daysAfter(MONDAY, 83), name: 'Harbour meeting', weight: 'A' as const };
const PLAN = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE] });

const server = serverForEach();
let id: string;
beforeEach(() => {
  id = ulid();
});

const put = (season: SeasonPlan, version: number, seasonId = id) =>
  server.call('PUT', `/api/seasons/${seasonId}`, { season, version });
const list = async () => (await server.call('GET', '/api/seasons')).body as StoredSeason[];
const sessions = async () =>
  (await server.call('GET', '/api/sessions/days?from=1900-01-01')).body as ({ id: string } & SessionInput)[];
const write = (date: string, sessionId = ulid()) =>
  server.call('POST', `/api/seasons/${id}/days`, { date, sessionId, startTime: '17:30' });
const hardDay = (season: SeasonPlan, n = 0) => {
  const day = layOutSeason(season)
    .flatMap(({ days }) => days)
    .filter(({ kind }) => kind === 'hard')[n];
  if (!day) throw new Error('No hard day.');
  return day;
};

test('a season is kept as it was sent, changed, removed and taken back', async () => {
  expect(await put(PLAN, 0)).toEqual({ status: 200, body: { id, version: 1, season: PLAN } });
  const changed = changeSeason(PLAN, { kind: 'pin', date: hardDay(PLAN).date });
  expect(await put(changed, 1)).toMatchObject({ status: 200, body: { version: 2 } });
  expect(await list()).toEqual([{ id, version: 2, season: changed }]);
  expect((await server.call('DELETE', `/api/seasons/${id}`)).status).toBe(204);
  expect(await list()).toEqual([]);
  expect((await server.call('DELETE', `/api/seasons/${id}`)).status).toBe(404);
  expect((await server.call('POST', `/api/seasons/${id}/restore`)).status).toBe(204);
  expect(await list()).toHaveLength(1);
});

test('when two change it at once the second is told, and nothing of the first is lost', async () => {
  await put(PLAN, 0);
  const [a, b] = await Promise.all([put({ ...PLAN, name: 'First' }, 1), put({ ...PLAN, name: 'Second' }, 1)]);
  expect([a.status, b.status].sort()).toEqual([200, 409]);
  const refused = a.status === 409 ? a : b;
  expect(refused.body).toMatchObject({ error: { code: 'stale', field: 'version' } });
  expect(await list()).toMatchObject([{ version: 2 }]);
});

describe('the session of a hard day', () => {
  test('is written once, as it was laid out, and the day is settled', async () => {
    await put(PLAN, 0);
    const { date } = hardDay(PLAN);
    const written = await write(date);
    expect(written).toMatchObject({ status: 200, body: { version: 2 } });
    const { sessionId, season } = written.body as StoredSeason & { sessionId: string };
    expect(await sessions()).toMatchObject([
      { id: sessionId, date, title: 'Back: 250s', startTime: '17:30', intent: 'transition' },
    ]);
    expect(season.fixed).toMatchObject([{ date, because: 'written', sessionId, threadId: 'back1', step: 0 }]);
    // Asked for again, by another phone too, it is the same one.
    expect(await write(date)).toMatchObject({ body: { sessionId, version: 2 } });
    expect(await sessions()).toHaveLength(1);
  });

  test('feels as its thread is to feel, until its intent is another', async () => {
    await put(PLAN, 0);
    const { date } = layOutSeason(PLAN)
      .flatMap(({ days }) => days)
      .find(({ thread }) => thread?.id === 'falling') as { date: string };
    await write(date);
    const arc = { first: 6, middle: 7, last: 7.5 };
    const [session] = await sessions();
    expect(session).toMatchObject({ intent: 'fartlek', arc });
    const { id: sessionId, arc: _arc, ...input } = session as { id: string } & SessionInput;
    const shorter = { ...input, shorthand: 'main: 3x60s @mile / 80s jog' };
    // An editor that knows nothing of it does not lose it.
    await server.call('PUT', `/api/sessions/${sessionId}`, shorter);
    expect(await sessions()).toMatchObject([{ shorthand: shorter.shorthand, arc }]);
    await server.call('PUT', `/api/sessions/${sessionId}`, { ...shorter, intent: 'speed' });
    expect((await sessions())[0]).not.toHaveProperty('arc');
  });

  test('has fewer reps for a slower group, by the median of its marks', async () => {
    for (const [name, timeS] of [
      ['Ada', 1800],
      ['Bo', 1620],
      ['Cy', 1140],
    ] as const)
      await putAthlete(server, ulid(), { name, marks: [{ distanceM: 5000, timeS, date: MONDAY, kind: 'race' }] });
    const stored = (await put(PLAN, 0)).body as StoredSeason;
    expect(stored.season.median5kS).toBe(1620);
    const { date } = layOutSeason(stored.season)
      .flatMap(({ days }) => days)
      .find(({ special }) => special === 'indicator') as { date: string };
    await write(date);
    expect((await sessions())[0]?.shorthand).toContain('main: 4x900 @goal 5k / 1:40 jog');
  });

  test('moves with its day, and its day with it', async () => {
    await put(PLAN, 0);
    const { date } = hardDay(PLAN);
    const { body } = await write(date);
    const { sessionId, season } = body as StoredSeason & { sessionId: string };
    const later = daysAfter(date, 1);
    await put(changeSeason(season, { kind: 'swap', from: date, to: later }), 2);
    expect(await sessions()).toMatchObject([{ id: sessionId, date: later }]);
    const [session] = await sessions();
    const { id: _id, ...input } = session as { id: string } & SessionInput;
    await server.call('PUT', `/api/sessions/${sessionId}`, { ...input, date });
    const [stored] = await list();
    expect(stored?.version).toBe(4);
    expect(stored?.season.fixed.find((day) => day.sessionId === sessionId)?.date).toBe(date);
  });

  test('that was run stays on the day on which it was run, wherever its season goes', async () => {
    await put(PLAN, 0);
    const { date } = hardDay(PLAN);
    const { sessionId, season } = (await write(date)).body as StoredSeason & { sessionId: string };
    const plan = { ...planFor(ulid()), sessionId, date };
    expect((await server.call('PUT', `/api/runs/${plan.id}/plan`, plan)).status).toBe(204);
    const later = daysAfter(date, 1);
    await put(changeSeason(season, { kind: 'swap', from: date, to: later }), 2);
    expect(await sessions()).toMatchObject([{ id: sessionId, date }]);
  });

  test('takes the day of another season that has it along', async () => {
    await put(PLAN, 0);
    const { date } = hardDay(PLAN);
    const { season } = (await write(date)).body as StoredSeason;
    const other = ulid();
    await put({ ...season, name: 'The other group' }, 0, other);
    const later = daysAfter(date, 1);
    expect((await put(changeSeason(season, { kind: 'swap', from: date, to: later }), 2)).body).toMatchObject({
      version: 3,
    });
    const stored = (await list()).find((season) => season.id === other);
    expect(stored).toMatchObject({ version: 2, season: { fixed: [{ date: later, because: 'written' }] } });
  });

  test('that was removed is written anew', async () => {
    await put(PLAN, 0);
    const { date } = hardDay(PLAN);
    const first = (await write(date)).body as { sessionId: string };
    await server.call('DELETE', `/api/sessions/${first.sessionId}`);
    const second = (await write(date)).body as { sessionId: string };
    expect(second.sessionId).not.toBe(first.sessionId);
    expect(await sessions()).toMatchObject([{ id: second.sessionId }]);
  });

  test('is refused where there is none, or its thread is gone; nothing is written', async () => {
    await put(PLAN, 0);
    expect(await write(MONDAY)).toMatchObject({ status: 400, body: { error: { field: 'date' } } });
    const gone = { ...PLAN, threads: PLAN.threads.map((thread) => ({ ...thread, libraryId: ulid() })) };
    await put(gone, 1);
    expect(await write(hardDay(gone).date)).toMatchObject({
      status: 400,
      body: { error: { message: expect.stringContaining('no longer in the library') as string } },
    });
    expect(await sessions()).toEqual([]);
    expect((await server.call('POST', `/api/seasons/${ulid()}/days`, { date: MONDAY, sessionId: ulid() })).status).toBe(
      404,
    );
  });
});

test('a calendar file is downloaded, with its version and no names', async () => {
  await put({ ...PLAN, name: 'Spring, “5k”' }, 0);
  const answer = await fetch(`${server.url}/api/seasons/${id}/calendar.ics?time=17:30`);
  expect(answer.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
  expect(answer.headers.get('content-disposition')).toBe('attachment; filename=Spring-5k.ics');
  const text = await answer.text();
  expect(text).toContain('SEQUENCE:1');
  expect(text).toContain('SUMMARY:Harbour meeting');
  expect((await fetch(`${server.url}/api/seasons/${ulid()}/calendar.ics`)).status).toBe(404);
  expect((await fetch(`${server.url}/api/seasons/${id}/calendar.ics?days=some`)).status).toBe(400);
});

test('erasing an athlete takes them out of every season, also a removed one; until then their file says so', async () => {
  const athleteId = ulid();
  await server.call('POST', '/api/squad/changes', {
    athletes: [{ id: athleteId, name: 'Ada Brindlecote', marks: [] }],
  });
  const named: SeasonPlan = {
    ...PLAN,
    races: [{ ...RACE, entries: [{ athleteId, distanceM: 5000, goalS: 1000 }] }],
    exceptions: [{ id: 'e1', athleteId, kind: 'ill', from: MONDAY, to: daysAfter(MONDAY, 3) }],
    done: [{ date: MONDAY, amount: { unit: 'min', amount: 40 }, notIds: [athleteId] }],
  };
  const removed = ulid();
  await put(named, 0);
  await put(named, 0, removed);
  await server.call('DELETE', `/api/seasons/${removed}`);
  const file = (await server.call('GET', `/api/athletes/${athleteId}/file`)).body;
  expect(file).toMatchObject({
    seasons: [
      {
        name: PLAN.name,
        exceptions: [{ kind: 'ill', from: MONDAY, to: daysAfter(MONDAY, 3) }],
        races: [{ name: 'Harbour meeting', distanceM: 5000, goalS: 1000 }],
        notRun: [MONDAY],
      },
      { name: PLAN.name },
    ],
  });
  await server.call('POST', `/api/athletes/${athleteId}/erase`);
  await server.call('POST', `/api/seasons/${removed}/restore`);
  expect(JSON.stringify(await list())).not.toContain(athleteId);
});

test('the hot months of seasons of the version before become the club’s', () => {
  const { folder, client } = dataBefore('0016');
  const insert = client.prepare(
    "INSERT INTO seasons (id, version, plan, actor, created_at_ms, updated_at_ms) VALUES (?, 1, ?, 'coach', 1, ?)",
  );
  insert.run('a', JSON.stringify({ ...PLAN, heatMonths: [6] }), 1);
  insert.run('b', JSON.stringify({ ...PLAN, heatMonths: [7, 8] }), 2);
  insert.run('c', JSON.stringify(PLAN), 3);
  client.close();
  const db = openDatabase(folder);
  expect(readSquad(db)).toMatchObject({ paceBookId: 'curve', club: { heatMonths: [7, 8] } });
  expect(listSeasons(db).map(({ season }) => season)).toEqual([PLAN, PLAN, PLAN]);
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
});

test('hot months are the club’s now: an older app that still sends them is understood, and they are left out', async () => {
  const answer = await put({ ...PLAN, heatMonths: [7] } as SeasonPlan, 0);
  expect(answer).toEqual({ status: 200, body: { id, version: 1, season: PLAN } });
});

describe('what is not a season is refused, and nothing is stored', () => {
  const long = 'x'.repeat(500);
  test.each<[string, object]>([
    ['another century', { firstDay: '1026-09-07' }],
    ['a day that is none', { firstDay: '2027-02-30' }],
    ['a week of six days', { rhythm: PLAN.rhythm.slice(1) }],
    ['no phases', { phases: [] }],
    ['a race as rhythm', { rhythm: PLAN.rhythm.map(() => 'race') }],
    ['a race without a weight', { races: [{ id: 'x', date: MONDAY, name: 'X' }] }],
    ['two races of one id', { races: [RACE, RACE] }],
    ['days off the wrong way round', { daysOff: [{ id: 'o', from: MONDAY, to: '2027-01-01', reason: 'x' }] }],
    ['a day fixed twice', { fixed: [1, 2].map(() => ({ date: MONDAY, kind: 'easy', because: 'pinned' })) }],
    ['a name too long', { name: long }],
    ['something unknown', { colour: 'green' }],
    ['a day ticked twice', { done: [1, 2].map(() => ({ date: MONDAY, amount: { unit: 'km', amount: 8 } })) }],
    ['a run of minus kilometres', { done: [{ date: MONDAY, amount: { unit: 'km', amount: -8 } }] }],
    ['a phase of minus weeks', { phases: [{ phase: 'base', weeks: -1, least: 0, most: 1 }] }],
  ])('%s', async (_, wrong) => {
    const answer = await server.call('PUT', `/api/seasons/${id}`, { season: { ...PLAN, ...wrong }, version: 0 });
    expect(answer.status).toBe(400);
    expect(answer.body).toMatchObject({
      error: { code: 'invalid', message: expect.stringMatching(/[.?]$/) as string },
    });
    expect(await list()).toEqual([]);
  });
});

test('thirty seasons of two years are listed', async () => {
  const wide = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [{ ...RACE, date: daysAfter(MONDAY, 700) }] });
  for (let i = 0; i < 30; i++) expect((await put({ ...wide, name: `Season ${i}` }, 0, ulid())).status).toBe(200);
  expect(await list()).toHaveLength(30);
});
