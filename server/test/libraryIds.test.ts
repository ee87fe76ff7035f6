/** The id of a session in the library was called bookId once: in stored plans, and in what an app of that time still sends. */
import fs from 'node:fs';
import { ulid } from 'ulid';
import type { ScheduledSession } from '@core/api/answers';
import type { DayPlan } from '@core/planning/dayPlan';
import type { Thread } from '@core/season/season';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from '@core/season/templates/templates';
import { openDatabase } from '../db/open';
import { listSeasons } from '../db/seasons';
import { sessionsOn } from '../db/sessions';
import { readRun } from '../db/storedRun';
import { dataBefore } from './dataBefore';
import { planFor } from './madeUpPlan';
import { startTestServer } from './testServer';

const DAY = '2027-05-04';
const [TEMPLATE] = seasonTemplates as [SeasonTemplate];
const SEASON = seasonFrom(TEMPLATE, { firstDay: '2027-01-04', races: [] });
const [THREAD, ...OTHER_THREADS] = SEASON.threads as [Thread, ...Thread[]];
const libraryId = ulid();

/** What an app of before calls by the old name. */
const asBefore = (value: object) => JSON.parse(JSON.stringify(value).replaceAll('"libraryId":', '"bookId":')) as object;

const run = (() => {
  const plan = planFor(ulid());
  return { ...plan, groups: plan.groups.map((group) => ({ ...group, libraryId })) };
})();
const dayPlan: DayPlan = { groups: [{ id: ulid(), name: 'Quick', athleteIds: [], libraryId }] };
const season = { ...SEASON, threads: [{ ...THREAD, libraryId }, ...OTHER_THREADS] };

test('stored plans are migrated', () => {
  const { folder, client } = dataBefore('0017');
  client
    .prepare("INSERT INTO runs (id, session_id, title, date, plan_json, created_at_ms) VALUES (?, 's', 'T', ?, ?, 1)")
    .run(run.id, DAY, JSON.stringify(asBefore(run)));
  client
    .prepare(
      `INSERT INTO sessions (id, title, date, shorthand, plan, created_at_ms, updated_at_ms) VALUES (?, '"bookId" is what it was', ?, '', ?, 1, 1)`,
    )
    .run(ulid(), DAY, JSON.stringify(asBefore(dayPlan)));
  client
    .prepare(
      "INSERT INTO seasons (id, version, plan, actor, created_at_ms, updated_at_ms) VALUES ('a', 1, ?, 'coach', 1, 1)",
    )
    .run(JSON.stringify(asBefore(season)));
  client.close();
  const db = openDatabase(folder);
  expect(readRun(db, run.id)?.plan).toEqual(run);
  expect(sessionsOn(db, { from: '1900-01-01' })).toMatchObject([{ title: '"bookId" is what it was', plan: dayPlan }]);
  expect(listSeasons(db)[0]?.season).toEqual(season);
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
});

test('an older app is understood, and its plan sent again is still the same plan', async () => {
  const server = await startTestServer();
  const id = ulid();
  const session = { title: 'T', date: DAY, shorthand: '6x400 @5k / 60s', bookId: libraryId };
  expect(await server.call('PUT', `/api/sessions/${id}`, session)).toMatchObject({ status: 200 });
  expect(await server.call('PUT', `/api/sessions/${id}/plan`, asBefore(dayPlan))).toMatchObject({ status: 200 });
  const sessions = (await server.call('GET', '/api/sessions/days?from=1900-01-01')).body as ScheduledSession[];
  expect(sessions).toMatchObject([{ libraryId, plan: dayPlan }]);
  const sent = await server.call('PUT', `/api/seasons/${ulid()}`, { season: asBefore(season), version: 0 });
  expect(sent).toMatchObject({ status: 200, body: { season } });
  const put = (plan: object) => server.call('PUT', `/api/runs/${run.id}/plan`, plan);
  expect((await put(run)).status).toBeLessThan(300);
  expect((await put(asBefore(run))).status).toBeLessThan(300);
  expect((await put({ ...run, title: 'Another' })).status).toBe(409);
  await server.stop();
  fs.rmSync(server.folder, { recursive: true });
});
