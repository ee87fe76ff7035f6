import type { Page } from '@playwright/test';
import type { StoredSeason } from '../core/season/season';
import type { SquadSettings } from '../core/squad/squadSettings';
import { daysAfter } from '../core/units/dayNumber';
import { zonedAt } from '../core/units/zoned';
import { expect, test, ALL_RUNS } from './app';
import type { RunningApp } from './runningApp';
import { daysOf, putSeason, seasonCalled, spoken, today } from './seasons';

type Run = { id: string; title: string; date: string; sessionId: string };

/** Opens a day of the ladder. */
async function openDay(page: Page, date: string) {
  const ladder = page.getByRole('region', { name: 'Season ladder' });
  await ladder.getByRole('button', { name: new RegExp(`^${spoken(date)}, `) }).tap();
  return page.getByRole('dialog');
}

test('an easy day is ticked as run, with how much and who did not; it counts into the kilometres of a week', async ({
  page,
  demo,
}) => {
  const { id, version, season } = await seasonCalled(demo, 'Five');
  const day = daysOf(season).findLast(({ date, kind }) => date < today() && kind === 'easy');
  const date = day?.date ?? '';
  const done = (season.done ?? []).filter((done) => done.date !== date);
  await putSeason(demo, { id, version, season: { ...season, done } });
  const stored = async () => (await seasonCalled(demo, 'Five')).season.done?.find((done) => done.date === date);
  await page.goto(`${demo.url}/season/${id}`);
  const sheet = await openDay(page, date);
  await sheet.getByLabel('How much', { exact: true }).fill('a lot');
  await expect(sheet.getByText('A number, like 8.')).toBeVisible();
  await sheet.getByLabel('How much', { exact: true }).fill('9,5');
  await sheet.getByRole('button', { name: 'How much: km' }).tap();
  await sheet.getByRole('button', { name: 'Tick it' }).tap();
  await expect.poll(stored).toEqual({ date, amount: { unit: 'km', amount: 9.5 } });
  await sheet.getByRole('checkbox', { name: 'Gus' }).tap();
  const gus = (await demo.get<{ id: string; tileName: string }[]>('athletes')).find(
    ({ tileName }) => tileName === 'Gus',
  );
  await expect.poll(stored).toEqual({ date, amount: { unit: 'km', amount: 9.5 }, notIds: [gus?.id] });
  await page.goto(`${demo.url}/squad/${gus?.id}`);
  await page.getByText('About', { exact: true }).tap();
  await expect(page.getByText(/About \d+ km by the days that were ticked/)).toBeVisible();
});

test('a tick in the week is one tap, and one to take back', async ({ page, demo }) => {
  const ticks = async () => (await seasonCalled(demo, 'Five')).season.done?.length ?? 0;
  const before = await ticks();
  await page.goto(`${demo.url}/season`);
  await page.getByRole('button', { name: 'The week before' }).tap();
  const box = page.getByRole('checkbox', { name: /: run$/, checked: true }).first();
  await box.tap();
  await expect.poll(ticks).toBe(before - 1);
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect.poll(ticks).toBe(before);
});

test('today is the club’s day, also for a phone that is elsewhere', async ({ page, demo }) => {
  // Of two ends of the world one is always at another day than the server.
  const zone = ['Pacific/Kiritimati', 'Pacific/Pago_Pago'].find(
    (candidate) => zonedAt(Date.now(), candidate).date !== today(),
  );
  if (zone === undefined) throw new Error('Every place has the same day.');
  await page.goto(`${demo.url}/settings`);
  await page.getByLabel('Time zone').selectOption(zone);
  await expect.poll(async () => (await demo.get<SquadSettings>('squad')).club).toEqual({ timeZone: zone });
  await page.goto(`${demo.url}/season`);
  const there = zonedAt(Date.now(), zone).date;
  await expect(page.getByText(spoken(there), { exact: true })).toBeVisible();
  // The first drawing of a page opened anew has it as well.
  await page.reload();
  await expect(page.getByText(spoken(there), { exact: true })).toBeVisible();
});

test('a thread is written, given a turn, changed and taken out', async ({ page, demo }) => {
  const { id } = await seasonCalled(demo, 'Five');
  const threads = async () => (await seasonCalled(demo, 'Five')).season.threads;
  await page.goto(`${demo.url}/season/${id}`);
  await page.getByRole('radio', { name: 'Threads' }).tap();
  await page.getByRole('button', { name: 'Write a new thread' }).tap();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Save the thread' }).tap();
  await expect(sheet.getByText('A thread needs a name.')).toBeVisible();
  await sheet.getByLabel('Thread', { exact: true }).fill('Long hills');
  await sheet.getByLabel('Session, main part').fill('six times up the hill');
  await sheet.getByRole('button', { name: 'Save the thread' }).tap();
  await expect(sheet).toBeVisible();
  await sheet.getByLabel('Session, main part').fill('6x300 @5k / 2:00 jog');
  await sheet.getByRole('button', { name: 'Save the thread' }).tap();
  await expect(sheet).toBeHidden();
  await expect
    .poll(async () => (await threads()).at(-1))
    .toMatchObject({ name: 'Long hills', stages: ['main: 6x300 @5k / 2:00 jog'], spacingDays: 12 });
  const cycles = page.getByRole('region', { name: 'Whose turn it is' });
  const newId = (await threads()).at(-1)?.id ?? '';
  const asked = page.getByRole('alertdialog', { name: 'What would change' });
  // Which of the two has a day for it hangs on the day of the week.
  for (const phase of ['middle', 'late'] as const) {
    const group = cycles.getByRole('group', { name: new RegExp(`^${phase}$`, 'i') });
    await group.getByLabel('Week 1, hard day 1').selectOption({ label: 'Long hills' });
    await expect(async () => {
      if (await asked.isVisible()) await asked.getByRole('button', { name: 'Take it' }).tap();
      expect((await seasonCalled(demo, 'Five')).season.cycles[phase]?.[0]?.[0]).toBe(newId);
    }).toPass();
  }
  const turns = async () =>
    daysOf((await seasonCalled(demo, 'Five')).season).filter(({ thread }) => thread?.id === newId).length;
  expect(await turns()).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Change Long hills' }).tap();
  await sheet.getByLabel('Session, main part').fill('8x300 @5k / 2:00 jog');
  await sheet.getByRole('button', { name: 'Save the thread' }).tap();
  await expect.poll(async () => (await threads()).at(-1)?.stages).toEqual(['main: 8x300 @5k / 2:00 jog']);
  await page.getByRole('button', { name: 'Change Long hills' }).tap();
  await sheet.getByRole('button', { name: 'Take it out of the season' }).tap();
  await expect.poll(turns).toBe(0);
});

test('a season is renamed, for other groups, and copied for next year', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const now = async () => (await demo.get<StoredSeason[]>('seasons')).find((season) => season.id === id)?.season;
  await page.goto(`${demo.url}/season/${id}`);
  await page.getByRole('radio', { name: 'Races' }).tap();
  const region = page.getByRole('region', { name: 'About the season' });
  await region.getByLabel('Name').fill('Harbour 2026');
  await region.getByRole('button', { name: 'Rename' }).tap();
  await expect.poll(async () => (await now())?.name).toBe('Harbour 2026');
  await region.getByRole('checkbox', { name: 'Young ones' }).tap();
  await expect.poll(async () => (await now())?.groupIds?.length).toBe(2);
  await region.getByRole('button', { name: 'Copy it for next year' }).tap();
  await expect(page.getByRole('heading', { name: 'Harbour 2027' })).toBeVisible();
  const { season: copy } = await seasonCalled(demo, 'Harbour 2027');
  expect(copy.firstDay).toBe(daysAfter(season.firstDay, 364));
  expect(copy.races.map(({ date }) => date)).toEqual(season.races.map(({ date }) => daysAfter(date, 364)));
  expect(copy).not.toHaveProperty('done');
});

/** Writes a session that is in no season. */
async function writeOwn(demo: RunningApp, date: string): Promise<string> {
  const sessionId = '01ARZ3NDEKTSV4RRFFQ69G5FAV';
  const shorthand = 'main: 8x200 @mile / 2:00 walk';
  await demo.send('PUT', `sessions/${sessionId}`, { title: 'Extra hills', date, shorthand, intent: 'hills' });
  return sessionId;
}

test('a session beside the season is told of, and becomes its hard day in one tap', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const off = daysOf(season).find(
    ({ date, kind, because }) => date > daysAfter(today(), 7) && kind === 'off' && !because,
  );
  const date = off?.date ?? '';
  const sessionId = await writeOwn(demo, date);
  await page.goto(`${demo.url}/season/${id}`);
  await expect(page.getByText('“Extra hills” is written for a day off.')).toBeVisible();
  await page.getByRole('button', { name: 'Make “Extra hills” the hard day' }).tap();
  const asked = page.getByRole('alertdialog', { name: 'What would change' });
  const fixed = async () => (await seasonCalled(demo, 'Five')).season.fixed.find((day) => day.date === date);
  await expect(async () => {
    if (await asked.isVisible()) await asked.getByRole('button', { name: 'Take it' }).tap();
    expect(await fixed()).toMatchObject({ kind: 'hard', because: 'written', sessionId });
  }).toPass();
  await expect(page.getByText('“Extra hills” is written for a day off.')).toBeHidden();
});

test('the next step is written for the thread’s next turn, and the season knows it', async ({ page, demo }) => {
  const runs = await demo.get<Run[]>(ALL_RUNS);
  const run = runs.find(({ title }) => title === 'Threshold kilometres, 3');
  const { season } = await seasonCalled(demo, 'Five');
  const turn = daysOf(season).find(({ date, thread }) => date > today() && thread?.id === 'kilometres');
  await page.goto(`${demo.url}/results/${run?.id}/next`);
  await expect(page.getByLabel('Day', { exact: true })).toHaveValue(turn?.date ?? '');
  await page.getByRole('button', { name: /^Write it for/ }).tap();
  const fixed = async () => (await seasonCalled(demo, 'Five')).season.fixed.find((day) => day.date === turn?.date);
  await expect.poll(fixed).toMatchObject({ because: 'written', threadId: 'kilometres', step: turn?.thread?.step });
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect.poll(fixed).toBeUndefined();
});

test('heavy legs put off the hard day that is laid out after it, where the school wants it', async ({ page, demo }) => {
  const { id, version, season } = await seasonCalled(demo, 'Five');
  const run = (await demo.get<Run[]>(ALL_RUNS)).find(({ date }) => date >= daysAfter(today(), -2) && date < today());
  const others = season.fixed.filter(({ date }) => date !== today());
  const laid = { date: today(), kind: 'hard' as const, because: 'pinned' as const, threadId: 'thr' };
  const plan = { ...season, fixed: [...others, laid] };
  await putSeason(demo, { id, version, season: plan });
  await page.goto(`${demo.url}/results/${run?.id}/next`);
  const region = page.getByRole('region', { name: 'The day after' });
  await region.getByRole('button', { name: 'All: heavy' }).tap();
  await expect(region.getByText('“Threshold, longer reps” is laid out for today.')).toBeVisible();
  await region
    .getByRole('button', { name: /^(Move it to tomorrow|Make it an easy day)$/ })
    .last()
    .tap();
  const kindNow = async () =>
    (await seasonCalled(demo, 'Five')).season.fixed.find(({ date }) => date === today())?.kind;
  await expect(async () => {
    const take = region.getByRole('button', { name: 'Take it' });
    if (await take.isVisible()) await take.tap();
    expect(await kindNow()).not.toBe('hard');
  }).toPass();
  const stored = await seasonCalled(demo, 'Five');
  await putSeason(demo, { ...stored, season: { ...plan, schools: { ...plan.schools, keepsAfterHeavy: true } } });
  await page.reload();
  await expect(region.getByText(/an easy day|easy/).first()).toBeVisible();
  await expect(region.getByText('“Threshold, longer reps” is laid out for today.')).toBeHidden();
});
