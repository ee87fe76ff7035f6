import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { reviewRun } from '@core/review/review';
import { parseSession } from '@core/session/parseSession';
import { cautionsFor } from '@core/advice/cautions';
import { replay } from '@core/run/replay';
import { listAthletes } from '@server/db/athletes';
import { changeSquad } from '@server/db/squad';
import { readLibrary } from '@server/db/library';
import { openDatabase, type Db } from '@server/db/open';
import { runsOn } from '@server/db/runs';
import { readRun } from '@server/db/storedRun';
import { readSquad } from '@server/db/squad';
import { standingsOf } from '@server/db/standings';
import { sessionsOn } from '@server/db/sessions';
import { loadDemo } from './load';

const EVER = { from: '1900-01-01' };
const TODAY = '2027-03-09';
const newFolder = () => fs.mkdtempSync(path.join(os.tmpdir(), 'zest-demo-'));
/** The generated club, made once: each test starts with a copy. */
const club = newFolder();
let folder: string;
let db: Db;
beforeAll(() => {
  const made = openDatabase(club);
  loadDemo(made, { today: TODAY, fresh: false });
  made.$client.close();
});
afterAll(() => fs.rmSync(club, { recursive: true }));
beforeEach(() => {
  folder = newFolder();
  fs.cpSync(club, folder, { recursive: true });
  db = openDatabase(folder);
});
afterEach(() => {
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
});

const active = () => listAthletes(db).filter(({ archived }) => !archived);

test('the club has about fourteen athletes, finished sessions, and one for today', () => {
  expect(active()).toHaveLength(14);
  const sessions = sessionsOn(db, EVER);
  for (const session of sessions) expect(parseSession(session.shorthand).ok).toBe(true);
  expect(sessions.filter((session) => session.date === TODAY)).toHaveLength(1);
  const runs = runsOn(db, EVER);
  expect(runs.length).toBeGreaterThanOrEqual(24);
  for (const run of runs) {
    expect(run.date < TODAY).toBe(true);
    expect(run.summary?.finished).toBe(run.summary?.planned);
  }
});

test('the splits are believable: near the target, uneven, the first rep the quickest against it', () => {
  const percents = runsOn(db, EVER).flatMap(({ id }) => {
    const run = readRun(db, id);
    if (!run) return [];
    const rows = reviewRun(replay(run.plan, run.events)).flatMap((review) => review.rows);
    return rows.flatMap(({ cells }) =>
      cells.map(({ deltaS = 0, targetS = 1, repIndex }) => ({ repIndex, percent: (100 * deltaS) / targetS })),
    );
  });
  const meanOf = (list: typeof percents) => list.reduce((sum, { percent }) => sum + percent, 0) / list.length;
  for (const { percent } of percents) expect(Math.abs(percent)).toBeLessThan(10);
  const first = meanOf(percents.filter(({ repIndex }) => repIndex === 0));
  expect(first).toBeLessThan(meanOf(percents.filter(({ repIndex }) => repIndex > 0)) - 0.5);
});

test('the squad shows what there is to see: groups, goals, a coach’s own word, doubts, one who has left', () => {
  const { groups } = readSquad(db);
  expect(groups.map(({ name }) => name)).toEqual(['Milers', 'Five and ten', 'Young ones']);
  for (const athlete of active()) expect(groups.map(({ id }) => id)).toContain(athlete.groupId);
  const everyone = listAthletes(db);
  expect(everyone.filter(({ archived }) => archived)).toHaveLength(1);
  expect(new Set(everyone.map(({ tileName }) => tileName)).size).toBe(everyone.length);
  for (const { goal } of everyone) if (goal) expect(goal.date > TODAY).toBe(true);
  for (const { marks } of everyone) for (const { date } of marks) expect(date < TODAY).toBe(true);
  expect(everyone.some(({ goal }) => goal)).toBe(true);
  expect(everyone.some(({ nudge }) => nudge)).toBe(true);
  expect(everyone.some(({ marks }) => marks.some(({ leftOut }) => leftOut))).toBe(true);
  const cautions = active().flatMap((athlete) => cautionsFor(athlete, TODAY));
  for (const kind of [
    /^Fairly sure: one mark only/,
    /does not fit|sits \d+(\.\d)? % off the rest/,
    /flat-out trial|trial came after/,
  ])
    expect(cautions.filter((caution) => kind.test(caution)).length).toBeGreaterThan(0);
});

test('the season tells a story: fitter, spent, coming back; heat, a progression, an indicator before a race, efforts by most', () => {
  const ran = runsOn(db, EVER).map(({ id, title }) => {
    const run = readRun(db, id);
    if (!run) throw new Error();
    return {
      title,
      date: run.plan.date,
      plan: run.plan,
      events: run.events,
      rows: reviewRun(replay(run.plan, run.events)).flatMap(({ rows }) => rows),
    };
  });
  const of = (name: string) =>
    ran.flatMap(({ title, date, rows }) =>
      rows.filter((row) => row.name === name).map((row) => ({ title, date, row })),
    );
  const laps = (name: string, title: string) =>
    of(name)
      .filter((result) => result.title === title)
      .map(({ row }) => row.meanS ?? 0);
  const [now = 0, ...before] = laps('Ada Brindlecote', '800s at 5k pace');
  expect(now).toBeLessThan(before.at(-1) ?? 0);
  expect(of('Hana Morvane').every(({ date }) => date > '2027-01-01')).toBe(true);
  const milo = of('Milo Thurskell').filter(({ row }) => row.cells.some(({ flags }) => flags.length > 0));
  expect(milo.length).toBeGreaterThanOrEqual(1);
  const hot = ran.filter(({ events }) =>
    events.some((event) => event.type === 'conditions' && (event.conditions.temperatureC ?? 0) > 30),
  );
  expect(hot).toHaveLength(2);
  for (const step of ['Threshold kilometres', 'Threshold kilometres, 2', 'Threshold kilometres, 3'])
    expect(ran.map(({ title }) => title)).toContain(step);
  const indicator = ran.find(({ title }) => title === 'Is it there yet?');
  const races = listAthletes(db).flatMap(({ marks }) =>
    marks.filter(({ kind, distanceM }) => kind === 'race' && distanceM === 5000),
  );
  expect(races.some(({ date }) => indicator && date > indicator.date)).toBe(true);
  const told = ran.flatMap(({ rows }) => rows).filter(({ sessionEffort }) => sessionEffort !== undefined);
  expect(told.length).toBeGreaterThan(0.8 * ran.flatMap(({ rows }) => rows).length);
  // Nobody waits long for the slowest of their group.
  for (const { plan } of ran) for (const { athletes } of plan.groups) expect(athletes.length).toBeLessThanOrEqual(5);
});

test('where everyone stands on the progression is known: the last step was not decided yet', () => {
  const steps = readLibrary(db).progressions.find(({ name }) => name === 'Kilometres, one more each time');
  const standings = standingsOf(db, steps?.id ?? '');
  expect(standings.length).toBeGreaterThan(10);
  expect(standings.filter(({ nextStep }) => nextStep === 'on').length).toBeGreaterThan(0);
  expect(standings.some(({ nextStep }) => nextStep === undefined)).toBe(true);
});

test('a second load keeps what was done; a fresh one starts over', () => {
  const [someone, other] = listAthletes(db);
  if (!someone || !other) throw new Error('nobody');
  const renamed = { id: other.id, name: 'Aaa Renamed', marks: other.marks };
  changeSquad(db, { removedIds: [someone.id], athletes: [renamed] }, Date.parse(TODAY));
  loadDemo(db, { today: TODAY, fresh: false });
  expect(active()).toHaveLength(13);
  expect(listAthletes(db)[0]?.name).toBe('Aaa Renamed');
  loadDemo(db, { today: TODAY, fresh: true });
  expect(listAthletes(db).map(({ name }) => name)).toContain(someone.name);
  expect(active()).toHaveLength(14);
});

test('on a later day there is a session for that day', () => {
  loadDemo(db, { today: '2027-03-20', fresh: false });
  expect(sessionsOn(db, EVER).filter((session) => session.date === '2027-03-20')).toHaveLength(1);
  expect(sessionsOn(db, EVER).filter((session) => session.date === TODAY)).toHaveLength(1);
});

test('the club has a book of its own: some of it run, favourites, and a progression of sessions that are in it', () => {
  const { sessions, progressions } = readLibrary(db);
  for (const { shorthand, title } of sessions) expect([title, parseSession(shorthand).ok]).toEqual([title, true]);
  expect(sessions.filter(({ favourite }) => favourite).length).toBeGreaterThan(1);
  const ids = new Set(sessions.map(({ id }) => id));
  expect(progressions).toHaveLength(2);
  for (const id of progressions.flatMap(({ stepIds }) => stepIds)) expect(ids).toContain(id);
  // Every session on a day is from it.
  for (const { libraryId = '' } of sessionsOn(db, EVER)) expect(ids).toContain(libraryId);
  loadDemo(db, { today: TODAY, fresh: true });
  expect(readLibrary(db).sessions).toHaveLength(sessions.length);
});
