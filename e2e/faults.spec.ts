import { expect, test } from './app';
import { Board, tapped, todaysSession } from './board';

test('a reload in the middle of a rep loses nothing, and the clock runs on', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  await board.wait(38);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish.*at 200 3[89]\.\d/);
  const before = await board.tile('Bo').getAttribute('aria-label');
  await board.letRun();
  await page.reload();
  await expect(board.tile('Bo')).toHaveAccessibleName(before ?? '');
  await expect(page.getByRole('timer')).toHaveText(/^0:(3[89]|4\d)$/);
  await board.hold();
  await board.wait(40);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/^Bo: ran 1:(1|2)\d\.\d/);
});

test('a server killed in the middle of a rep and started again has every time', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  // The start has reached the server; nothing after it will.
  await expect.poll(async () => tapped(demo, board.runId())).toHaveLength(1);
  await demo.kill();
  await board.wait(35);
  for (const name of ['Ada', 'Bo', 'Ivo']) {
    await board.press(board.tile(name));
    await expect(board.tile(name)).toHaveAccessibleName(/next finish/);
  }
  await expect(page.getByRole('status', { name: 'Times kept: 3 on this phone only' })).toBeVisible();
  await demo.start();
  // The outbox tries again by itself.
  await board.wait(31);
  await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
  const events = await tapped(demo, board.runId());
  expect(events.map((event) => event.type).sort()).toEqual(['passed', 'passed', 'passed', 'started']);
  await board.letRun();
  await page.reload();
  for (const name of ['Ada', 'Bo', 'Ivo']) await expect(board.tile(name)).toHaveAccessibleName(/at 200 3\d\.\d/);
});

test('with no network at all the session goes on, and another phone sees it afterwards', async ({
  page,
  context,
  browser,
  demo,
}) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
  await context.setOffline(true);
  await board.start();
  await board.wait(41);
  await board.press(board.tile('Milo'));
  await expect(board.tile('Milo')).toHaveAccessibleName(/next finish/);
  const boardUrl = page.url();
  await board.endNow();
  await board.press(board.button('See the results'));
  await expect(
    page
      .getByRole('row', { name: /Milo Thurskell/ })
      .getByRole('cell')
      .nth(1),
  ).toHaveText('no finish');
  await context.setOffline(false);
  await board.wait(31);
  await expect.poll(async () => tapped(demo, boardUrl.split('/').at(-1) ?? '')).toHaveLength(3);
  const other = await browser.newPage();
  await other.goto(boardUrl);
  await expect(other.getByRole('heading', { name: 'Session ended' })).toBeVisible();
  await expect(other.getByRole('button', { name: /^Milo: done, 4[12]\.\d/ })).toBeVisible();
  await other.close();
});

test('the time taken is that of the finger, not of the screen', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  // The page notes each touch itself, as a witness.
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { seen });
    window.addEventListener(
      'pointerdown',
      (event) => seen.push(Math.round(performance.timeOrigin + event.timeStamp)),
      true,
    );
  });
  await board.start();
  // On a clock that stands, finger and screen could not be told apart.
  await board.letRun();
  for (const name of ['Ada', 'Bo', 'Cleo', 'Dov']) await board.press(board.tile(name));
  await expect(board.tile('Dov')).toHaveAccessibleName(/next finish/);
  await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
  const seen = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
  expect(seen).toHaveLength(5);
  await expect.poll(async () => (await tapped(demo, board.runId())).map((event) => event.atMs)).toEqual(seen);
});
