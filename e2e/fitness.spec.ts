import type { SquadMember } from '../core/squad/athlete';
import { expect, test } from './app';

const secondsOf = (text: string | null | undefined): number => {
  const [, minutes, seconds] = /(\d+):(\d\d)/.exec(text ?? '') ?? [];
  return Number(minutes) * 60 + Number(seconds);
};

test('what a session says about fitness is kept as a mark, moves the paces, and is taken back @both', async ({
  page,
  demo,
}) => {
  const runs = await demo.get<{ id: string; title: string }[]>('runs');
  const run = runs.find(({ title }) => title === 'Threshold kilometres, 2');
  await page.goto(`${demo.url}/results/${run?.id}`);
  await expect(page.getByRole('heading', { name: 'What it says about fitness' })).toBeVisible();
  const keep = page.getByRole('button', { name: /^Keep .* for .*’s paces$/ }).first();
  const name = /for (.*)’s paces$/.exec((await keep.getAttribute('aria-label')) ?? '')?.[1] ?? '';
  const link = page.getByRole('link', { name: `${name}, rep by rep, for their fitness` });
  const row = page.getByRole('listitem').filter({ has: link });
  await expect(row).toContainText(/known: .* ± .*, before the session .* ± /);
  const athlete = (await demo.get<SquadMember[]>('athletes')).find((one) => one.name === name);
  const marks = `${demo.url}/squad/${athlete?.id}?side=marks`;
  const worth = page.getByText(/^Worth \d+:\d\d over 5k/);

  await page.goto(marks);
  const before = (await worth.textContent()) ?? '';
  await page.goto(`${demo.url}/results/${run?.id}/${athlete?.id}`);
  const keepIt = page.getByRole('button', { name: new RegExp(`^Keep .* for ${name}’s paces$`) });
  await keepIt.click();
  await expect(page.getByText(/^Kept for their paces: /)).toBeVisible();
  const says = (await page.getByText(/known: .* before the session/).textContent()) ?? '';

  await page.goto(marks);
  await expect(page.getByText(/^the session alone says /)).toBeVisible();
  await expect(worth).not.toHaveText(before);
  // The curve with it is nearer to what was told.
  const off = (text: string | null) => Math.abs(secondsOf(text) - secondsOf(says));
  expect(off(await worth.textContent())).toBeLessThan(off(before));

  // It is not its own witness: what the session says stays as it was.
  await page.goto(`${demo.url}/results/${run?.id}/${athlete?.id}`);
  await expect(page.getByText(says)).toBeVisible();
  await page.getByRole('button', { name: new RegExp(`^Take back .* of ${name}$`) }).click();
  await expect(keepIt).toBeVisible();
  await page.goto(marks);
  await expect(worth).toHaveText(before);
});

test('results of a day before a level was set are read without it', async ({ page, demo }) => {
  const runs = await demo.get<{ id: string; date: string }[]>('runs');
  const nudged = (await demo.get<SquadMember[]>('athletes')).find(({ nudge }) => nudge);
  const before = runs.filter(({ date }) => date < (nudged?.nudge?.date ?? ''));
  expect(before.length).toBeGreaterThan(1);
  for (const { id } of [before[0], before.at(-1)].flatMap((run) => run ?? [])) {
    await page.goto(`${demo.url}/results/${id}`);
    await expect(page.getByRole('heading', { name: 'What it says about fitness' })).toBeVisible();
  }
});
