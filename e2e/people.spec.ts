import { ulid } from 'ulid';
import type { RunEvent } from '../core/run/events';
import type { Plan } from '../core/run/plan';
import { expect, press, test } from './app';
import { Board, tapped, clockedSession, todaysSession, writeToday } from './board';

type Stored = { plan: Plan; events: RunEvent[] };

test('roll call: late, away, a visitor in the times of somebody, another group, the weather; all of it at the track', async ({
  page,
  demo,
  isMobile,
}) => {
  const by = isMobile ? 'touch' : 'keyboard';
  const board = new Board(page, by);
  const tap = (name: string | RegExp) => press(page, by, board.button(name));
  const { id } = await todaysSession(demo);
  await page.clock.install();
  await page.goto(`${demo.url}/track/ready/${id}`);
  await press(page, by, page.getByRole('checkbox', { name: 'Cleo Wexmoor' }));
  await press(page, by, page.getByRole('switch', { name: 'Esi Lindquay comes late' }));
  await tap('Change groups');
  await page.getByLabel('Fern Hollowick runs with').selectOption({ label: 'Young ones' });
  await tap('Done');
  await expect(
    page.getByRole('group', { name: 'Young ones' }).getByRole('checkbox', { name: 'Fern Hollowick' }),
  ).toBeVisible();
  // A name is enough; here also whose times.
  await tap('Add visitor');
  await expect(page.getByText('A name is needed', { exact: false })).toBeVisible();
  await page.getByLabel('Visitor’s name').fill('Bo Oakhem');
  await page.getByLabel('In the times of').selectOption({ label: 'Bo Tarrowby' });
  await tap('Add visitor');
  await expect(page.getByRole('checkbox', { name: 'Bo Oakhem' })).toBeVisible();
  await press(page, by, page.getByRole('checkbox', { name: 'Young ones' }));
  await page.getByLabel('Temperature, °C').fill('hot');
  await page.getByLabel('Temperature, °C').blur();
  await expect(page.getByText('A number from −60 to 60.').or(page.getByText('A number from -60 to 60.'))).toBeVisible();
  await page.getByLabel('Temperature, °C').fill('31');
  await page.getByLabel('Humidity, %').fill('60');
  await page.getByLabel('Humidity, %').blur();
  await expect(page.getByText(/It should feel like \d+ °C/)).toBeVisible();
  await press(page, by, page.getByRole('radio', { name: 'windy' }));
  await tap('Check sound and screen');
  await expect(page.getByRole('status', { name: 'Sound and screen' })).toContainText(/screen/);
  await tap('Go with 14 athletes');

  // Only the groups of this phone have tiles; who is late waits, who is away has none.
  await expect(board.tile('Esi')).toHaveAccessibleName(/not here yet/);
  await expect(board.tile('Bo O')).toHaveAccessibleName(/ready, target 1:19\.3/);
  await expect(board.tile('Cleo')).toBeHidden();
  await expect(board.tile('Fern')).toBeHidden();
  await expect(page.getByRole('radio', { name: 'Mine' })).toBeVisible();
  await board.start();
  await expect(board.tile('Esi')).toHaveAccessibleName(/not here yet/);
  // She comes, and runs with them from the next rep on.
  await tap('More');
  await tap('Who is here');
  await press(page, by, page.getByRole('radiogroup', { name: 'Esi Lindquay is' }).getByRole('radio', { name: 'here' }));
  await tap('Close Who is here');
  await board.wait(80);
  await board.press(board.tile('Bo'));
  await board.startAll(/^(Start|Next) rep 2/);
  await expect(board.tile('Esi')).toHaveAccessibleName(/running/);
  const { plan, events } = await demo.get<Stored>(`runs/${board.runId()}`);
  const young = plan.groups.find(({ name }) => name === 'Young ones');
  expect(young?.athletes.map(({ name }) => name)).toContain('Fern Hollowick');
  expect(events.find(({ type }) => type === 'conditions')).toMatchObject({
    conditions: { temperatureC: 31, humidityPct: 60, wind: 'windy' },
  });
});

test('24 athletes in four groups on different reps, started one after the other by themselves, on one phone', async ({
  page,
  demo,
}) => {
  const mark = { distanceM: 5000, timeS: 1300, date: '2026-01-01', kind: 'race' };
  const extra = Array.from({ length: 10 }, (_, i) => ({ id: ulid(), name: `Zed Runner${i}`, marks: [mark] }));
  await demo.send('POST', 'squad/changes', { athletes: extra });
  const everyone = await demo.get<{ id: string; archived?: boolean }[]>('athletes');
  const ids = everyone.filter(({ archived }) => !archived).map(({ id }) => id);
  const { id } = await todaysSession(demo);
  const versions = ['4x400 @5k / 60s', '5x600 @5k / 75s', '6x300 @3k / 60s', '3x1000 @threshold / 60s'];
  const groups = versions.map((version, i) => ({
    id: ulid(),
    name: `Group ${i + 1}`,
    athleteIds: ids.slice(i * 6, i * 6 + 6),
    version,
    ...(i > 0 ? { startGapS: 10 * i } : {}),
  }));
  await demo.send('PUT', `sessions/${id}/plan`, { groups });
  const board = new Board(page, 'touch');
  await page.clock.install();
  await page.goto(`${demo.url}/track/ready/${id}`);
  await board.button('Go with 24 athletes').tap();
  const start = board.button(/^Start Group 1: 400 @5k, Group 2 \+0:10, Group 3 \+0:20, Group 4 \+0:30/);
  await expect(start).toBeVisible();
  await board.hold();
  await board.press(start);
  await expect(page.getByRole('radio', { name: /^Group 2: −0:10/ })).toBeVisible();
  await board.wait(11);
  await expect(page.getByRole('radio', { name: /^Group 2: 0:0[01]/ })).toBeVisible();
  await expect(page.getByRole('radio', { name: /^Group 4: −0:(19|20)/ })).toBeVisible();
  await board.wait(21);
  const tiles = page.getByRole('group', { name: 'Line board' }).getByRole('button', { name: /: running/ });
  await expect(tiles).toHaveCount(24);
  // One group at a time, with bigger tiles, each where it was before.
  const place = async () => (await tiles.first().boundingBox())?.height ?? 0;
  const small = await place();
  await page.getByRole('radio', { name: /^Group 3/ }).tap();
  await expect(tiles).toHaveCount(6);
  expect(await place()).toBeGreaterThanOrEqual(small);
  await expect(page.getByText('1 of 6: 300 @3k')).toBeVisible();
});

test('open-ended work: nobody is told how many, each is cut down and ends when it is time', async ({ page, demo }) => {
  const id = await writeToday(demo, 'open x 600|400 @threshold / 60s');
  const board = new Board(page, 'touch');
  await board.open(demo, id);
  await board.start(/^Start: 600 @threshold/);
  await expect(page.getByRole('heading', { name: '600 @threshold', exact: true })).toBeVisible();
  await board.wait(150);
  for (const name of ['Bo', 'Ada']) {
    await board.press(board.tile(name));
    await expect(board.tile(name)).toHaveAccessibleName(/recovery/);
  }
  await board.wait(3);
  await board.press(board.tile('Bo'));
  await board.press(board.button('On to the next shorter distance'));
  await board.press(board.button('Close Bo Tarrowby'));
  await board.press(board.tile('Ada'));
  await board.press(board.button('That was the last one'));
  await board.press(board.button('Close Ada Brindlecote'));
  await board.wait(60);
  await board.startAll(/^(Start|Next): 600 @threshold/);
  await expect(board.tile('Ada')).toHaveAccessibleName(/done/);
  await expect(page.getByText(/\d of \d/)).toBeHidden();
  await board.wait(70);
  await expect(board.tile('Bo')).toHaveAccessibleName(/running, next finish/);
});

test('a fartlek calls itself: what is now, what comes next, large; it goes on without a tap', async ({
  page,
  demo,
}) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await clockedSession(demo)).id);
  const caller = page.getByRole('group', { name: 'Caller for Milers, Five and ten and Young ones' });
  await expect(caller).toContainText('Ready');
  await board.hold();
  await board.press(board.button(/^(Start|Next)/));
  await expect(caller).toContainText('@3k');
  await expect(caller).toContainText('Next: 1:30 easy');
  await board.wait(60);
  await expect(page.getByRole('timer', { name: '@3k: left' })).toHaveText(/0:(30|29)/);
  await board.wait(40);
  await expect(caller).toContainText('easy');
  await expect(caller).toContainText('Next: 1:00 @3k');
  // The next rep starts by itself, when its moment has come.
  await board.wait(85);
  await expect(caller).toContainText('Next: 1:00 easy');
  await expect(page.getByRole('heading', { name: '2 of 8: 60s @3k' })).toBeVisible();
});

test('groups that do not go together each have their part of the caller', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await clockedSession(demo)).id);
  await board.hold();
  await page.getByRole('radio', { name: /^Milers/ }).tap();
  await board.press(board.button('Start Milers: 90s @3k'));
  await expect(page.getByRole('group', { name: 'Caller for Milers', exact: true })).toContainText('@3k');
  await page.getByRole('radio', { name: 'All' }).tap();
  const others = page.getByRole('group', { name: 'Caller for Five and ten and Young ones' });
  await expect(others).toContainText('Ready');
  await board.wait(60);
  await board.press(board.button('Start 2 groups: 90s @3k'));
  await expect(others).toContainText('Next: 1:30 easy');
  await board.wait(40);
  await expect(others).toContainText('@3k');
  await expect(page.getByRole('group', { name: 'Caller for Milers', exact: true })).toContainText('Next: 1:00 @3k');
});

test('a fartlek without structure: a tap as the leader calls, and how often it was', async ({ page, demo }) => {
  const id = await writeToday(demo, 'main: 25min free @effort 6-8');
  const board = new Board(page, 'touch');
  await board.open(demo, id);
  await page.getByRole('radio', { name: /^Milers/ }).tap();
  await board.hold();
  await board.press(board.button(/^(Start|Next)/));
  await expect(page.getByText('Tap as the leader calls')).toBeVisible();
  for (let i = 1; i <= 2; i++) {
    await board.press(board.button('Surge: fast now'));
    await expect(page.getByText(new RegExp(`^Surge 0:0\\d · ${i} so far`))).toBeVisible();
    await board.wait(30);
    await board.press(board.button('Float: easy now'));
    await expect(page.getByText(/^Float 0:0\d/)).toBeVisible();
    await board.wait(30);
  }
  // What the watch or the markers said is put in afterwards.
  await board.button('Show the tiles').tap();
  await board.wait(1600);
  await board.press(board.tile('Bo'));
  await page.getByLabel('Distance covered, in metres').fill('6100');
  await page.getByLabel('Distance covered, in metres').blur();
  await expect
    .poll(async () => (await tapped(demo, board.runId())).map(({ type }) => type))
    .toEqual(['started', 'surged', 'surged', 'surged', 'surged', 'covered']);
});
