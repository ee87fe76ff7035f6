import { expect, test, ALL_RUNS } from './app';
import { Board, todaysSession, writeToday } from './board';

test('a whole session rehearsed at 60 times the speed: the chips take every mark, exactly as it was run', async ({
  page,
  demo,
}) => {
  test.slow();
  const id = await writeToday(demo, 'main: 3x400 @5k / 60s\nfinish: 2x200 @mile / 60s');
  const board = new Board(page, 'touch');
  await page.goto(`${demo.url}/track/ready/${id}`);
  await board.button('Rehearse it first').tap();
  await expect(page.getByText('rehearsal: nothing is kept')).toBeVisible();
  await page.getByLabel('Chips').selectOption({ label: 'chips take every mark' });
  await board.button('More').tap();
  await page.getByLabel('The next reps start').selectOption('together');
  await board.button('Close More').tap();
  await board.button(/^Start: /).tap();
  await expect(board.tile('Bo')).toHaveAccessibleName(/running/);
  await page.getByRole('radio', { name: '60×' }).tap();
  // Five reps of about ten minutes, in ten seconds; then there is nothing left but to end it.
  await expect(board.button('End the session')).toBeVisible({ timeout: 120_000 });
  const onTheirWay = page.getByRole('group', { name: 'Line board' }).getByRole('button', { name: /: (running|ran)/ });
  await expect(onTheirWay).toHaveCount(0, { timeout: 60_000 });
  await board.button('End the session').tap();
  await board.button('See how you timed').tap();
  // 3 × 400 with two marks and 2 × 200 with one, for 14 athletes: none lost.
  await expect(page.getByRole('listitem', { name: 'times taken by you: 0 of 112' })).toBeVisible();
  await expect(page.getByRole('listitem', { name: 'missed altogether: 0' })).toBeVisible();
  // Nothing of it has reached the club.
  const runs = await demo.get<{ date: string }[]>(ALL_RUNS);
  expect(runs.filter(({ date }) => date === new Date().toLocaleDateString('sv'))).toEqual([]);
});

test('the score says how a hand has timed: who was missed, and who was not there', async ({ page, demo }) => {
  const board = new Board(page, 'touch');
  await page.clock.install();
  await page.goto(`${demo.url}/track/rehearse/${(await todaysSession(demo)).id}`);
  await expect(board.button(/^Start: /)).toBeVisible();
  await board.hold();
  await board.press(board.button(/^Start: /));
  await expect(board.tile('Bo')).toHaveAccessibleName(/running/);
  await board.wait(23);
  await board.press(board.tile('Bo'));
  await expect(board.tile('Bo')).toHaveAccessibleName(/next finish/);
  await board.wait(47);
  await board.endNow();
  await board.press(board.button('See how you timed'));
  await expect(page.getByRole('listitem', { name: 'for somebody else: 1' })).toBeVisible();
  await expect(page.getByRole('listitem', { name: /times taken by you: 1 of 1[3-9]/ })).toBeVisible();
});
