import Database from 'better-sqlite3';
import type { RunEvent } from '../core/run/events';
import { expect, test, ALL_RUNS, sessionText } from './app';
import { Board, todaysSession, writeToday } from './board';

test('what was just done is said where it was done: its Undo does not follow to the board', async ({ page, demo }) => {
  await page.goto(`${demo.url}/sessions`);
  await page.getByRole('button', { name: 'New session' }).tap();
  // The same press led to the editor: there it stays, above what is pressed next.
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  await expect(page.getByText('A new session for today.')).toBeVisible();
  await sessionText(page).fill('6x800 @5k / 90s');
  await expect(undo).toBeVisible();
  const [above, below] = [
    await undo.boundingBox(),
    await page.getByRole('button', { name: 'To the track' }).boundingBox(),
  ];
  expect((above?.y ?? 0) + (above?.height ?? 0)).toBeLessThanOrEqual(below?.y ?? 0);
  expect(above?.height).toBeGreaterThanOrEqual(44);
  // It is called by what is in it, until the coach names it.
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('6 × 800 at 5k pace');
  await page.getByLabel('Title', { exact: true }).fill('Long ones');
  await sessionText(page).fill('5x800 @5k / 90s');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Long ones');
  await page.getByRole('button', { name: 'To the track' }).tap();
  await expect(page.getByText('Who is here?')).toBeVisible();
  await expect(undo).toBeHidden();
});

test('a session is ready, under way or done, each once; one that is done is not started again by accident', async ({
  page,
  demo,
}) => {
  const { id, title } = await todaysSession(demo);
  const board = new Board(page, 'touch');
  const listed = () => page.getByRole('link', { name: new RegExp(title) });
  await board.open(demo, id);
  await board.start();
  await board.letRun();
  await page.goto(`${demo.url}/track`);
  await expect(page.getByText('go on where you left off')).toBeVisible();
  await expect(listed()).toHaveCount(1);
  await page.goto(`${demo.url}/track/run/${(await listed().getAttribute('href'))?.split('/').at(-1) ?? ''}`);
  await board.endNow();
  await expect(page.getByRole('heading', { name: 'Session ended' })).toBeVisible();
  await page.goto(`${demo.url}/track`);
  await expect(page.getByText('Done today')).toBeVisible();
  await expect(listed()).toHaveCount(1);
  await page.goto(`${demo.url}/track/ready/${id}`);
  await expect(page.getByText('This session was run already.', { exact: false })).toBeVisible();
  await expect(board.button(/^Go with/)).toBeHidden();
  await board.button('Run it once more').tap();
  await expect(board.button(/^Go with/)).toBeVisible();
});

test('ending with somebody still running says who, and can wait until they are in', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, await writeToday(demo, 'main: 400 @5k'));
  await page.getByRole('radio', { name: /^Young ones/ }).tap();
  await board.start();
  await board.wait(50);
  const runners = ['Juno', 'Kit', 'Nia'];
  await board.press(board.button('More'));
  await board.press(board.button('End the session now'));
  await expect(page.getByText('Juno, Kit and Nia are still running.')).toBeVisible();
  await board.press(board.button('When all are in'));
  await expect(board.button('Ends when all are in')).toBeVisible();
  await board.wait(50);
  const ended = page.getByRole('heading', { name: 'Session ended' });
  for (const name of runners) {
    await board.press(board.tile(name));
    // With the last one in, the session ends by itself.
    await expect(board.button(new RegExp(`^Undo ${name} `)).or(ended)).toBeVisible();
    if (await ended.isVisible()) break;
    // The first tap is of the mark at 200 where that is nearer.
    await board.wait(3);
    if (!/done/.test((await board.tile(name).getAttribute('aria-label')) ?? '')) await board.press(board.tile(name));
  }
  await expect(ended).toBeVisible();
});

test('times by clipboard: who was ticked off is not in the grid, names find their rows, and a paste is taken back', async ({
  page,
  demo,
}) => {
  const { id } = await todaysSession(demo);
  await page.goto(`${demo.url}/track/ready/${id}`);
  await page.getByRole('checkbox', { name: /Bo Tarrowby/ }).tap();
  await page.getByRole('button', { name: 'Enter times afterwards' }).tap();
  await expect(page.getByLabel('Ivo Castlebrae, rep 1', { exact: true })).toBeVisible();
  await expect(page.getByLabel('Bo Tarrowby, rep 1', { exact: true })).toBeHidden();
  const cell = page.getByLabel('Ivo Castlebrae, rep 1', { exact: true });
  await cell.evaluate((input) => {
    const data = new DataTransfer();
    data.setData('text', 'Name\t1\t2\nCleo Wexmor\t1:36.1\t97\nZed\t88\t89\nEsi\t124\t');
    input.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText('“Cleo Wexmor” was taken for Cleo Wexmoor.')).toBeVisible();
  await expect(page.getByText('“Zed” is nobody here: their times were left out.')).toBeVisible();
  await expect(page.getByLabel('Cleo Wexmoor, rep 2', { exact: true })).toHaveValue('97');
  await expect(cell).toHaveValue('');
  // Figures without a colon are read by what fits, and said.
  await expect(page.getByText('Esi Lindquay, rep 1: 124 is read as 1:24.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo the paste' }).tap();
  await expect(page.getByLabel('Cleo Wexmoor, rep 2', { exact: true })).toHaveValue('');
  await page.getByRole('checkbox', { name: 'Show also the one who was ticked off' }).tap();
  await expect(page.getByLabel('Bo Tarrowby, rep 1', { exact: true })).toBeVisible();
});

test('a fartlek that was ended early says how long it really was, with its surges', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, await writeToday(demo, 'main: 20min free @effort 6'));
  await page.getByRole('radio', { name: /^Milers/ }).tap();
  await board.hold();
  await board.press(board.button(/^Start/));
  await expect(page.getByText('Tap as the leader calls')).toBeVisible();
  await board.wait(10);
  await board.press(board.button('Surge: fast now'));
  await board.wait(12);
  await board.press(board.button('Float: easy now'));
  await board.wait(22);
  await board.endNow();
  await expect(page.getByRole('heading', { name: 'Session ended' })).toBeVisible();
  await expect(board.button(/^(Surge|Float):/)).toBeHidden();
  await board.press(board.button('See the results'));
  await expect(page.getByText(/^1 surge, 0:1\d in all$/)).toBeVisible();
  await expect(page.getByRole('row', { name: /Bo Tarrowby/ })).toContainText('of 20:00');
});

test('a plan’s athlete opens over the table on a phone, and the table is where it was when it closes', async ({
  page,
  demo,
}) => {
  const { id } = await todaysSession(demo);
  await page.goto(`${demo.url}/sessions/plan/${id}`);
  await page.getByRole('radio', { name: 'Targets' }).tap();
  await page.getByRole('button', { name: 'Plan of Bo Tarrowby' }).tap();
  const sheet = page.getByRole('dialog', { name: 'Bo Tarrowby' });
  await expect(sheet.getByRole('region', { name: 'Plan of Bo Tarrowby' })).toBeInViewport();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
});

test('results that cannot be read hide no others, are set aside, and brought back', async ({ page, killable }) => {
  const runs = await killable.get<{ id: string; title: string }[]>(ALL_RUNS);
  const broken = runs[0];
  await killable.kill();
  const db = new Database(`${killable.folder}/zest-lap.sqlite`);
  db.prepare("UPDATE runs SET plan_json = '{' WHERE id = ?").run(broken?.id);
  db.prepare('DELETE FROM run_results WHERE run_id = ?').run(broken?.id);
  db.close();
  await killable.start();
  await page.goto(`${killable.url}/results`);
  await expect(page.getByText(/cannot be read: what is stored of it is damaged/)).toBeVisible();
  // Only those near what is in sight are drawn; each says how many there are.
  await expect(page.getByRole('listitem').first()).toHaveAttribute('aria-setsize', String(runs.length - 1));
  await page.getByRole('button', { name: `Set ${broken?.title ?? ''} aside` }).tap();
  await expect(page.getByText(/cannot be read/)).toBeHidden();
  await page.getByRole('button', { name: `Bring ${broken?.title ?? ''} back` }).tap();
  await expect(page.getByText(/cannot be read/)).toBeVisible();
});

test('a roster is pasted; a progression begins with the step that was chosen, and goes onto a day', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/squad/files`);
  await page.getByLabel('Or paste a list').fill('Name, 5k, Date\nJune Fallowmere, 18:30, 3 Oct 2024');
  await page.getByRole('button', { name: 'Read this list' }).tap();
  await page.getByRole('button', { name: 'Import', exact: true }).tap();
  await expect(page.getByText('15 athletes')).toBeVisible();

  await page.goto(`${demo.url}/sessions/progressions`);
  await page.getByRole('button', { name: 'New progression' }).tap();
  const first = page.getByLabel('It begins with');
  const chosen = await first.locator('option').nth(3).innerText();
  await first.selectOption({ label: chosen });
  const steps = page.getByRole('list', { name: 'Steps' });
  await expect(steps.getByRole('listitem')).toHaveCount(1);
  await expect(steps).toContainText(chosen);
  await page.getByRole('button', { name: 'Put step 1 on a day' }).tap();
  await page.getByLabel('On', { exact: true }).fill('2031-05-04');
  await page.getByRole('button', { name: 'Put it there' }).tap();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(chosen);
  // A day that is still to come is not when it was last run.
  await page.goto(`${demo.url}/sessions/progressions`);
  await page.getByRole('link', { name: new RegExp(`${chosen} and on`) }).tap();
  await expect(page.getByText(/2031/)).toBeHidden();
});

test('a helper’s board does not end the session, nor undo what the coach took', async ({ page, locked, browser }) => {
  const errors: string[] = [];
  await page.goto(`${locked.url}/`);
  await page.getByLabel('The club’s passphrase').fill('rain on the back straight');
  await page.getByRole('button', { name: 'Open', exact: true }).tap();
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  await page.goto(`${locked.url}/track/ready/${(await todaysSession(locked)).id}`);
  const coach = new Board(page, 'touch');
  await coach.button(/^Go with \d+/).tap();
  await coach.button(/^Start/).tap();
  await expect(coach.button(/^Next/)).toBeVisible();
  await coach.button('More').tap();
  await coach.button('A second phone').tap();
  const code = await page.getByText(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/).innerText();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const second = await context.newPage();
  second.on('console', (message) => errors.push(message.text()));
  await second.goto(`${locked.url}/join#%`);
  await expect(second.getByLabel('Code')).toHaveValue('');
  await second.getByLabel('Code').fill(code);
  await second.getByRole('button', { name: 'Join the session' }).tap();
  const helper = new Board(second, 'touch');
  await helper.button('More').tap();
  await expect(helper.button('History')).toBeVisible();
  await expect(helper.button('End the session now')).toBeHidden();
  await helper.button('History').tap();
  await expect(second.getByText('start of rep 1')).toBeVisible();
  await expect(helper.button('Undo start of rep 1')).toBeHidden();
  await expect(second.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
  const { events } = await locked.get<{ events: RunEvent[] }>(`runs/${coach.runId()}`);
  expect(new Set(events.map(({ deviceId }) => deviceId)).size).toBeGreaterThanOrEqual(1);
  expect(errors.filter((text) => !text.includes('blocked by Playwright'))).toEqual([]);
  await context.close();
});
