import { expect, test } from './app';
import { Board, tapped, todaysSession } from './board';

test.use({ serviceWorkers: 'allow' });

const ready = 'This phone opens the app and today’s and tomorrow’s sessions without a network.';

test('with the server gone from roll call to results nothing is missing; all of it is there when it is back', async ({
  page,
  killable,
}) => {
  await page.goto(`${killable.url}/track`);
  await expect(page.getByText(ready, { exact: false })).toBeVisible();
  const { id } = await todaysSession(killable);
  await killable.kill();
  // The app itself, and a screen that was never open before, from the phone alone.
  await page.goto(`${killable.url}/track/ready/${id}`);
  const board = new Board(page, 'touch');
  await expect(page.getByRole('checkbox', { name: 'Ada Brindlecote' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Cleo Wexmoor' }).tap();
  await board.button('Go with 13 athletes').tap();
  await board.button(/^Start: /).tap();
  await expect(board.tile('Bo')).toHaveAccessibleName(/running/);
  const unnamed = page.getByRole('status', { name: 'Times without a name' });
  for (const n of [1, 2, 3]) {
    await board.press(board.button(/^Line/));
    await expect(unnamed).toContainText(`${n} time`);
  }
  // A reload with no server: the same board, nothing lost.
  await page.reload();
  await expect(unnamed).toContainText('3 times');
  await expect(page.getByRole('status', { name: /^Times kept: \d+ on this phone only/ })).toBeVisible();
  const runId = board.runId();
  await board.endNow();
  await board.button('See the results').tap();
  await expect(page.getByRole('row', { name: /Bo Tarrowby/ })).toContainText('no finish');
  await page.getByRole('link', { name: 'Track' }).tap();
  await expect(page.getByRole('status', { name: 'What is kept where' })).toContainText('on this phone only');
  await killable.start();
  await expect(page.getByRole('status', { name: 'What is kept where' })).toContainText('All times are on the server.', {
    timeout: 60_000,
  });
  expect((await tapped(killable, runId)).map(({ type }) => type)).toEqual([
    'started',
    'crossed',
    'crossed',
    'crossed',
    'ended',
  ]);
});

test('this week opens without the server, with today and the way to the track', async ({ page, killable }) => {
  await page.goto(`${killable.url}/track`);
  await expect(page.getByText(ready, { exact: false })).toBeVisible();
  await killable.kill();
  await page.goto(`${killable.url}/season`);
  const today = page.getByRole('region', { name: 'Today' });
  await expect(today.getByRole('heading', { name: 'Even 400s, quick finish' })).toBeVisible();
  await expect(page.getByText('no longer in the library', { exact: false })).toHaveCount(0);
  await today.getByRole('button', { name: 'To the track' }).tap();
  await expect(page.getByRole('checkbox', { name: 'Ada Brindlecote' })).toBeVisible();
});

test('the app can be installed: a manifest with a name, a start address, and icons that exist', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/track`);
  const link = await page.locator('link[rel="manifest"]').getAttribute('href');
  const answer = await page.request.get(demo.url + (link ?? ''));
  const manifest = (await answer.json()) as { name: string; start_url: string; icons: { src: string }[] };
  expect(manifest).toMatchObject({ name: 'Zest Lap', start_url: '/track', display: 'standalone' });
  for (const { src } of manifest.icons) expect((await page.request.get(demo.url + src)).status()).toBe(200);
  // What the API says of anyone is in no cache.
  await expect(page.getByText(ready, { exact: false })).toBeVisible();
  const cached = await page.evaluate(async () => {
    const urls: string[] = [];
    for (const name of await caches.keys())
      for (const request of await (await caches.open(name)).keys()) urls.push(new URL(request.url).pathname);
    return urls;
  });
  expect(cached).toContain('/index.html');
  expect(cached.filter((path) => path.startsWith('/api'))).toEqual([]);
});
