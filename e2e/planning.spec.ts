import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { drag, drawn, expect, press, seriousProblems, sessionCalled, test } from './app';
import type { RunningApp } from './runningApp';
import { todaysSession } from './board';

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const exactly = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const side = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });
const groupCard = (page: Page, name: string) => page.getByRole('group', { name, exact: true });

const keptPlan = async (app: RunningApp, title: string) => (await sessionCalled(app, title)).plan ?? {};

async function openPlan(page: Page, app: RunningApp, title: string, at = 'Groups') {
  const { id } = await sessionCalled(app, title);
  await page.goto(`${app.url}/sessions/plan/${id}`);
  await expect(page.getByText(/of 14 take part/)).toBeVisible();
  if (at !== 'Groups') await side(page, at).click();
}
const TODAY = 'Even 400s, quick finish';
const HARD = 'Mile pace 400s';

/** How many pages the page comes to on paper, and of what size in points. */
async function printed(page: Page): Promise<{ pages: number; sizes: string[] }> {
  await page.emulateMedia({ media: 'print' });
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  await page.emulateMedia({ media: 'screen' });
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  const sizes = [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(
    ([, w, h]) => `${Math.round(Number(w))}x${Math.round(Number(h))}`,
  );
  return { pages: pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0, sizes: [...new Set(sizes)] };
}
const quietPrinter = (page: Page) =>
  page.addInitScript(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes');
  });

test('today’s session is planned: who runs, in which groups, and it goes to the track as planned', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/sessions/${(await todaysSession(demo)).id}`);
  await exactly(page, 'Plan').tap();
  await expect(page.getByText('14 of 14 take part')).toBeVisible();
  await expect(page.getByRole('note')).toContainText('Under 14 in hard work: Kit');
  await expect(page.getByText(/^Forecast: \d+ °C/)).toBeVisible();
  // One is left out.
  await button(page, 'Choose who takes part').tap();
  await page.getByRole('checkbox', { name: /^Kit Rennagh/ }).tap();
  await expect(page.getByText('13 of 14 take part')).toBeVisible();
  await expect(page.getByRole('note')).not.toContainText('Under 14');
  // Somebody is dragged into another group, and taken back.
  const [milers, five] = [groupCard(page, 'Milers'), groupCard(page, 'Five and ten')];
  await expect(milers.getByText('Ivo Castlebrae')).toBeVisible();
  await drag(page, button(page, 'Move Ivo Castlebrae'), five, true);
  await expect(five.getByText('Ivo Castlebrae')).toBeVisible();
  await expect.poll(async () => (await keptPlan(demo, TODAY)).groups?.length).toBe(3);
  await button(page, 'Undo').tap();
  await expect(milers.getByText('Ivo Castlebrae')).toBeVisible();
  // The young ones run fewer.
  await button(page, 'Settings of Young ones').tap();
  const fours = groupCard(page, 'Young ones').getByRole('group', { name: '8x400 @5k / 75s jog' });
  await fours.getByRole('button', { name: 'Times: less' }).tap();
  await fours.getByRole('button', { name: 'Times: less' }).tap();
  await expect(fours.getByText('6 ×')).toBeVisible();
  await expect.poll(async () => (await keptPlan(demo, TODAY)).changes?.[0]?.set).toEqual({ kind: 'count', n: 6 });
  await side(page, 'Targets').tap();
  await expect(page.getByRole('table', { name: 'Targets of 2' })).toContainText('6×400');
  await expect(page.getByRole('table', { name: 'Targets of 11' })).toContainText('8×400');
  await page.reload();
  await expect(page.getByText('13 of 14 take part')).toBeVisible();
  // At the track there is a board for each.
  await button(page, 'To the track').tap();
  await expect(page.getByRole('checkbox', { name: 'Kit Rennagh' })).not.toBeChecked();
  // Only the young ones are timed by this phone.
  for (const name of ['Milers', 'Five and ten'])
    await page.getByRole('group', { name: 'This phone times' }).getByRole('checkbox', { name }).tap();
  await button(page, /^Go with \d+ athletes/).tap();
  await expect(page.getByText('Juno')).toBeVisible();
  await expect(page.getByText('Bo', { exact: true })).toBeHidden();
});

test('too much: seen at a glance, one proposal accepted for a group, seen among the changes and taken back', async ({
  page,
  demo,
}) => {
  await openPlan(page, demo, HARD, 'Effort');
  await expect(page.getByText(/harder than meant for \d+, too much for \d+/)).toBeVisible();
  const juno = button(page, /^Juno Sellwick:/);
  await expect(juno).toHaveAccessibleName(/too much/);
  await juno.tap();
  await expect(page.getByRole('img', { name: /^Juno Sellwick: predicted effort/ })).toBeVisible();
  const effort = page.getByRole('region', { name: 'Effort of Juno Sellwick' });
  await effort.getByRole('button', { name: /^Why\? 400 @mile: recovery/ }).tap();
  const why = page.getByRole('dialog', { name: 'Why?' });
  await expect(why).toContainText('Marks: ');
  await expect(why).toContainText('The reserve above critical speed runs out before the end');
  await expect(why).toContainText('the recovery in steps of 5 s: this is the smallest change that is on plan.');
  expect(await seriousProblems(page)).toEqual([]);
  await page.keyboard.press('Escape');
  const young = effort.getByRole('button', { name: /^For Young ones: 400 @mile: recovery/ });
  await young.tap();
  await expect(juno).toHaveAccessibleName(/on plan|too easy/);
  await expect(button(page, /^Nia Quelland:/)).toHaveAccessibleName(/on plan|too easy/);
  await expect(button(page, /^Lark Ostervane:/)).toHaveAccessibleName(/too much/);
  expect(await seriousProblems(page)).toEqual([]);
  await side(page, 'Targets').tap();
  const taken = button(page, /^Take back: Young ones: 10x400 @mile \/ 90s walk: recovery/);
  await taken.scrollIntoViewIfNeeded();
  expect(await seriousProblems(page)).toEqual([]);
  await taken.tap();
  await expect(page.getByText(/^Nothing is changed by hand/)).toBeVisible();
  await side(page, 'Effort').tap();
  await expect(juno).toHaveAccessibleName(/too much/);
});

test('how sure the effort is comes from a worker, for the plan as it is', async ({ page, demo }) => {
  // How athletes tell effort comes late, and makes every plan anew: what is tried out stays good.
  let letThrough = () => undefined as void;
  const started = new Promise<void>((resolve) => (letThrough = resolve));
  await page.route(/review\/calibrations/, async (route) => {
    await started;
    await route.continue();
  });
  await openPlan(page, demo, HARD, 'Effort');
  await button(page, 'How sure is this?').tap();
  await button(page, /^(Stop|Try out again)$/).waitFor();
  const told = page.waitForResponse(/review\/calibrations/);
  letThrough();
  await told;
  // It is worked out meanwhile: as long as the machine takes.
  await button(page, 'Try out again').waitFor();
  await expect(button(page, /^Bo Tarrowby:.*on \d+ of 100 days/)).toBeVisible();
  // A change makes what was drawn a matter of the past.
  await side(page, 'Targets').tap();
  await page.getByRole('group', { name: 'On target within' }).getByRole('button', { name: /more/ }).tap();
  await side(page, 'Effort').tap();
  await expect(button(page, 'How sure is this?')).toBeVisible();
});

test('trying days out can be stopped; where it fails, the page says so and the rest holds', async ({ page, demo }) => {
  // A worker that never answers, and the second time one that breaks.
  await page.addInitScript(() => {
    let started = 0;
    class Stuck {
      onerror?: () => void;
      postMessage() {
        if (++started > 1) setTimeout(() => this.onerror?.());
      }
      terminate() {
        document.body.setAttribute('data-ended', 'yes');
      }
    }
    window.Worker = Stuck as unknown as typeof Worker;
  });
  await openPlan(page, demo, HARD, 'Effort');
  await button(page, 'How sure is this?').tap();
  await expect(page.getByText('0 of 14 tried out')).toBeVisible();
  await exactly(page, 'Stop').tap();
  await expect(page.locator('body')).toHaveAttribute('data-ended', 'yes');
  await button(page, 'How sure is this?').tap();
  await expect(page.getByRole('alert')).toContainText('could not be worked out on this device just now');
  await expect(button(page, /^Juno Sellwick:/)).toHaveAccessibleName(/too much/);
});

test('starts are set apart until nobody comes in together, by the best way and by hand', async ({ page, demo }) => {
  await openPlan(page, demo, TODAY);
  // Groups by this session's own paces are narrow enough to be timed apart.
  await button(page, 'Suggest groups').tap();
  await expect(page.getByRole('group', { name: 'Suggested groups' })).toContainText('s a lap');
  await button(page, /^Use these \d groups$/).tap();
  await side(page, 'Track').tap();
  const traffic = page.getByRole('region', { name: 'Traffic' });
  const clashes = async () =>
    Number(
      (await traffic.getByText(/^(\d+ clash(es)?|Nobody comes in together)$/).innerText()).replace(/\D/g, '') || 0,
    );
  await expect(traffic.getByText(/^\d+ clashes$/)).toBeVisible();
  const before = await clashes();
  await button(page, 'Find the best starts').tap();
  await expect(page.getByText(/no better way in steps of 5 s/)).toBeVisible();
  await expect.poll(clashes).toBeLessThan(before);
  const solved = await clashes();
  // Dragged back to the front, the last group runs into the others again.
  const starts = traffic.getByRole('slider');
  const last = starts.last();
  expect(Number(await last.inputValue())).toBeGreaterThan(0);
  await last.fill('0');
  await expect.poll(clashes).toBeGreaterThan(solved);
  await last.blur();
  await expect.poll(async () => (await keptPlan(demo, TODAY)).groups?.at(-1)?.startGapS).toBeUndefined();
  // Someone else has the track for a while.
  await button(page, 'Add a busy time').tap();
  await page.getByLabel('To', { exact: true }).fill('17:30');
  await expect(page.getByText('It ends before it begins.')).toBeVisible();
  await page.getByLabel('To', { exact: true }).fill('18:10');
  await page.getByLabel('Whose it is then').fill('sprinters');
  await exactly(page, 'Keep').tap();
  await expect(page.getByText('17:45 to 18:10, sprinters')).toBeVisible();
  await expect(page.getByText(/sand: the track is someone else’s/)).toBeVisible();
  expect(await seriousProblems(page)).toEqual([]);
});

test('a place of the coach’s own: a mark outside its lap is said, and the session is laid out on it', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/sessions/places`);
  await button(page, 'New place').tap();
  await page.getByLabel('Name', { exact: true }).first().fill('Mill loop');
  await page.getByLabel('One lap, in metres').fill('600');
  await button(page, 'Add a mark').tap();
  await page.getByLabel('Mark 2 at, in metres').fill('700');
  await page.getByLabel('Name of mark 2').fill('oak');
  await expect(page.getByText('“oak” is at 700 m, but the lap is only 600 m long.')).toBeVisible();
  await page.getByLabel('Mark 2 at, in metres').fill('400');
  await expect(page.getByText(/Not kept yet/)).toBeHidden();
  await expect.poll(async () => (await demo.get<{ marks: object[] }[]>('venues'))[0]?.marks.length).toBe(2);
  await openPlan(page, demo, TODAY);
  await page.getByLabel('Place', { exact: true }).selectOption({ label: 'Mill loop' });
  await side(page, 'Track').tap();
  await expect(
    page
      .getByText('Rep 1, 400: from the start, to the oak')
      .or(page.getByText(/400: from the start, to the oak/))
      .first(),
  ).toBeVisible();
  await expect.poll(async () => (await keptPlan(demo, TODAY)).venueId).toMatch(/^\w{26}$/);
});

test('cards on paper, on the phone, as a message and as a list', async ({ page, demo, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await quietPrinter(page);
  await openPlan(page, demo, TODAY, 'Paper');
  const card = page.getByRole('region', { name: 'Card of Bo Tarrowby' });
  await expect(card).toContainText('8 × 400 @5k');
  await page.getByLabel('Card of', { exact: true }).selectOption({ label: 'Juno Sellwick' });
  await expect(page.getByRole('region', { name: 'Card of Juno Sellwick' })).toContainText('rest 75s jog');
  await button(page, 'Copy as text').tap();
  await expect(page.getByText('Copied for Juno: paste it in a message.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(
    /^Even 400s, quick finish\n.*400 m track\nJuno Sellwick \(Young ones\)\n\nWarm-up: 1600 @easy.*\n8 × 400 @5k: \d:\d\d\.\d \(200 in \d\d\.\d\), 75s jog\n/,
  );
  const saving = page.waitForEvent('download');
  await button(page, /^Save all targets/).tap();
  const rows = fs
    .readFileSync(await (await saving).path(), 'utf8')
    .trim()
    .split('\r\n');
  // A head, and 14 athletes with 12 reps each.
  expect(rows).toHaveLength(1 + 14 * 12);
  await side(page, 'Pocket cards').tap();
  await exactly(page, 'Print').tap();
  await expect(page.locator('body')).toHaveAttribute('data-printed', 'yes');
  const paper = page.getByRole('document', { name: /on paper$/ });
  await expect(paper).toContainText('Nia Quelland');
  expect(await printed(page)).toEqual({ pages: 2, sizes: ['595x842'] });
  await expect(paper).toBeHidden();
  expect(await seriousProblems(page)).toEqual([]);
});

test('the squad comes on one page, each group on one, upright and across, and the browser’s own Print prints it @wide', async ({
  page,
  demo,
}) => {
  await quietPrinter(page);
  await openPlan(page, demo, TODAY, 'Paper');
  const sheet = page.getByRole('document', { name: /on paper$/ });
  const print = async () => {
    await press(page, 'keyboard', exactly(page, 'Print'));
    await expect(sheet).toBeAttached();
    return printed(page);
  };
  expect(await print()).toEqual({ pages: 1, sizes: ['842x595'] });
  await side(page, 'Upright').press('Enter');
  expect((await print()).sizes).toEqual(['595x842']);
  await side(page, 'Group sheets').press('Enter');
  expect(await print()).toEqual({ pages: 3, sizes: ['595x842'] });
  await side(page, 'Squad sheet').press('Enter');
  await side(page, 'Across').press('Enter');
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(sheet).toBeAttached();
  // A target once for 8 × 400 and once for 4 × 200; a box for each rep; what is called once a group.
  const row = sheet.getByRole('row', { name: /^Bo Tarrowby/ });
  await expect(row.getByRole('cell')).toHaveCount(1 + 2 + 12);
  await expect(row).toHaveText(/^Bo Tarrowby1:\d\d\.\d\d\d\.\d$/);
  await expect(sheet.getByText(/^8 × 400 @5k in 1:\d\d\.\d: 200 in/)).toHaveCount(3);
  expect(await printed(page)).toEqual({ pages: 1, sizes: ['842x595'] });
});

test('by keyboard: a target of one’s own, a group moved into, a start set apart, everyone taken out @wide', async ({
  page,
  demo,
}) => {
  await openPlan(page, demo, TODAY, 'Targets');
  await press(page, 'keyboard', button(page, 'Plan of Dov Ashgrave'));
  const ownLocator = page.getByRole('region', { name: 'Plan of Dov Ashgrave' });
  const fours = ownLocator.getByRole('group', { name: '8x400 @5k / 75s jog' });
  await expect(fours.getByText('1:28.8')).toBeVisible();
  await press(page, 'keyboard', fours.getByRole('button', { name: 'Target: more' }));
  await expect(fours.getByText('1:29.5')).toBeVisible();
  const row = page.getByRole('row', { name: /Dov Ashgrave/ });
  await expect(row).toContainText('changed1:29.5');
  await expect(page.getByText(/^Dov: 8x400 @5k \/ 75s jog: 1:29\.5/)).toBeVisible();
  // Whole seconds are shown, the target stays what it is.
  await side(page, '1 s').press('Enter');
  await expect(row).toContainText('changed1:30');
  await press(page, 'keyboard', ownLocator.getByRole('button', { name: /^Take back what was changed for Dov/ }));
  await expect(row).toContainText('Dov Ashgrave1:29');
  // Into another group, with space and the arrow keys.
  await side(page, 'Groups').press('Enter');
  const five = groupCard(page, 'Five and ten');
  await five.getByRole('button', { name: 'Move Dov Ashgrave' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Dov Ashgrave is over Five and ten.')).toBeAttached();
  // Where the groups lie is measured with the next picture.
  await drawn(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Dov Ashgrave is over Young ones.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(groupCard(page, 'Young ones').getByText('Dov Ashgrave')).toBeVisible();
  // A start set apart with the arrow keys.
  await side(page, 'Track').press('Enter');
  const start = page.getByRole('slider', { name: 'Start of Five and ten, seconds after the first' });
  await start.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => (await keptPlan(demo, TODAY)).groups?.find(({ name }) => name === 'Five and ten')?.startGapS)
    .toBe(20);
  // Nobody left: every side says so.
  await side(page, 'Groups').press('Enter');
  await press(page, 'keyboard', button(page, 'Choose who takes part'));
  for (const tick of await page.getByRole('group', { name: 'Who takes part' }).getByRole('checkbox').all()) {
    await tick.focus();
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText(/^Nobody takes part/)).toBeVisible();
  for (const [name, text] of [
    ['Targets', 'Nobody to run it'],
    ['Effort', 'Nobody to look at'],
    ['Track', 'Nobody on the track'],
    ['Paper', 'Nobody to print for'],
  ] as const) {
    await side(page, name).press('Enter');
    await expect(page.getByText(text)).toBeVisible();
  }
  await expect(button(page, 'To the track')).toBeDisabled();
});
