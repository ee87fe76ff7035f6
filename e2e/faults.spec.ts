import fs from 'node:fs';
import type { RunEvent } from '../core/run/events';
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

test('a server killed in the middle of a rep and started again has every time', async ({ page, killable }) => {
  const board = new Board(page, 'touch');
  await board.open(killable, (await todaysSession(killable)).id);
  await board.start();
  // The start has reached the server; nothing after it will.
  await expect.poll(async () => tapped(killable, board.runId())).toHaveLength(1);
  await killable.kill();
  await board.wait(35);
  for (const name of ['Ada', 'Bo', 'Ivo']) {
    await board.press(board.tile(name));
    await expect(board.tile(name)).toHaveAccessibleName(/next finish/);
  }
  await expect(page.getByRole('status', { name: 'Times kept: 3 on this phone only' })).toBeVisible();
  await killable.start();
  // The outbox tries again by itself.
  await board.wait(31);
  await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
  const events = await tapped(killable, board.runId());
  expect(events.map((event) => event.type).sort()).toEqual(['passed', 'passed', 'passed', 'started']);
  await board.letRun();
  await page.reload();
  for (const name of ['Ada', 'Bo', 'Ivo']) await expect(board.tile(name)).toHaveAccessibleName(/at 200 3\d\.\d/);
});

test.describe('what the server refuses', () => {
  test.use({ expectedConsole: /400 .*\/events/ });

  test('a time the server refuses is shown with why, on the board and on Track, until it is sent again', async ({
    page,
    demo,
  }) => {
    const why = 'A time was out of its place.';
    const board = new Board(page, 'touch');
    await board.open(demo, (await todaysSession(demo)).id);
    await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
    await page.route('**/events', (route) =>
      route.request().method() === 'POST'
        ? route.fulfill({ status: 400, json: { error: { code: 'bad-input', message: why } } })
        : route.continue(),
    );
    await board.start();
    await board.letRun();
    await board.press(board.button('1 not taken by the server: why?'));
    const panel = page.getByRole('group', { name: 'Not taken by the server' });
    await expect(panel).toContainText('1 time was not taken by the server.');
    await expect(panel).toContainText(why);
    await board.press(board.button('Close'));
    // The session goes on.
    await expect(board.tile('Bo')).toHaveAccessibleName(/running/);
    const runId = board.runId();
    expect(await tapped(demo, runId)).toHaveLength(0);
    await board.press(board.button(/^Leave the line board/));
    await expect(page.getByRole('link', { name: /^Even 400s, quick finish/ }).first()).toContainText(
      'go on where you left off',
    );
    await board.press(panel.getByRole('button', { name: 'Show why' }));
    await expect(panel).toContainText(why);
    await page.unroute('**/events');
    await board.press(panel.getByRole('button', { name: 'Send again' }));
    await expect(panel).toHaveCount(0);
    await expect.poll(async () => tapped(demo, runId)).toHaveLength(1);
  });
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
  await expect(page.getByRole('button', { name: /^Milo Thurskell, rep 1:/ })).toHaveText('no finish');
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
  // The page also records each touch by itself, as an independent check.
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
  await board.wait(30);
  // With a stopped clock, the times of touch and render could not be told apart.
  await board.letRun();
  for (const name of ['Ada', 'Bo', 'Cleo', 'Dov']) await board.press(board.tile(name));
  await expect(board.tile('Dov')).toHaveAccessibleName(/next finish/);
  await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
  const seen = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
  expect(seen).toHaveLength(5);
  await expect.poll(async () => (await tapped(demo, board.runId())).map((event) => event.atMs)).toEqual(seen);
});

test('a tab that crashes in the middle of a rep: another one goes on where it was', async ({ page, context, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  await board.wait(38);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish.*at 200 3[89]\.\d/);
  const taken = /at 200 (\d+\.\d)/.exec((await board.tile('Bo').getAttribute('aria-label')) ?? '')?.[0];
  const url = page.url();
  // A page cannot load while its clock stands.
  await board.letRun();
  const crashed = page.waitForEvent('crash');
  const devtools = await context.newCDPSession(page);
  // It never answers: the process is gone.
  void devtools.send('Page.crash').catch(() => undefined);
  await crashed;
  const again = await context.newPage();
  await again.goto(url);
  await expect(new Board(again, 'touch').tile('Bo')).toHaveAccessibleName(new RegExp(`${taken}`));
});

test.describe('where the server may be back before it has heard of the session', () => {
  test.use({ expectedConsole: /404 .*\/live\?/ });

  test('a server killed in mid-post over and over: every time is there once', async ({ page, killable }) => {
    test.slow();
    const board = new Board(page, 'touch');
    await board.open(killable, (await todaysSession(killable)).id);
    await board.start();
    const names = ['Bo', 'Cleo', 'Esi', 'Fern', 'Ivo', 'Ada', 'Dov', 'Gus'];
    await board.wait(25);
    for (const [i, name] of names.entries()) {
      await board.wait(2);
      await board.press(board.tile(name));
      // Killed while what was tapped is on its way, started again while the next one is.
      if (i % 2 === 0) await killable.kill();
      else await killable.start();
      await expect(board.tile(name)).toHaveAccessibleName(/next finish/);
    }
    await board.wait(31);
    await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
    const events = await tapped(killable, board.runId());
    expect(events.map(({ type }) => type)).toEqual(['started', ...names.map(() => 'passed')]);
    expect(new Set(events.flatMap((event) => (event.type === 'passed' ? event.athleteId : []))).size).toBe(
      names.length,
    );
  });
});

test('the phone’s clock set back five minutes in mid-session, and a reload after it: times go on', async ({
  page,
  demo,
}) => {
  // What the system clock says is the page's origin at each load, and Date; the time stamps of touches do not jump.
  await page.addInitScript(() => {
    const back = () => Number(localStorage.getItem('set-back') ?? 0);
    const now = Date.now.bind(Date);
    const origin = performance.timeOrigin - back();
    Object.defineProperty(performance, 'timeOrigin', { get: () => origin });
    Date.now = () => now() - back();
  });
  await page.goto(`${demo.url}/track/ready/${(await todaysSession(demo)).id}`);
  const board = new Board(page, 'touch');
  await board.button(/^Go with \d+/).tap();
  await board.button(/^Start: /).tap();
  await expect(board.tile('Bo')).toHaveAccessibleName(/running/);
  await page.evaluate(() => localStorage.setItem('set-back', '300000'));
  // It is noticed with the next ticks of the board.
  await expect.poll(() => page.evaluate(() => localStorage.getItem('zest-lap-clock'))).not.toBeNull();
  const line = board.button(/^Line/);
  const unnamed = page.getByRole('status', { name: 'Times without a name' });
  await board.press(line);
  await expect(unnamed).toContainText('1 time');
  await page.reload();
  await expect(unnamed).toContainText('1 time');
  await expect(page.getByRole('timer')).toHaveText(/^[0-2]:\d\d$/);
  await board.press(line);
  await expect(unnamed).toContainText('2 times');
  await expect.poll(async () => tapped(demo, board.runId())).toHaveLength(3);
  const [start, first, second] = (await tapped(demo, board.runId())).map(({ atMs }) => atMs);
  expect((first ?? 0) - (start ?? 0)).toBeGreaterThan(0);
  expect((second ?? 0) - (first ?? 0)).toBeGreaterThan(0);
  expect((second ?? 0) - (start ?? 0)).toBeLessThan(200_000);
});

test('storage full: said at once, times go on in memory, a file holds them, and the server gets them', async ({
  page,
  killable,
}) => {
  await page.addInitScript(() => {
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
      if (localStorage.getItem('full') && this.name === 'events')
        throw new DOMException('The disk is full.', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  const board = new Board(page, 'touch');
  await board.open(killable, (await todaysSession(killable)).id);
  await board.start();
  await page.evaluate(() => localStorage.setItem('full', 'yes'));
  await killable.kill();
  await board.wait(38);
  for (const name of ['Bo', 'Ada']) {
    await board.press(board.tile(name));
    await expect(board.tile(name)).toHaveAccessibleName(/next finish/);
  }
  await expect(page.getByRole('status', { name: 'Storage full' })).toContainText(
    '2 only on this page. Do not close it.',
  );
  const [file] = await Promise.all([page.waitForEvent('download'), board.press(board.button('Save file'))]);
  const saved = JSON.parse(fs.readFileSync(await file.path(), 'utf8')) as { format: string; events: RunEvent[] };
  expect(saved.format).toBe('zest-lap/run');
  expect(saved.events.filter(({ type }) => type === 'passed')).toHaveLength(2);
  await killable.start();
  await board.wait(31);
  await expect
    .poll(async () => (await tapped(killable, board.runId())).filter(({ type }) => type === 'passed').length)
    .toBe(2);
  // There is room again: what was held goes where it belongs.
  await page.evaluate(() => localStorage.removeItem('full'));
  await board.press(board.tile('Ivo'));
  await expect(page.getByRole('status', { name: 'Storage full' })).toBeHidden();
  await board.letRun();
  await page.reload();
  for (const name of ['Bo', 'Ada']) await expect(board.tile(name)).toHaveAccessibleName(/next finish/);
  await expect(board.tile('Ivo')).toHaveAccessibleName(/^Ivo: ran/);
});
