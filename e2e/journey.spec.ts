import type { Page } from '@playwright/test';
import { expect, press, secondsOf, test, type By, sessionText } from './app';
import { Board } from './board';

/** The coach's whole job once over: an athlete, a session, targets, the track, results. */
async function wholeJob(page: Page, url: string, by: By) {
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  const go = (target: ReturnType<Page['locator']>) => press(page, by, target);
  const place = (name: string) => page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name });

  // Squad: what cannot be read is said beside the field and the typing stays; what is hardly believable is asked about.
  await page.goto(url);
  await go(place('Squad'));
  await expect(page.getByText('14 athletes')).toBeVisible();
  await go(button('Add athlete'));
  await page.getByLabel('Name', { exact: true }).fill('Ottilie Wrenfield');
  await page.getByLabel('Distance', { exact: true }).fill('5k');
  const time = page.getByLabel('Time', { exact: true });
  await time.fill('fast');
  await go(button('Save athlete'));
  await expect(page.getByText('“fast” is not a time that can be read.', { exact: false })).toBeVisible();
  await expect(time).toHaveValue('fast');
  await time.fill('8:00');
  await expect(page.getByText(/Really\? 5k in 8:00/)).toBeVisible();
  await time.fill('18.30');
  await expect(page.getByText('Read as 5k in 18:30.')).toBeVisible();
  await go(button('Save athlete'));
  await expect(page.getByText('15 athletes')).toBeVisible();
  await go(button('Undo'));
  await expect(page.getByText('14 athletes')).toBeVisible();

  // Change one, remove one, and take the removal back.
  await go(page.getByRole('link', { name: /Dov Ashgrave/ }));
  await go(page.getByRole('radio', { name: 'About' }));
  await page.getByLabel('Name', { exact: true }).fill('Dov Ashgrove');
  await go(button('Save changes'));
  await expect(page.getByRole('heading', { name: 'Dov Ashgrove' })).toBeVisible();
  await go(button('Remove Dov Ashgrove'));
  await expect(page.getByText('13 athletes')).toBeVisible();
  await go(button('Undo'));
  await expect(page.getByRole('link', { name: /Dov Ashgrove/ })).toBeVisible();

  // Session: problems are named at their characters, the last good lap sheet stays.
  await go(place('Sessions'));
  await go(button('New session'));
  await page.getByLabel('Title', { exact: true }).fill('Two and a quick one');
  const text = sessionText(page);
  await text.fill('warm: 1600 @easy\nmain: 2x400 @5k / 60s');
  await expect(page.getByRole('img', { name: /The session lap by lap/ })).toBeVisible();
  await text.fill('warm: 1600 @easy\nmain: 2x400 @5kk / 60s, 200 @mile');
  await expect(page.getByRole('alert', { name: 'What cannot be read' })).toContainText('Line 2: “5kk” is not a pace');
  await expect(page.getByText('as it last could be read')).toBeVisible();
  await text.fill('warm: 1600 @easy\nmain: 2x400 @5k / 60s, 200 @mile');
  await expect(page.getByText(/^2\.6 km, about/)).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();

  // Targets: a 5k in 18:30 is 88.8 a lap; the marks are called at the same pace.
  if (by === 'touch') await go(page.getByRole('radio', { name: 'Targets' }));
  const row = page.getByRole('row', { name: /Dov Ashgrove/ });
  await expect(row).toContainText('1:28.8');
  await go(button('Times at the marks for Dov Ashgrove'));
  await expect(page.getByRole('heading', { name: 'Dov Ashgrove at the marks' })).toBeVisible();
  await go(page.getByRole('radio', { name: 'every 100' }));
  for (const at of ['22.2', '44.4', '1:06.6', '1:28.8'])
    await expect(page.getByText(at, { exact: true }).first()).toBeVisible();

  // Track: only those who are here.
  await page.clock.install();
  await go(button('To the track'));
  for (const name of ['Ada Brindlecote', 'Bo Tarrowby']) await go(page.getByRole('checkbox', { name }));
  await go(button('Go with 12 athletes'));
  const board = new Board(page, by);
  await expect(board.button('Start: 400 @5k')).toBeVisible();
  await board.start('Start: 400 @5k');
  await expect(board.tile('Dov')).toHaveAccessibleName(/running, next 200 at 44\.4/);
  await board.wait(42);
  await board.press(board.tile('Dov'));
  await expect(board.tile('Dov')).toHaveAccessibleName(
    /next finish at 1:28\.8; at 200 4[12]\.\d, \d\.\d seconds early/,
  );
  await board.wait(47);
  await board.press(board.tile('Dov'));
  await expect(board.tile('Dov')).toHaveAccessibleName(
    /^Dov: ran 1:(29|30)\.\d, (on target|[12]\.\d seconds late); recovery (1:00|0:5\d)/,
  );

  // A wrong tap is undone, and the tile is as it was.
  await board.press(board.button(/^Undo Dov 1:/));
  await expect(board.tile('Dov')).toHaveAccessibleName(/next finish/);
  await board.press(board.tile('Dov'));
  await expect(board.tile('Dov')).toHaveAccessibleName(/recovery/);

  // The next rep, the last one, and the end.
  await board.wait(60);
  await expect(board.tile('Dov')).toHaveAccessibleName(/recovery go/);
  // Others are still on their way, so that it asks; and somebody runs in any case: it is Dov's start that is waited for.
  await board.startAll(/^(Start|Next) rep 2/);
  await expect(board.tile('Dov')).toHaveAccessibleName(/running, next 200/);
  await board.wait(88);
  await board.press(board.tile('Dov'));
  await expect(board.tile('Dov')).toHaveAccessibleName(/recovery/);
  await board.startAll(/^(Start|Next) rep 3/);
  await expect(board.tile('Dov')).toHaveAccessibleName(/running, next finish/);
  await board.wait(40);
  await board.press(board.tile('Dov'));
  await expect(board.tile('Dov')).toHaveAccessibleName(/done/);
  await board.end();
  // How hard it was is asked once; it can be left for later.
  await expect(page.getByRole('dialog', { name: 'How hard was it as a whole?' })).toBeVisible();
  await board.press(board.button('See the results'));

  // Results: actual, target, early or late, mean and spread; in the list by date, and still there after a reload.
  await expect(page.getByRole('heading', { name: 'Two and a quick one' })).toBeVisible();
  const result = page.getByRole('row', { name: /Dov Ashgrove/ });
  await expect(result).toContainText('of 1:28.8');
  await expect(result).toContainText('±');
  const first = await page.getByRole('button', { name: /^Dov Ashgrove, rep 1:/ }).innerText();
  expect(secondsOf(first.split('\n')[0] ?? '')).toBeGreaterThan(88);
  await board.letRun();
  await page.reload();
  await expect(page.getByRole('row', { name: /Dov Ashgrove/ })).toContainText(first.split('\n')[0] ?? '');
  await go(place('Results'));
  await expect(page.getByRole('link', { name: /Two and a quick one/ })).toContainText(
    'Today · 12 athletes · 3 of 36 reps',
  );
}

test('the whole job on a phone, by touch', async ({ page, demo }) => {
  await wholeJob(page, demo.url, 'touch');
});

test('the whole job on a wide screen, by keyboard @wide', async ({ page, demo }) => {
  await wholeJob(page, demo.url, 'keyboard');
});
