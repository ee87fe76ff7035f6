import type { Page } from '@playwright/test';
import { ulid } from 'ulid';
import type { StoredSeason } from '../core/season/season';
import { expect, openWithin, seriousProblems, test, ALL_RUNS, sessionText, expectWritten } from './app';
import type { RunningApp } from './runningApp';
import { Board, todaysSession } from './board';

/** Every screen of the demo, by what is on it. */
async function screens(demo: RunningApp): Promise<{ path: string; shows: string | RegExp }[]> {
  const { id } = await todaysSession(demo);
  const [athlete] = await demo.get<{ id: string; name: string }[]>('athletes');
  const [run] = await demo.get<{ id: string; title: string }[]>(ALL_RUNS);
  const season = (await demo.get<StoredSeason[]>('seasons')).find((season) => season.season.name.startsWith('Five'));
  const library = await demo.get<{ sessions: { id: string }[]; progressions: { id: string }[] }>('library');
  return [
    { path: '/squad', shows: '14 athletes' },
    { path: `/squad/${athlete?.id}`, shows: 'By “Fitness curve”' },
    { path: '/squad/new', shows: 'New athlete' },
    { path: '/squad/groups', shows: 'Suggest groups' },
    { path: '/squad/books', shows: 'Seconds from 5k pace' },
    { path: '/squad/books/offset', shows: 'Copy and make it mine' },
    { path: '/squad/files', shows: 'Bring in a list' },
    { path: '/season', shows: 'This week' },
    { path: '/season/new', shows: 'How many hard days a week?' },
    { path: `/season/${season?.id}`, shows: 'To look at again' },
    { path: `/season/race/${season?.id}/harbour`, shows: 'What to think of' },
    { path: '/sessions', shows: 'Today and to come' },
    { path: `/sessions/${id}`, shows: 'Lap by lap' },
    { path: '/sessions/library', shows: '46 sessions' },
    { path: `/sessions/library/${library.sessions[0]?.id}`, shows: 'Put on this day' },
    { path: '/sessions/progressions', shows: 'Kilometres, one more each time' },
    { path: `/sessions/progressions/${library.progressions[0]?.id}`, shows: 'Add a step' },
    { path: '/sessions/files', shows: 'Bring in sessions' },
    { path: '/sessions/guides', shows: 'Of that, for someone who' },
    { path: `/sessions/plan/${id}`, shows: '14 of 14 take part' },
    { path: '/sessions/places', shows: 'Come with the app' },
    { path: '/track', shows: 'Ready to run' },
    { path: `/track/ready/${id}`, shows: 'Who is here?' },
    { path: '/results', shows: /130 of 130 reps/ },
    { path: `/results/${run?.id}`, shows: 'rep to rep' },
    { path: `/results/${run?.id}/${athlete?.id}`, shows: 'The whole session' },
    { path: `/results/${run?.id}/next`, shows: 'What is run then' },
    { path: `/results/${run?.id}/same`, shows: 'Rep for rep' },
    { path: '/results/squad', shows: 'Load by week' },
    { path: '/results/files', shows: 'A CSV with one row a rep' },
    { path: `/squad/${athlete?.id}?side=sessions`, shows: 'Load by week' },
    { path: `/squad/${athlete?.id}?side=season`, shows: 'How fitness has come along' },
    { path: '/settings', shows: 'Hot months' },
    { path: '/settings/help', shows: 'A row is a lap' },
    { path: '/settings/keys', shows: 'Writing a session' },
  ];
}

/** Nothing serious for axe, and nothing wider than the window. */
async function checkLook(page: Page, where: string, of: Parameters<typeof seriousProblems>[1]) {
  expect({ where, problems: await seriousProblems(page, of) }).toEqual({ where, problems: [] });
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect({ where, overflow }).toEqual({ where, overflow: 0 });
}

/** A screen in light, and on a phone its colours also in dark: they are the same on a wide screen. */
async function checkScreen(page: Page, where: string, isMobile: boolean) {
  await checkLook(page, `${where}, light`, isMobile ? 'all' : 'not colours');
  if (!isMobile) return;
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const light = await ground();
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(ground).not.toBe(light);
  await checkLook(page, `${where}, dark`, 'colours');
  await page.emulateMedia({ colorScheme: 'light' });
}

for (const place of ['squad', 'season', 'sessions', 'track', 'results', 'settings'])
  test(`no screen of ${place} has a serious accessibility problem or a part out of sight @both`, async ({
    page,
    demo,
    isMobile,
  }) => {
    // Many analyses of whole pages.
    test.slow();
    const all = await screens(demo);
    const chosen = all.filter(({ path }) => path.startsWith(`/${place}`));
    expect(chosen.length).toBeGreaterThan(0);
    for (const [i, { path, shows }] of chosen.entries()) {
      if (i === 0) await page.goto(demo.url + path);
      else await openWithin(page, path);
      await expect(page.getByText(shows).first()).toBeVisible();
      await checkScreen(page, path, isMobile);
    }
  });

test('nor has the board in mid-rep @both', async ({ page, demo, isMobile }) => {
  const board = new Board(page, 'keyboard');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  await board.wait(36);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish/);
  await board.letRun();
  await checkScreen(page, 'the board', isMobile);
});

test('every tile is big enough for a cold thumb and in sight, for 14 and for 24 athletes', async ({ page, demo }) => {
  const check = async (count: number) => {
    const tiles = page.getByRole('group', { name: 'Line board' }).getByRole('button');
    await expect(tiles).toHaveCount(count);
    const frame = await page.getByRole('group', { name: 'Line board' }).boundingBox();
    for (const tile of await tiles.all()) {
      const box = await tile.boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(64);
      expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual((frame?.y ?? 0) + (frame?.height ?? 0) + 1);
      expect(box?.y ?? 0).toBeGreaterThanOrEqual((frame?.y ?? 0) - 1);
    }
  };
  const board = new Board(page, 'touch');
  const { id } = await todaysSession(demo);
  await board.open(demo, id);
  await check(14);
  const mark = { distanceM: 5000, timeS: 1300, date: '2026-01-01', kind: 'race' };
  const athletes = Array.from({ length: 10 }, (_, i) => ({ id: ulid(), name: `Zed Runner${i}`, marks: [mark] }));
  await demo.send('POST', 'squad/changes', { athletes });
  await page.goto(`${demo.url}/track/ready/${id}`);
  await board.button('Go with 24 athletes').tap();
  await expect(board.button(/^Start: /)).toBeVisible();
  await check(24);
});

test('with nothing in it yet, every place says what to do next', async ({ page, empty }) => {
  await page.goto(empty.url);
  for (const [path, text] of [
    ['/squad', 'Nobody here yet'],
    ['/season', 'Who is in the squad?'],
    ['/sessions', 'No session yet'],
    ['/track', 'Nothing for today'],
    ['/results', 'No results yet'],
  ] as const) {
    await openWithin(page, path);
    await expect(page.getByText(text)).toBeVisible();
  }
  // A session with nobody to run it cannot be started, and says why.
  await openWithin(page, '/sessions');
  await page.getByRole('button', { name: 'New session' }).click();
  await sessionText(page).fill('6x400 @5k / 90s');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'To the track' }).click();
  await expect(page.getByText('Nobody in the squad')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Go with 0/ })).toBeDisabled();
});

test.describe('where the server says no', () => {
  test.use({ expectedConsole: /404 .*\/api\/(runs|sessions)\// });

  test('an address of something that is not there says so', async ({ page, demo }) => {
    const NOBODY = '01AAAAAAAAAAAAAAAAAAAAAAAA';
    await page.goto(demo.url);
    for (const [path, text] of [
      [`/squad/${NOBODY}`, 'Not in the squad'],
      [`/squad/books/${NOBODY}`, 'No such pace book'],
      [`/season/${NOBODY}`, 'No such season'],
      [`/season/race/${NOBODY}/x`, 'No such race'],
      [`/sessions/${NOBODY}`, 'No such session'],
      [`/track/ready/${NOBODY}`, 'No such session'],
      [`/track/run/${NOBODY}`, 'Not found'],
      [`/results/${NOBODY}`, 'No such results'],
    ] as const) {
      await openWithin(page, path);
      await expect(page.getByText(text)).toBeVisible();
    }
    // As an address that was sent along, which the app starts with.
    await page.goto(`${demo.url}/nowhere`);
    await expect(page.getByText('No such page')).toBeVisible();
  });
});

test('while the server is away, screens say so and nothing typed is lost', async ({ page, killable }) => {
  await page.goto(`${killable.url}/sessions/${(await todaysSession(killable)).id}`);
  const text = sessionText(page);
  await expect(text).toBeVisible();
  await killable.kill();
  await text.fill('5x1000 @threshold / 60s');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await expectWritten(page, '5x1000 @threshold / 60s');
  // Not even by going elsewhere meanwhile.
  await page.getByRole('button', { name: 'Back to all sessions' }).click();
  await page.getByRole('link', { name: /Even 400s.*Today/ }).click();
  await expectWritten(page, '5x1000 @threshold / 60s');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await killable.start();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.reload();
  await expectWritten(page, '5x1000 @threshold / 60s');
});

test.describe('where a screen is made to fail', () => {
  test.use({ expectedConsole: /^error: / });

  test('a screen that fails says what is safe, and can be tried again', async ({ page, demo }) => {
    await page.route('**/api/athletes', (route) => route.fulfill({ json: [{ id: 'broken' }] }));
    await page.goto(`${demo.url}/squad`);
    await expect(page.getByRole('heading', { name: 'This screen stopped working' })).toBeVisible();
    expect(await seriousProblems(page)).toEqual([]);
    await page.unroute('**/api/athletes');
    await page.goto(`${demo.url}/squad`);
    await expect(page.getByText('14 athletes')).toBeVisible();
  });
});
