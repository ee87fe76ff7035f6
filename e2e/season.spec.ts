import ICAL from 'ical.js';
import { changeSeason } from '../core/season/changes';
import { compareSeasons } from '../core/season/difference';
import { layOutSeason } from '../core/season/layout/layOut';
import type { SeasonDay, SeasonPlan, StoredSeason } from '../core/season/season';
import type { SquadMember } from '../core/squad/athlete';
import { daysAfter } from '../core/units/dayNumber';
import { expect, press, sessionCalled, test, type By, ALL_RUNS, ALL_SESSIONS } from './app';
import { todaysSession } from './board';
import { daysOf, putSeason, seasonCalled, spoken, today } from './seasons';

const by = (isMobile: boolean): By => (isMobile ? 'touch' : 'keyboard');

/** A hard day that is only laid out, and that changes places with the day after it without moving others: it is done without asking. */
function freeHardDay(season: SeasonPlan): SeasonDay {
  const days = daysOf(season);
  const isFree = ({ date, kind, because, thread }: SeasonDay, i: number) =>
    date > today() && kind === 'hard' && !because && thread && days[i + 1]?.kind !== 'race' && !days[i + 1]?.because;
  const movesAlone = ({ date }: SeasonDay) => {
    const swapped = changeSeason(season, { kind: 'swap', from: date, to: daysAfter(date, 1) }, today());
    return compareSeasons(layOutSeason(season), layOutSeason(swapped), today()).moves.length <= 2;
  };
  const day = days.filter(isFree).find(movesAlone);
  if (!day) throw new Error('There is no hard day to move.');
  return day;
}

test('from nothing to a season that is laid out', async ({ page, empty, isMobile }) => {
  await page.goto(empty.url);
  await expect(page.getByText('Who is in the squad?')).toBeVisible();
  await press(page, by(isMobile), page.getByRole('button', { name: 'Lay out a season' }));
  const raceDay = daysAfter(today(), 84);
  await page.getByLabel('When is the race?').fill(raceDay);
  await page.getByLabel('Which race').fill('Spring open');
  await expect(page.getByRole('heading', { name: /1[23] weeks, from/ })).toBeVisible();
  await press(page, by(isMobile), page.getByRole('button', { name: 'Lay it out' }));
  await expect(page.getByRole('region', { name: 'Season ladder' })).toBeVisible();
  await expect(page.getByRole('button', { name: `${spoken(raceDay)}, Spring open` })).toBeVisible();
  await expect(page.getByText('Nothing: hard days are apart')).toBeVisible();
  const [stored] = await empty.get<StoredSeason[]>('seasons');
  expect(stored?.season).toMatchObject({ name: 'Spring open', races: [{ date: raceDay, weight: 'A' }] });
});

test('a race before the first day is said, and not laid out', async ({ page, empty }) => {
  await page.goto(`${empty.url}/season/new`);
  await page.getByLabel('First day').fill(daysAfter(today(), 30));
  await page.getByLabel('When is the race?').fill(daysAfter(today(), 20));
  await expect(page.getByText('The race is before the first day.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Lay it out' })).toBeDisabled();
});

test('a race is moved: what that moves is shown first, taken, and undone in one step', async ({
  page,
  demo,
  isMobile,
}) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  await page.goto(`${demo.url}/season/race/${id}/harbour`);
  const how = by(isMobile);
  await press(page, how, page.getByRole('button', { name: 'Move or change it' }));
  const before = season.races.find((race) => race.id === 'harbour')?.date ?? '';
  const later = daysAfter(before, 14);
  await page.getByLabel('Day', { exact: true }).fill(later);
  await press(page, how, page.getByRole('button', { name: 'Save the race' }));
  const asked = page.getByRole('alertdialog', { name: 'What would change' });
  await expect(asked).toContainText(/\d+ sessions? moves?/);
  const dateNow = async () =>
    (await seasonCalled(demo, 'Five')).season.races.find((race) => race.id === 'harbour')?.date;
  expect(await dateNow()).toBe(before);
  await press(page, how, asked.getByRole('button', { name: 'Take it' }));
  await expect.poll(dateNow).toBe(later);
  // What is over has not moved.
  const past = (plan: SeasonPlan) =>
    daysOf(plan).flatMap(({ date, kind, thread }) => (date < today() ? [{ date, kind, thread }] : []));
  expect(past((await seasonCalled(demo, 'Five')).season)).toEqual(past(season));
  await press(page, how, page.getByRole('button', { name: 'Undo' }));
  await expect.poll(dateNow).toBe(before);
});

test('a hard day is dragged with the keyboard @wide', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const day = freeHardDay(season);
  await page.goto(`${demo.url}/season/${id}`);
  const ladder = page.getByRole('region', { name: 'Season ladder' });
  const cell = ladder.getByRole('button', { name: new RegExp(`^${spoken(day.date)}, `) });
  await cell.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(new RegExp(`(Picked up|Over) ${spoken(day.date)}`))).toBeAttached();
  await page.keyboard.press('ArrowRight');
  const after = daysAfter(day.date, 1);
  await expect(page.getByText(`Over ${spoken(after)}`, { exact: false })).toBeAttached();
  await page.keyboard.press('Space');
  await expect
    .poll(async () => (await seasonCalled(demo, 'Five')).season.fixed.find(({ date }) => date === after))
    .toMatchObject({ kind: 'hard', because: 'pinned', threadId: day.thread?.id });
  await expect(ladder.getByRole('button', { name: new RegExp(`^${spoken(after)}, .*pinned`) })).toBeVisible();
});

test('a hard day is dragged with the mouse, and does not open by it @wide', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const day = freeHardDay(season);
  const after = daysAfter(day.date, 1);
  await page.goto(`${demo.url}/season/${id}`);
  const ladder = page.getByRole('region', { name: 'Season ladder' });
  const cell = (date: string) => ladder.getByRole('button', { name: new RegExp(`^${spoken(date)}, `) });
  await cell(day.date).hover();
  await page.mouse.down();
  await cell(after).hover({ force: true });
  await expect(page.getByText(`Over ${spoken(after)}`, { exact: false })).toBeAttached();
  await page.mouse.up();
  await expect
    .poll(async () => (await seasonCalled(demo, 'Five')).season.fixed.find(({ date }) => date === after)?.kind)
    .toBe('hard');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('a hard day is dragged by the finger that rests on it; a swipe over it scrolls', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const day = freeHardDay(season);
  const after = daysAfter(day.date, 1);
  await page.goto(`${demo.url}/season/${id}`);
  const ladder = page.getByRole('region', { name: 'Season ladder' });
  const cell = (date: string) => ladder.getByRole('button', { name: new RegExp(`^${spoken(date)}, `) });
  await cell(day.date).scrollIntoViewIfNeeded();
  const [from, to] = [await cell(day.date).boundingBox(), await cell(after).boundingBox()];
  if (!from || !to) throw new Error('Nothing to drag.');
  const touch = await page.context().newCDPSession(page);
  const at = (type: 'touchStart' | 'touchMove', x: number, y: number) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: [{ x, y }] });
  await at('touchStart', from.x + 20, from.y + 20);
  await expect(page.getByText(new RegExp(`(Picked up|Over) ${spoken(day.date)}`))).toBeAttached();
  for (let i = 1; i <= 6; i++) await at('touchMove', from.x + 20 + ((to.x - from.x) * i) / 6, from.y + 20);
  await expect(page.getByText(`Over ${spoken(after)}`, { exact: false })).toBeAttached();
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect
    .poll(async () => (await seasonCalled(demo, 'Five')).season.fixed.find(({ date }) => date === after)?.kind)
    .toBe('hard');
});

test('a hard day knows its session: written for real when it is planned, once', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const day = freeHardDay(season);
  await page.goto(`${demo.url}/season/${id}`);
  await page
    .getByRole('region', { name: 'Season ladder' })
    .getByRole('button', { name: new RegExp(`^${spoken(day.date)}, `) })
    .tap();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Plan' }).tap();
  await expect(page).toHaveURL(/\/sessions\/plan\//);
  await expect(page.getByText(/of 14 take part/)).toBeVisible();
  const onDay = async () =>
    (await demo.get<{ id: string; date: string }[]>(ALL_SESSIONS)).filter(({ date }) => date === day.date);
  expect(await onDay()).toHaveLength(1);
  const fixed = (await seasonCalled(demo, 'Five')).season.fixed.find(({ date }) => date === day.date);
  expect(fixed).toMatchObject({ because: 'written', sessionId: (await onDay())[0]?.id });
});

test('somebody who is ill is left out of roll call and plan, and eased back after it', async ({ page, demo }) => {
  const { id } = await seasonCalled(demo, 'Five');
  await page.goto(`${demo.url}/season/${id}`);
  await page.getByRole('radio', { name: 'Away' }).tap();
  await page.getByRole('button', { name: 'Somebody is away or ill' }).tap();
  await page.getByLabel('Who', { exact: true }).selectOption({ label: 'Ada Brindlecote' });
  await page.getByLabel('What it is').selectOption({ label: 'Ill' });
  await page.getByLabel('Last day').fill(daysAfter(today(), 1));
  await expect(page.getByText('Then easing back for 2 days')).toBeVisible();
  await page.getByRole('button', { name: 'Note it' }).tap();
  await expect(page.getByText(/^Ada Brindlecote: ill, /)).toBeVisible();
  const session = await todaysSession(demo);
  await page.goto(`${demo.url}/track/ready/${session.id}`);
  await expect(page.getByRole('button', { name: /^Go with 13/ })).toBeVisible();
  // Two days later she eases back.
  const later = await sessionCalled(demo, 'Over and under');
  await page.goto(`${demo.url}/track/ready/${later.id}`);
  await expect(page.getByText('Easing back')).toHaveCount(2);
  await page.goto(`${demo.url}/season`);
  await expect(page.getByText(/Not as usual: .*Ada \(ill\)/)).toBeVisible();
});

test('after a bad session the coach holds its thread, and the season waits', async ({ page, demo }) => {
  const runs = await demo.get<{ id: string; title: string }[]>(ALL_RUNS);
  const run = runs.find(({ title }) => title === 'Threshold kilometres, 3');
  await page.goto(`${demo.url}/results/${run?.id}/next`);
  const region = page.getByRole('region', { name: 'In the season' });
  await expect(region).toContainText('Kilometres, one more each time');
  await region.getByRole('button', { name: /: a step back$/ }).tap();
  await expect
    .poll(async () => (await seasonCalled(demo, 'Five')).season.decisions)
    .toMatchObject([{ threadId: 'kilometres', step: 'back' }]);
  const { season } = await seasonCalled(demo, 'Five');
  const next = daysOf(season).find(({ date, thread }) => date > today() && thread?.id === 'kilometres');
  expect(next?.thread?.step).toBe(1);
});

test('a race that was run: the time is typed once, is a mark from then on, and its splits are read', async ({
  page,
  demo,
}) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  const race = season.races.find((race) => race.id === 'riverside');
  await page.goto(`${demo.url}/season/race/${id}/riverside`);
  await page.getByLabel('Who runs').selectOption({ label: 'Milo Thurskell' });
  await page.getByLabel('Distance').fill('3000');
  await page.getByLabel('Goal', { exact: true }).fill('9:50');
  await page.getByRole('button', { name: 'Enter them' }).tap();
  await page.getByLabel('Time of Milo').fill('9:57.2');
  await page.getByRole('button', { name: 'Keep' }).tap();
  await expect(page.getByText(/3k? ?\d* .*ran 9:57\.2|ran 9:57\.2/).first()).toBeVisible();
  const milo = (await demo.get<SquadMember[]>('athletes')).find(({ name }) => name === 'Milo Thurskell');
  expect(milo?.marks).toContainEqual(
    expect.objectContaining({ date: race?.date, distanceM: 3000, timeS: 597.2, kind: 'race' }),
  );
  await page.getByRole('button', { name: 'Read Milo Thurskell' }).tap();
  await page.getByRole('button', { name: 'Splits: by km' }).tap();
  await page.getByLabel('Splits, in order').fill('3:10 3:18 3:29.2');
  await page.getByRole('button', { name: 'Read them by thirds' }).tap();
  await expect(page.getByText(/opened too fast/)).toBeVisible();
});

test('a missed session is let go, and that is undone', async ({ page, demo }) => {
  const { id, version, season } = await seasonCalled(demo, 'Five');
  // A hard day of the past that nobody ran.
  const date = daysOf(season).find((day) => day.date < today() && day.kind === 'easy')?.date ?? '';
  const fixed = season.fixed.map((day) =>
    day.date === date ? { ...day, kind: 'hard' as const, threadId: 'thr' } : day,
  );
  await putSeason(demo, { id, version, season: { ...season, fixed, done: [] } });
  await page.goto(`${demo.url}/season/${id}`);
  await page
    .getByRole('region', { name: 'Season ladder' })
    .getByRole('button', { name: new RegExp(`^${spoken(date)}, `) })
    .tap();
  await page.getByRole('button', { name: 'Let it go' }).tap();
  const missed = async () => (await seasonCalled(demo, 'Five')).season.fixed.find((day) => day.date === date)?.missed;
  await expect.poll(missed).toBe('skip');
});

test('the calendar file is read by another program, and names nobody', async ({ page, demo }) => {
  const { id, season } = await seasonCalled(demo, 'Five');
  await page.goto(`${demo.url}/season/${id}`);
  await page.getByRole('radio', { name: 'Races' }).tap();
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Calendar file' }).tap();
  const file = await downloading;
  const chunks: Buffer[] = [];
  for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
  const text = Buffer.concat(chunks).toString();
  const events = new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents('vevent')
    .map((component) => new ICAL.Event(component));
  const race = season.races.find((race) => race.id === 'harbour');
  expect(events.find(({ summary }) => summary === 'Harbour meeting')?.startDate.toString()).toBe(
    `${race?.date}T15:20:00`,
  );
  expect(text).not.toMatch(/Brindlecote|Ada|Petherlow|Gus/);
});

test.describe('where the server says no', () => {
  test.use({ expectedConsole: /409 .*\/api\/seasons\// });

  test('two phones change a season: the second is told, and sees what is there now', async ({ page, demo }) => {
    const { id, version, season } = await seasonCalled(demo, 'Five');
    await page.goto(`${demo.url}/season/${id}`);
    await page.getByRole('radio', { name: 'Away' }).tap();
    await demo.send('PUT', `seasons/${id}`, { version, season: { ...season, name: 'Five and ten, renamed' } });
    await page.getByRole('button', { name: 'Take out Gus Petherlow' }).tap();
    await expect(page.getByText(/Somebody has changed this season/)).toBeVisible();
    expect((await seasonCalled(demo, 'Five')).season.exceptions).toHaveLength(1);
  });
});

test('weeks go by with a swipe and come back with a press', async ({ page, demo }) => {
  await page.goto(`${demo.url}/season`);
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  await page.getByRole('button', { name: 'The week after' }).tap();
  await expect(page.getByRole('heading', { name: 'This week' })).toBeHidden();
  await page.getByRole('button', { name: 'Back to this week' }).tap();
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  const list = page.getByRole('list', { name: 'Days' });
  await list.scrollIntoViewIfNeeded();
  const box = await list.boundingBox();
  if (!box) throw new Error('No days.');
  const touch = await page.context().newCDPSession(page);
  const y = Math.min(box.y + 60, 700);
  const at = (type: 'touchStart' | 'touchMove', x: number) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: [{ x, y }] });
  await at('touchStart', 320);
  for (let x = 300; x >= 100; x -= 40) await at('touchMove', x);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect(page.getByRole('button', { name: 'Back to this week' })).toBeVisible();
});
