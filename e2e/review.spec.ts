import fs from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { expect, secondsOf, test, ALL_RUNS, ALL_SESSIONS } from './app';
import type { RunningApp } from './runningApp';

type Listed = { id: string; title: string; date: string };

const press = (isMobile: boolean, target: Locator) => (isMobile ? target.tap() : target.press('Enter'));
const runsCalled = async (app: RunningApp, title: string) =>
  (await app.get<Listed[]>(ALL_RUNS)).filter((run) => run.title === title);
const athleteCalled = async (app: RunningApp, name: string) =>
  (await app.get<{ id: string; name: string }[]>('athletes')).find((athlete) => athlete.name === name)?.id ?? '';
const matters = (page: Page) => page.getByRole('list', { name: 'What matters' });

/** The numbers beside a chart go down, or up, in equal steps. */
async function expectEvenAxis(chart: Locator): Promise<void> {
  const labels = chart.getByText(/^[\d:.]+$/);
  await expect(labels.first()).toBeVisible();
  const numbers = (await labels.allTextContents()).map(secondsOf);
  const steps = numbers.slice(1).map((number, i) => number - (numbers[i] ?? NaN));
  expect(steps.length).toBeGreaterThan(3);
  expect(steps[0]).not.toBe(0);
  for (const step of steps) expect(step).toBeCloseTo(steps[0] ?? NaN, 5);
}

test('the latest session is read: what matters, one athlete brought out, their reps, and on to the next @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = (target: Locator) => press(isMobile, target);
  await page.goto(`${demo.url}/results`);
  await go(page.getByRole('link', { name: /^Sharp 200s/ }).first());
  await expect(matters(page)).toContainText('Niggle: Gus Petherlow, rep 6.');
  await go(page.getByRole('button', { name: 'Sort by Effort' }));
  const rows = page.getByRole('table', { name: 'Results' }).getByRole('row');
  await expect(rows.nth(1)).toContainText(/\d, \d/);
  await go(page.getByRole('button', { name: 'Bring out Milo Thurskell' }));
  await go(page.getByRole('button', { name: 'Milo Thurskell, rep by rep' }));
  await expect(page.getByRole('heading', { name: 'Milo Thurskell', level: 1 })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Rep by rep' }).getByRole('listitem')).toHaveCount(10);
  await expect(page.getByRole('img', { name: /effort meant .* predicted .* reported/ })).toBeVisible();
  await go(page.getByRole('button', { name: 'Next athlete' }));
  await expect(page.getByRole('heading', { name: 'Milo Thurskell', level: 1 })).toBeHidden();
});

test('a time put right, a rep left out, an effort told later: all that is read follows, says who and when, and is taken back', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = (target: Locator) => press(isMobile, target);
  const [run] = await runsCalled(demo, 'Threshold kilometres, 3');
  const gus = await athleteCalled(demo, 'Gus Petherlow');
  await page.goto(`${demo.url}/results/${run?.id}`);
  await go(page.getByRole('button', { name: /^Gus Petherlow, rep 4:/ }));
  const sheet = page.getByRole('dialog', { name: /^Gus Petherlow, rep 4/ });
  await sheet.getByLabel('Time', { exact: true }).fill('4:20');
  await go(sheet.getByRole('button', { name: 'Put right' }));
  await go(sheet.getByRole('radio', { name: '9', exact: true }));
  await go(page.getByRole('button', { name: /^Close Gus/ }));
  await expect(page.getByRole('button', { name: /^Gus Petherlow, rep 4:/ })).toContainText('4:20.0');
  await expect(page.getByRole('heading', { name: 'Added afterwards' })).toBeVisible();
  await expect(page.getByText(/this phone$/).first()).toBeVisible();
  await expect
    .poll(async () => {
      const rows = await demo.get<{ athlete: string; rep: number; timeS?: number }[]>(
        `review/reps?from=${run?.date}&to=${run?.date}&athlete=${gus}`,
      );
      return rows.find(({ rep }) => rep === 4)?.timeS;
    })
    .toBe(260);

  // The story follows.
  await page.goto(`${demo.url}/results/${run?.id}/${gus}`);
  await expect(page.getByText('4:20.0 of', { exact: false })).toBeVisible();
  await go(page.getByRole('button', { name: 'Correct rep 4' }));
  await page.getByLabel('Why it should not count').fill('lost a shoe');
  await go(page.getByRole('button', { name: 'Leave out' }));
  await go(page.getByRole('button', { name: /^Close Gus/ }));
  await expect(page.getByText('not counted: lost a shoe')).toBeVisible();
  await page.reload();
  await go(page.getByRole('button', { name: 'Correct rep 4' }));
  await go(page.getByRole('button', { name: 'Count it again' }));
  await go(page.getByRole('button', { name: /^Close Gus/ }));
  await expect(page.getByText('not counted: lost a shoe')).toBeHidden();
});

test('a session is removed from the results and brought back', async ({ page, demo }) => {
  const [run] = await runsCalled(demo, 'Is it there yet?');
  await page.goto(`${demo.url}/results/${run?.id}`);
  // Once all of it is drawn: what stands above the button pushes it down until then.
  await expect(matters(page)).toContainText('Ran early, each rep');
  await expect(page.getByRole('button', { name: 'Bring out Cleo Wexmoor' })).toBeAttached();
  await expect(page.getByRole('columnheader', { name: 'Sort by Last' })).toBeAttached();
  await page.getByRole('button', { name: 'Remove', exact: true }).tap();
  await expect(page.getByText('“Is it there yet?” is removed.')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Is it there yet/ })).toBeHidden();
  await page.getByRole('button', { name: 'Bring Is it there yet? back' }).tap();
  await expect(page.getByText('“Is it there yet?” is back.')).toBeVisible();
  // Bring back is below the list, and rows far from view are not in the page.
  await page.getByRole('button', { name: 'The squad over the weeks' }).scrollIntoViewIfNeeded();
  await expect(page.getByRole('link', { name: /^Is it there yet/ })).toBeVisible();
});

test('three runs of a session side by side, for the squad and for one; and the steps of a progression @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = (target: Locator) => press(isMobile, target);
  const [latest] = await runsCalled(demo, '800s at 5k pace');
  await page.goto(`${demo.url}/results/${latest?.id}`);
  await go(page.getByRole('button', { name: 'The same over the weeks' }));
  await expect(page.getByRole('button', { name: /^Open 800s at 5k pace of/ })).toHaveCount(4);
  await expect(page.getByText(/^Since the one before, 2\d °C cooler/)).toBeVisible();
  await page.getByLabel('Whose').selectOption({ label: 'Ada Brindlecote' });
  await expectEvenAxis(page.getByRole('img', { name: /^Ada Brindlecote, 800 @5k on average/ }));
  await expect(page.getByRole('table', { name: 'Rep for rep' }).getByRole('row')).toHaveCount(5);

  const [step] = await runsCalled(demo, 'Threshold kilometres, 3');
  await page.goto(`${demo.url}/results/${step?.id}/same`);
  await expect(page.getByRole('heading', { name: 'Kilometres, one more each time' })).toBeVisible();
  for (const n of [1, 2, 3]) await expect(page.getByText(`step ${n} ·`, { exact: false })).toBeVisible();
});

test('from a plan to the last time it was run, and one athlete’s weeks from the squad’s', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = (target: Locator) => press(isMobile, target);
  const sessions = await demo.get<Listed[]>(ALL_SESSIONS);
  const today = sessions.find(({ title }) => title === 'Even 400s, quick finish');
  await page.goto(`${demo.url}/sessions/plan/${today?.id}`);
  await expect(page.getByText(/^Last time, .*400 @5k in 1:\d\d\.\d on average/)).toBeVisible();
  await go(page.getByRole('button', { name: 'See how it went the last time' }));
  await expect(page.getByRole('heading', { name: 'Even 400s, quick finish' })).toBeVisible();

  await page.goto(`${demo.url}/results/squad`);
  await go(page.getByRole('button', { name: 'Sort by Even' }));
  const rows = page.getByRole('table', { name: 'The squad over the weeks' }).getByRole('row');
  await expect(rows.nth(1)).toContainText('Kit Rennagh');
  // Nothing is neither more nor less.
  await expect(rows.filter({ hasText: /[+−]0\.0(?!\d)/ })).toHaveCount(0);
  await go(page.getByRole('button', { name: 'The story of Hana Morvane' }));
  await expect(page.getByText(/^1\d of 2\d sessions/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Hana Morvane, load by week/ })).toBeVisible();
  await expectEvenAxis(page.getByRole('img', { name: /^Hana Morvane, unevenness/ }));
  await expectEvenAxis(page.getByRole('img', { name: /^Hana Morvane, effort/ }));
  await go(page.getByRole('link', { name: /^Threshold miles/ }).first());
  await expect(page.getByRole('heading', { name: 'Hana Morvane', level: 1 })).toBeVisible();
});

test('words beside the findings neither repeat nor contradict them', async ({ page, demo }) => {
  const milo = await athleteCalled(demo, 'Milo Thurskell');
  for (const [title, finding, never] of [
    ['Sharp 200s', /The same work has felt 1.5 harder/, /Effort:/],
    ['Threshold miles', /The same work has felt 1.5 harder/, /Effort:/],
    ['800s at 5k pace', /Harder than meant: Milo Thurskell 10, meant 9/, /Effort:|The same work has felt/],
    ['Two sets of 600', /The same work has felt 1.5 harder/, /slower from the first rep|Effort:/],
  ] as const) {
    const [run] = await runsCalled(demo, title);
    await page.goto(`${demo.url}/results/${run?.id}/${milo}`);
    const matters = page.getByRole('list', { name: 'What matters' });
    await expect(matters).toContainText(finding);
    await expect(matters).toContainText(/rep to rep|as the timing can tell/);
    await expect(matters).not.toContainText(never);
  }
});

test('one athlete’s session is shared as a picture and as text', async ({ page, context, demo }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const [run] = await runsCalled(demo, 'Threshold kilometres, 3');
  await page.goto(`${demo.url}/results/${run?.id}/${await athleteCalled(demo, 'Milo Thurskell')}`);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Picture' }).tap();
  const file = await (await saved).path();
  // PNG begins so; and it is more than an empty sheet.
  expect(fs.readFileSync(file).subarray(1, 4).toString()).toBe('PNG');
  expect(fs.statSync(file).size).toBeGreaterThan(10_000);
  await page.getByRole('button', { name: 'Copy as text' }).tap();
  await expect(page.getByText('Copied: paste it into a message.')).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toMatch(/^Milo Thurskell\nThreshold kilometres, 3/);
  expect(text).toMatch(/Milo Thurskell: 3:\d\d\.\d \([+−]/);
});

test('results out as CSV and in again, in a club that has the same people @wide', async ({ page, demo, isMobile }) => {
  const go = (target: Locator) => press(isMobile, target);
  const [run] = await runsCalled(demo, 'First 300s');
  await page.goto(`${demo.url}/results/${run?.id}`);
  const saved = page.waitForEvent('download');
  await go(page.getByRole('button', { name: 'Save as CSV' }));
  const csv = fs.readFileSync(await (await saved).path(), 'utf8');
  expect(csv.split('\r\n')).toHaveLength(13 * 8 + 2);

  // What is here already is not brought in twice; under another name it is.
  await page.goto(`${demo.url}/results/files`);
  const paste = page.getByLabel('Or paste it');
  const some = csv.split('\r\n').slice(0, 17).join('\r\n');
  await paste.fill(some);
  await expect(page.getByRole('status').filter({ hasText: 'here already and left out' })).toBeVisible();
  await paste.fill(`${some.replaceAll('First 300s', 'From the old book')}\r\nsoon,x,Ada Brindlecote,1,300,60`);
  await expect(page.getByText(/^Row 18: /)).toBeVisible();
  await go(page.getByRole('button', { name: 'Bring them in' }));
  await go(page.getByRole('link', { name: /^From the old book/ }));
  await expect(page.getByText('typed in afterwards', { exact: false })).toBeVisible();
  await expect(page.getByRole('table', { name: 'Results' }).getByRole('row')).toHaveCount(3);
});

test('how hard it was as a whole is told later, in the results', async ({ page, demo }) => {
  const [run] = await runsCalled(demo, 'Sharp 200s');
  await page.goto(`${demo.url}/results/${run?.id}`);
  await page.getByRole('button', { name: 'How hard was it?' }).tap();
  const sheet = page.getByRole('dialog', { name: 'How hard was the whole session?' });
  await sheet.getByRole('button', { name: 'Ivo Castlebrae: harder' }).tap();
  await sheet.getByRole('button', { name: 'Ivo Castlebrae: harder' }).tap();
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Ivo Castlebrae' })).toContainText('8');
  await page.getByRole('button', { name: /^Close How hard/ }).tap();
  await expect(page.getByRole('row', { name: /Ivo Castlebrae/ })).toContainText('–, 8');
});
