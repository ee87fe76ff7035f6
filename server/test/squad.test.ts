import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import type { AthleteFile } from '@core/api/athleteFile';
import { curveBook } from '@core/paces/shippedPaceBooks';
import type { SquadMember } from '@core/squad/athlete';
import { USUAL_SCHOOLS } from '@core/squad/schools';
import type { SquadSettings } from '@core/squad/squadSettings';
import { inverseOf, type SquadChange } from '@core/squad/change';
import type { RunEvent } from '@core/run/events';
import { athletesOf, type Plan } from '@core/run/plan';
import { runOf } from '@core/run/runOf';
import { databaseFile } from '../db/dataFolder';
import { openDatabase } from '../db/open';
import { putAthlete } from './athletes';
import { serverForEach, tempFolder } from './testServer';

const server = serverForEach();

const race = { distanceM: 5000, timeS: 1110, date: '2026-10-01', kind: 'race' as const };
const goal = { distanceM: 800, timeS: 140, date: '2027-05-01' };
const someone = (name: string, more: Partial<SquadMember> = {}) => ({
  id: ulid(),
  name,
  marks: [{ ...race, id: ulid() }],
  ...more,
});
const change = (body: object) => server.call('POST', '/api/squad/changes', body);
const squad = async () => (await server.call('GET', '/api/squad')).body as SquadSettings;
const athletes = async () => (await server.call('GET', '/api/athletes')).body as SquadMember[];
const [a, b] = [
  { id: ulid(), name: 'Milers' },
  { id: ulid(), name: 'Long' },
];

test('a new squad goes by the default pace book and has no groups', async () =>
  expect(await squad()).toEqual({ paceBookId: 'curve', groups: [] }));

describe('an athlete', () => {
  const ada = { ...someone('Ada'), tileName: 'Ada', status: 'training' };
  const changed = {
    ...ada,
    name: 'Ada B',
    tileName: 'Ada B',
    status: 'easing',
    marks: [
      ...ada.marks,
      { id: ulid(), distanceM: 800, timeS: 150, date: '2026-10-05', kind: 'trial', note: 'wind', leftOut: true },
    ],
    bornYear: 2009,
    leaning: '800-1500',
    runningSince: '2026-08-01',
    notes: 'Left shin.',
    goal: { distanceM: 800, timeS: 140, date: '2027-05-01', race: 'Final' },
    nudge: { distanceM: 5000, timeS: 1100, date: '2026-10-20' },
    paceBookId: 'offset',
    archived: true,
  };
  test('is written, also twice, listed, changed, removed and taken back', async () => {
    for (let i = 0; i < 2; i++) expect((await change({ athletes: [ada] })).status).toBe(204);
    expect(await athletes()).toEqual([ada]);
    expect((await change({ athletes: [changed] })).status).toBe(204);
    expect(await athletes()).toEqual([changed]);
    await change({ removedIds: [ada.id] });
    expect(await athletes()).toEqual([]);
    await change({ athletes: [changed] });
    expect(await athletes()).toEqual([changed]);
  });
  test.each([
    ['with something nobody knows', { shoeSize: 41 }, 'athletes[0].shoeSize', /not allowed/],
    ['with an id that this app did not make', { id: '1' }, 'athletes[0].id', /./],
  ])('%s is refused with the field, and nothing is kept', async (_what, more, field, message) => {
    expect(await change({ athletes: [{ ...ada, ...more }] })).toEqual({
      status: 400,
      body: { error: { code: 'invalid', field, message: expect.stringMatching(message) } },
    });
    expect(await athletes()).toEqual([]);
  });
});

describe('a change of several things', () => {
  test('is stored whole: groups in their order, athletes in them, the book', async () => {
    const [ada, bo] = [someone('Ada', { groupId: b.id }), someone('Bo')];
    expect((await change({ paceBookId: 'offset', groups: [b, a], athletes: [ada, bo] })).status).toBe(204);
    expect(await squad()).toEqual({ paceBookId: 'offset', groups: [b, a] });
    expect(await athletes()).toEqual([
      { ...ada, tileName: 'Ada', status: 'training' },
      { ...bo, tileName: 'Bo', status: 'training' },
    ]);
  });
  test('or not at all', async () => {
    await change({ athletes: [someone('Ada')] });
    const answer = await change({
      groups: [a],
      paceBookId: 'effort',
      athletes: [someone('Cleo'), someone('Dov', { tileName: ' ADA' })],
    });
    expect(answer).toMatchObject({
      status: 409,
      body: {
        error: {
          code: 'taken',
          field: 'athletes[1].tileName',
          message: expect.stringMatching(/“ADA” is the tile name of Ada.*“Dov” is free/),
        },
      },
    });
    expect(await squad()).toEqual({ paceBookId: 'curve', groups: [] });
    expect(await athletes()).toHaveLength(1);
  });
  test('a group that is taken away leaves its athletes in none; one that is not there is refused', async () => {
    const ada = someone('Ada', { groupId: a.id });
    await change({ groups: [a, b], athletes: [ada] });
    await change({ groups: [b] });
    expect((await athletes())[0]).not.toHaveProperty('groupId');
    expect(await change({ athletes: [ada] })).toMatchObject({ status: 400, body: { error: { field: 'groupId' } } });
  });
  test('a chip is worn by one: a second wearer is refused by name, two can swap, one who was away meanwhile comes back without', async () => {
    const [ada, bo] = [someone('Ada', { chip: 'A-1' }), someone('Bo', { chip: 'A-2' })];
    await change({ athletes: [ada, bo] });
    const answer = await change({ athletes: [{ ...bo, chip: 'A-1' }] });
    expect(answer).toMatchObject({
      status: 409,
      body: { error: { code: 'taken', field: 'chip', message: expect.stringContaining('Ada wears chip “A-1”') } },
    });
    expect(await change({ athletes: [someone('Cleo', { chip: 'C' }), someone('Dov', { chip: 'C' })] })).toMatchObject({
      body: { error: { field: 'athletes[1].chip' } },
    });
    await change({
      athletes: [
        { ...ada, chip: 'A-2' },
        { ...bo, chip: 'A-1' },
      ],
    });
    const chips = async () => (await athletes()).map((athlete) => (athlete as { chip?: string }).chip);
    expect(await chips()).toEqual(['A-2', 'A-1']);
    await change({ removedIds: [ada.id] });
    await change({ athletes: [{ ...bo, chip: 'A-2' }] });
    await change({ athletes: [{ ...ada, chip: 'A-2' }] });
    expect(await chips()).toEqual([undefined, 'A-2']);
  });
  test('two athletes can swap tile names; one sent without keeps theirs, a new one is given one', async () => {
    const [ada, bo] = [someone('Ada Brind', { tileName: 'One' }), someone('Bo Tarrow', { tileName: 'Two' })];
    await change({ athletes: [ada, bo] });
    expect(
      (
        await change({
          athletes: [
            { ...ada, tileName: 'Two' },
            { ...bo, tileName: 'One' },
          ],
        })
      ).status,
    ).toBe(204);
    const { tileName: _tileName, ...unnamed } = ada;
    await change({ athletes: [unnamed, someone('Two'), someone('Two')] });
    expect((await athletes()).map(({ tileName }) => tileName).sort()).toEqual(['One', 'Two', 'Two 2', 'Two 3']);
  });
  test('removing hides, and putting the same again brings back', async () => {
    const ada = someone('Ada');
    await change({ athletes: [ada] });
    await change({ removedIds: [ada.id] });
    expect(await athletes()).toEqual([]);
    await change({ athletes: [ada] });
    expect(await athletes()).toHaveLength(1);
  });
  test('someone removed whose tile name was given away comes back under another', async () => {
    const ada = someone('Ada Brind', { tileName: 'Ada' });
    await change({ athletes: [ada] });
    await change({ removedIds: [ada.id] });
    await change({ athletes: [someone('Ada Crane', { tileName: 'Ada' })] });
    await change({ athletes: [ada] });
    expect((await athletes()).map(({ tileName }) => tileName)).toEqual(['Ada B', 'Ada']);
  });
  test.each<[string, (before: SquadMember[]) => SquadChange]>([
    ['someone changed', ([ada]) => ({ athletes: ada ? [{ ...ada, name: 'Ada C', marks: [], notes: 'x' }] : [] })],
    ['someone new', () => ({ athletes: [someone('Cleo', { groupId: a.id })] })],
    ['two removed', (before) => ({ removedIds: before.map(({ id }) => id) })],
    ['the groups turned round and one taken away', () => ({ groups: [b] })],
    ['another book', () => ({ paceBookId: 'effort' })],
    ['everything at once', ([ada]) => ({ paceBookId: 'trials', groups: [b], removedIds: ada ? [ada.id] : [] })],
  ])('%s: what takes it back brings all of it back', async (_what, changed) => {
    await change({
      groups: [a, b],
      athletes: [
        someone('Ada', { groupId: a.id, notes: 'shy', goal: { ...goal, race: 'Final' } }),
        someone('Bo', { groupId: b.id, paceBookId: 'offset', archived: true }),
      ],
    });
    const before = { settings: await squad(), athletes: await athletes() };
    const wanted = changed(before.athletes);
    expect((await change(wanted)).status).toBe(204);
    expect({ settings: await squad(), athletes: await athletes() }).not.toEqual(before);
    expect((await change(inverseOf(wanted, before))).status).toBe(204);
    expect({ settings: await squad(), athletes: await athletes() }).toEqual(before);
  });
  test('2,000 athletes come in at once', async () => {
    const many = Array.from({ length: 2000 }, (_, i) => someone(`Runner Number${i}`));
    expect((await change({ athletes: many })).status).toBe(204);
    const stored = await athletes();
    expect(new Set(stored.map(({ tileName }) => tileName.toLowerCase())).size).toBe(2000);
  });
  test('what is malformed is refused with its place', async () =>
    expect(
      await change({ athletes: [someone('Ada'), { ...someone('Bo'), marks: [{ ...race, timeS: 'fast' }] }] }),
    ).toMatchObject({
      status: 400,
      body: { error: { field: 'athletes[1].marks[0].timeS', message: 'A mark needs a time.' } },
    }));
});

describe('pace books', () => {
  const { id: _id, ...book } = curveBook;
  test('one with a circle is refused, with the names', async () => {
    const entries = book.entries.map((entry) =>
      entry.name === 'threshold' ? { ...entry, basis: { kind: 'share', of: 'tempo', share: 1 } } : entry,
    );
    expect(await server.call('PUT', `/api/pace-books/${ulid()}`, { ...book, name: 'Ring', entries })).toMatchObject({
      status: 400,
      body: { error: { field: 'entries', message: '“tempo” leads back to itself: tempo → threshold → tempo.' } },
    });
  });
  test('one in use is not removed, and says by whom; one that is not there is not chosen', async () => {
    const id = ulid();
    expect(await change({ paceBookId: id })).toMatchObject({ status: 400, body: { error: { field: 'paceBookId' } } });
    await server.call('PUT', `/api/pace-books/${id}`, { ...book, name: 'Mine' });
    const ada = someone('Ada', { paceBookId: id });
    await change({ paceBookId: id, athletes: [ada] });
    expect(await server.call('DELETE', `/api/pace-books/${id}`)).toMatchObject({
      status: 409,
      body: { error: { code: 'in_use', message: expect.stringMatching(/used by the squad, Ada/) } },
    });
    await change({ paceBookId: 'curve', athletes: [someone('Ada', { id: ada.id })] });
    expect((await server.call('DELETE', `/api/pace-books/${id}`)).status).toBe(204);
  });
});

describe('an athlete’s data', () => {
  const NAME = 'Philippa Unmistakable';
  const ids = [ulid(), ulid()] as const;
  const run: Plan = {
    id: ulid(),
    sessionId: ulid(),
    title: 'Reps',
    date: '2026-10-20',
    shorthand: '400 @5k',
    groups: [
      {
        id: 'all',
        name: 'Everyone',
        reps: [{ role: 'main', distanceM: 400, callM: [400] }],
        athletes: ids.map((athleteId, i) => ({
          athleteId,
          name: i === 0 ? NAME : 'Bo',
          tileName: i === 0 ? 'Philippa' : 'Bo',
          targets: [{ targetS: 90 }],
        })),
      },
    ],
  };
  const { plan: alone } = runOf({ plan: { ...run, id: ulid() }, events: [] }, (id) => id === ids[0]);
  const stamp = (atMs: number, runId = run.id) => ({ id: ulid(), runId, deviceId: run.sessionId, atMs });
  const events: RunEvent[] = [
    { ...stamp(1000), type: 'started', repIndex: 0, athleteIds: [...ids] },
    { ...stamp(91_000), type: 'passed', repIndex: 0, athleteId: ids[0], atM: 400 },
    { ...stamp(92_000), type: 'passed', repIndex: 0, athleteId: ids[1], atM: 400 },
  ];
  const send = (plan = run) => server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  const sendEvents = () => server.call('POST', `/api/runs/${run.id}/events`, { events });
  const stored = async () =>
    (await server.call('GET', `/api/runs/${run.id}`)).body as { plan: Plan; events: RunEvent[] };
  beforeEach(async () => {
    await change({
      groups: [a],
      athletes: [
        someone(NAME, { id: ids[0], groupId: a.id, notes: 'Unmistakable note.' }),
        someone('Bo', { id: ids[1] }),
      ],
    });
    for (const plan of [run, alone]) await send(plan);
    await sendEvents();
  });

  test('is one file: profile, group, and their own part of every session', async () => {
    const { body } = await server.call('GET', `/api/athletes/${ids[0]}/file`);
    const file = body as AthleteFile;
    expect(file).toMatchObject({
      format: 'zest-lap/athlete',
      version: 1,
      athlete: { name: NAME, marks: [race] },
      group: a,
    });
    expect(file.runs.map(({ plan }) => athletesOf(plan).map(({ name }) => name))).toEqual([[NAME], [NAME]]);
    expect(JSON.stringify(file)).not.toContain('"Bo"');
    expect((await server.call('GET', `/api/athletes/${ulid()}/file`)).status).toBe(404);
  });

  test('is erased for good: out of the squad, out of every session, and off the disk', async () => {
    expect((await server.call('POST', `/api/athletes/${ids[0]}/erase`)).status).toBe(204);
    expect((await athletes()).map(({ name }) => name)).toEqual(['Bo']);
    const left = await stored();
    expect(athletesOf(left.plan).map(({ name }) => name)).toEqual(['Bo']);
    expect(left.events).toHaveLength(2);
    expect(JSON.stringify(left)).not.toContain(ids[0]);
    // Bo's time is as it was, and the session that had nobody else is gone.
    expect((await server.call('GET', '/api/runs/days?from=1900-01-01')).body).toMatchObject([
      { id: run.id, summary: { athletes: 1, finished: 1 } },
    ]);
    for (const name of fs.readdirSync(server.folder)) {
      const bytes = fs.readFileSync(path.join(server.folder, name)).toString('latin1');
      expect([name, bytes.includes('Unmistakable')]).toEqual([name, false]);
    }
    expect((await server.call('POST', `/api/athletes/${ids[0]}/erase`)).status).toBe(404);
  });

  test('does not come back with a phone that still has it', async () => {
    await server.call('POST', `/api/athletes/${ids[0]}/erase`);
    expect((await send()).status).toBe(204);
    expect((await send(alone)).status).toBe(204);
    expect((await sendEvents()).body).toEqual({ accepted: events.map(({ id }) => id), refused: [] });
    const left = await stored();
    expect(athletesOf(left.plan)).toHaveLength(1);
    expect(JSON.stringify(left)).not.toContain(ids[0]);
    expect(await putAthlete(server, ids[0], { name: NAME, marks: [] })).toMatchObject({
      status: 400,
      body: { error: { message: 'This athlete was erased for good.' } },
    });
  });
});

test('a file from before tiles had names is taken on, and everyone is given one', () => {
  const folder = tempFolder();
  const first = openDatabase(folder);
  first.$client.exec(
    `INSERT INTO athletes (id, name, created_at_ms, updated_at_ms) VALUES ('1', 'Ada Brind', 1, 1), ('2', 'Ada Crane', 2, 2)`,
  );
  first.$client.close();
  openDatabase(folder).$client.close();
  const client = new Database(databaseFile(folder));
  expect(client.prepare('SELECT tile_name FROM athletes ORDER BY id').pluck().all()).toEqual(['Ada', 'Ada C']);
  client.close();
  fs.rmSync(folder, { recursive: true });
});

test('a mark of a day to come is refused with its name and place, and nothing is changed; one of tomorrow is today somewhere', async () => {
  const marks = (date: string) => [{ distanceM: 5000, timeS: 1110, date, kind: 'race' as const }];
  const before = await athletes();
  const refused = await change({ athletes: [someone('Cy', { marks: marks('2027-02-20') })] });
  expect(refused).toMatchObject({
    status: 400,
    body: {
      error: {
        code: 'invalid',
        field: 'marks[0].date',
        message: expect.stringMatching(/A mark of Cy is dated 2027-02-20, which is still to come.*Nothing was changed/),
      },
    },
  });
  expect(await athletes()).toEqual(before);
  expect((await change({ athletes: [someone('Cy', { marks: marks('2027-01-15') })] })).status).toBe(204);
});

test('a mark knows its course, and comes back with it', async () => {
  const marks = [
    {
      id: ulid(),
      distanceM: 4000,
      timeS: 900,
      date: '2026-10-01',
      kind: 'race' as const,
      course: 'cross-country' as const,
      courseName: 'Mill Hill',
    },
  ];
  const athlete = someone('Dy', { marks });
  await change({ athletes: [athlete] });
  expect((await athletes()).find(({ id }) => id === athlete.id)?.marks).toEqual(marks);
  expect(await change({ athletes: [{ ...athlete, marks: [{ ...marks[0], course: 'moon' }] }] as never })).toMatchObject(
    {
      status: 400,
      body: { error: { field: 'athletes[0].marks[0].course' } },
    },
  );
});

test('the schools of a squad are stored, refused where they make no sense, and taken back', async () => {
  const schools = { ...USUAL_SCHOOLS, manner: 'moving' as const, restEnds: 'pulse' as const };
  expect((await change({ schools })).status).toBe(204);
  expect(await squad()).toMatchObject({ schools });
  expect(await change({ schools: { ...schools, pulse: { from: 150, to: 120 } } })).toMatchObject({
    status: 400,
    body: { error: { field: 'schools.pulse', message: expect.stringMatching(/cannot be above/) } },
  });
  const banded = { ...schools, pulseByIntent: { threshold: { from: 160, to: 172 } } };
  expect((await change({ schools: banded })).status).toBe(204);
  expect(await squad()).toMatchObject({ schools: banded });
  for (const pulseByIntent of [
    { threshold: { from: 172, to: 160 } },
    { sprinting: { from: 160, to: 172 } },
    { hills: 160 },
  ])
    expect(await change({ schools: { ...schools, pulseByIntent } })).toMatchObject({ status: 400 });
  expect((await change({ schools })).status).toBe(204);
  expect(await change({ schools: { ...schools, manner: 'crawl' } })).toMatchObject({ status: 400 });
  expect(await squad()).toMatchObject({ schools });
  const before = { settings: { ...(await squad()) }, athletes: [] };
  const { schools: _schools, ...plain } = before.settings;
  await change(inverseOf({ schools }, { ...before, settings: plain }));
  expect(await squad()).not.toHaveProperty('schools');
});

test('where the club is, its weeks and its hot months are stored; a place that is nowhere is refused', async () => {
  const club = { timeZone: 'Pacific/Auckland', weekStart: 'sunday' as const, heatMonths: [1, 2], youngUnder: 15 };
  expect((await change({ club })).status).toBe(204);
  expect(await squad()).toMatchObject({ club });
  for (const wrong of [
    { timeZone: 'Europe/Nowhere' },
    { timeZone: '' },
    { weekStart: 'friday' },
    { heatMonths: [13] },
    { youngUnder: 40 },
  ])
    expect(await change({ club: { ...club, ...wrong } as typeof club })).toMatchObject({ status: 400 });
  expect(await change({ club: { timeZone: 'Europe/Nowhere' } })).toMatchObject({
    body: { error: { field: 'club.timeZone', message: 'There is no time zone of this name.' } },
  });
  expect(await squad()).toMatchObject({ club });
  const before = await squad();
  const { club: _club, ...plain } = before;
  await change(inverseOf({ club }, { settings: plain, athletes: [] }));
  expect(await squad()).not.toHaveProperty('club');
});

describe('marks', () => {
  const marksOf = async (id: string) => (await athletes()).find((athlete) => athlete.id === id)?.marks ?? [];
  const { id: _id, ...unnamed } = { id: '', ...race };
  test('keep their ids when they are changed, when another comes, and when they are sent without', async () => {
    const athlete = someone('Ada', { marks: [unnamed, { ...unnamed, timeS: 1120 }] });
    await change({ athletes: [athlete] });
    const [first, second] = await marksOf(athlete.id);
    expect(new Set([first?.id, second?.id]).size).toBe(2);
    const faster = { ...second, timeS: 1100 };
    await change({ athletes: [{ ...athlete, marks: [{ ...unnamed, timeS: 1000 }, faster, first] }] });
    const after = await marksOf(athlete.id);
    expect(after.map(({ id, timeS }) => [id, timeS])).toEqual([
      [expect.any(String), 1000],
      [second?.id, 1100],
      [first?.id, 1110],
    ]);
    await change({ athletes: [{ ...athlete, marks: after.map(({ id: _gone, ...mark }) => mark) }] });
    expect((await marksOf(athlete.id)).map(({ id }) => id)).toEqual(after.map(({ id }) => id));
  });
  test('of a session keep what it says alone, and which it was; what makes no sense is refused', async () => {
    const kept = { ...unnamed, kind: 'session' as const, runId: ulid(), alone: { timeS: 1190.5, sd: 0.027 } };
    const athlete = someone('Ada', { marks: [kept] });
    expect((await change({ athletes: [athlete] })).status).toBe(204);
    expect(await marksOf(athlete.id)).toEqual([{ ...kept, id: expect.any(String) }]);
    for (const alone of [{ timeS: 0, sd: 0.1 }, { timeS: 1190 }, { timeS: 1190, sd: 0 }, { timeS: 1190, sd: 2 }])
      expect((await change({ athletes: [{ ...athlete, marks: [{ ...kept, alone }] }] })).status).toBe(400);
    expect(await marksOf(athlete.id)).toEqual([{ ...kept, id: expect.any(String) }]);
  });
  test('of one athlete are never taken by another who is sent with their ids', async () => {
    const [ada, bo] = [someone('Ada'), someone('Bo')];
    await change({ athletes: [ada] });
    await change({ athletes: [{ ...bo, marks: [...ada.marks, ...ada.marks] }] });
    expect(await marksOf(ada.id)).toEqual(ada.marks);
    const ids = (await marksOf(bo.id)).map(({ id }) => id);
    expect(new Set([...ids, ada.marks[0]?.id]).size).toBe(3);
  });
});
