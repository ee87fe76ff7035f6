import type { SquadMember } from '../core/squad/athlete';
import { expect, test, ALL_RUNS } from './app';
import { todaysSession } from './board';

test('what a session says about fitness is kept as a mark, moves the paces, and is taken back', async ({
  page,
  demo,
}) => {
  const runs = await demo.get<{ id: string; title: string }[]>(ALL_RUNS);
  const run = runs.find(({ title }) => title === 'Threshold miles');
  await page.goto(`${demo.url}/results/${run?.id}`);
  await expect(page.getByRole('heading', { name: 'What it says about fitness' })).toBeVisible();
  const keep = page.getByRole('button', { name: /^Keep .* for .*’s paces$/ }).first();
  const name = /for (.*)’s paces$/.exec((await keep.getAttribute('aria-label')) ?? '')?.[1] ?? '';
  const link = page.getByRole('link', { name: `${name}, rep by rep, for their fitness` });
  const row = page.getByRole('listitem').filter({ has: link });
  await expect(row).toContainText(/the marks: .* ± .*, before the session .* ± /);
  const athlete = (await demo.get<SquadMember[]>('athletes')).find((athlete) => athlete.name === name);
  const marks = `${demo.url}/squad/${athlete?.id}?side=marks`;
  const worth = page.getByText(/^Worth \d+:\d\d over 5k/);
  const today = await todaysSession(demo);
  /** What they are to run today. */
  const targets = async () => {
    await page.goto(`${demo.url}/sessions/plan/${today.id}`);
    await page.getByRole('radio', { name: 'Targets' }).click();
    return page
      .getByRole('row')
      .filter({ has: page.getByRole('button', { name: `Plan of ${name}` }) })
      .textContent();
  };
  const targetsBefore = await targets();

  await page.goto(marks);
  const before = (await worth.textContent()) ?? '';
  await page.goto(`${demo.url}/results/${run?.id}/${athlete?.id}`);
  const keepIt = page.getByRole('button', { name: new RegExp(`^Keep .* for ${name}’s paces$`) });
  await keepIt.click();
  await expect(page.getByText(/^Kept for their paces: /)).toBeVisible();
  const text = (await page.getByText(/the marks: .* before the session/).textContent()) ?? '';

  await page.goto(marks);
  await expect(page.getByText(/^the session alone says /)).toBeVisible();
  await expect(worth).not.toHaveText(before);
  expect(await targets()).not.toBe(targetsBefore);
  // A session is no evidence about itself: its estimate stays as it was.
  await page.goto(`${demo.url}/results/${run?.id}/${athlete?.id}`);
  await expect(page.getByText(text)).toBeVisible();
  await page.getByRole('button', { name: new RegExp(`^Take back .* of ${name}$`) }).click();
  await expect(keepIt).toBeVisible();
  await page.goto(marks);
  await expect(worth).toHaveText(before);
  expect(await targets()).toBe(targetsBefore);
});

test('whether a goal can be reached by its day is said, with a nearer one; and who of the squad gets fitter @wide', async ({
  page,
  demo,
}) => {
  const athletes = await demo.get<SquadMember[]>('athletes');
  const ada = athletes.find(({ name }) => name === 'Ada Brindlecote');
  await page.goto(`${demo.url}/squad/${ada?.id}?side=season`);
  await expect(page.getByText(/^It needs \d+(\.\d)?\ss a week for \d weeks; so far it was /)).toBeVisible();
  await expect(page.getByText(/^Going on like that: \d+:\d\d ± \d+ s that day/)).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^Ada Brindlecote over 5k: .* the goal is worth .* race worth / }),
  ).toBeVisible();
  // Far beyond what anyone gains in weeks.
  await page.getByRole('button', { name: 'Change goal' }).click();
  await page.getByRole('textbox', { name: 'Goal time' }).fill('14:30');
  await page.getByRole('button', { name: 'Save goal' }).click();
  await expect(page.getByText(/next to no chance/)).toBeVisible();
  await expect(page.getByText(/^A nearer goal would be /)).toBeVisible();
  await page.goto(`${demo.url}/results/squad`);
  const fitter = page.getByRole('list', { name: 'Who gets fitter' }).getByRole('listitem');
  await expect(fitter.first()).toContainText(/: \d+(\.\d)?\ss a week faster over \S+ \(± \d+\.\d\), from \d+ marks$/);
});

test('results of a day before a level was set are read without it', async ({ page, demo }) => {
  const runs = await demo.get<{ id: string; date: string }[]>(ALL_RUNS);
  const nudged = (await demo.get<SquadMember[]>('athletes')).find(({ nudge }) => nudge);
  const before = runs.filter(({ date }) => date < (nudged?.nudge?.date ?? ''));
  expect(before.length).toBeGreaterThan(1);
  for (const { id } of [before[0], before.at(-1)].flatMap((run) => run ?? [])) {
    await page.goto(`${demo.url}/results/${id}`);
    await expect(page.getByRole('heading', { name: 'What it says about fitness' })).toBeVisible();
  }
});
