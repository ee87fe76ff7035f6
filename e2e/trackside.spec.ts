import { expect, test } from './app';
import { Board, tapped, clockedSession, todaysSession } from './board';

test('undo takes back one step after the other, whatever it was', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  await board.wait(39);
  await board.press(board.tile('Ada'));
  await expect(board.tile('Ada')).toHaveAccessibleName(/next finish/);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish/);
  await board.press(board.button(/^Undo Bo/));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next 200/);
  await board.press(board.button(/^Undo Ada/));
  await expect(board.tile('Ada')).toHaveAccessibleName(/next 200/);
  await board.press(board.button(/^Undo start of rep 1/));
  await expect(board.tile('Ada')).toHaveAccessibleName(/ready, target/);
  await expect(board.button('Nothing to undo')).toBeDisabled();
  await board.start();
  await expect(page.getByRole('timer')).toHaveText(/^0:0\d$/);
  // Nothing was overwritten: every step and every undo is in the log.
  await expect
    .poll(async () => (await tapped(demo, board.runId())).map(({ type }) => type).sort())
    .toEqual(['passed', 'passed', 'started', 'started', 'undone', 'undone', 'undone']);
});

test('a thumb that bounces is one time; a missed 200 leaves the finish to be taken', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  await board.wait(38);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish.*at 200/);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish.*at 200/);
  // Nobody tapped Ivo at 200: near the end the tile offers the finish.
  await expect(board.tile('Ivo')).toHaveAccessibleName(/next 200/);
  await board.wait(38);
  await expect(board.tile('Ivo')).toHaveAccessibleName(/next finish/);
  await board.press(board.tile('Ivo'));
  await expect(board.tile('Ivo')).toHaveAccessibleName(/^Ivo: ran 1:(1|2)\d\.\d/);
  await expect
    .poll(async () => (await tapped(demo, board.runId())).filter(({ type }) => type === 'passed').length)
    .toBe(2);
});

test('the next rep starts for all, also for those who never finished, once that was asked, and the results say so', async ({
  page,
  demo,
}) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await todaysSession(demo)).id);
  await board.start();
  await board.wait(80);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/recovery/);
  await board.startAll(/^(Start|Next) rep 2/);
  await expect(board.tile('Cleo')).toHaveAccessibleName(/running, next 200/);
  await expect(page.getByRole('heading', { name: '2 of 12: 400 @5k' })).toBeVisible();
  await board.endNow();
  await expect(page.getByRole('heading', { name: 'Session ended' })).toBeVisible();
  // The end can be undone like anything else.
  await board.press(board.button('Undo end'));
  await expect(page.getByRole('heading', { name: '2 of 12: 400 @5k' })).toBeVisible();
  await board.endNow();
  await board.press(board.button('See the results'));
  const rep = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) });
  await expect(rep('Cleo Wexmoor, rep 1')).toHaveText('no finish');
  await expect(rep('Cleo Wexmoor, rep 3')).toBeHidden();
  await expect(rep('Bo Tarrowby, rep 1')).toContainText('of 1:19.3');
});

test('reps by the clock end by themselves', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await board.open(demo, (await clockedSession(demo)).id);
  await board.button('Show the tiles').tap();
  await board.start('Start: 90s @3k');
  await board.wait(50);
  await expect(board.tile('Nia')).toHaveAccessibleName(/running, next to go at 0:(40|39|38)/);
  await board.wait(45);
  await expect(board.tile('Nia')).toHaveAccessibleName(/ran 1:30\.0; recovery 1:2\d/);
  await expect(board.button(/^(Start|Next) rep 2\b.*1:2\d to go/)).toBeVisible();
});

test('light or dark is a choice that stays', async ({ page, demo }) => {
  const ground = () =>
    page
      .getByRole('main')
      .locator('div')
      .first()
      .evaluate((element) => getComputedStyle(element).backgroundColor);
  await page.goto(`${demo.url}/squad`);
  await expect(page.getByText('14 athletes')).toBeVisible();
  const light = await ground();
  await page.getByRole('button', { name: 'Settings and help' }).tap();
  await page.getByRole('radio', { name: 'Dark, for floodlights' }).tap();
  await page.getByRole('button', { name: 'Back' }).tap();
  await expect(page.getByText('14 athletes')).toBeVisible();
  expect(await ground()).not.toBe(light);
  await page.reload();
  await expect(page.getByText('14 athletes')).toBeVisible();
  expect(await ground()).not.toBe(light);
});
