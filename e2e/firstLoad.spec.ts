import type { Page } from '@playwright/test';
import { expect, test } from './app';

const KB = 1000;
const LATER_CODE = /\/_expo\/static\/js\/web\/(?!entry|__)/;

/** What comes over the wire until the page is still, by kind: packed bytes with their headers, as the browser counts them. */
async function bytesOnTheWire(page: Page): Promise<() => Record<string, number>> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Network.enable');
  const types = new Map<string, string>();
  const sums: Record<string, number> = {};
  devtools.on('Network.responseReceived', ({ requestId, type }) => types.set(requestId, type));
  devtools.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const type = types.get(requestId) ?? 'Other';
    sums[type] = (sums[type] ?? 0) + encodedDataLength;
  });
  return () => sums;
}

test('the first screen needs little: at most 400 kB of code and 80 kB of fonts on the wire', async ({ page, demo }) => {
  // What is fetched ahead for later does not hold up the first screen.
  await page.route(LATER_CODE, (route) => route.abort());
  const bytes = await bytesOnTheWire(page);
  await page.goto(demo.url);
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  const { Script = 0, Font = 0, Document = 0 } = bytes();
  for (const [sum, most] of [
    [Script, 400 * KB],
    [Font, 80 * KB],
    [Document, 2 * KB],
  ] as const) {
    expect(sum).toBeGreaterThan(0);
    expect(sum).toBeLessThanOrEqual(most);
  }
});

test('a screen whose code cannot be fetched says so, and can be tried again', async ({ page, demo }) => {
  await page.route(LATER_CODE, (route) => route.abort());
  await page.goto(`${demo.url}/sessions`);
  await page.getByRole('link', { name: /Even 400s.*Today/ }).tap();
  await expect(page.getByText('the server cannot be reached', { exact: false })).toBeVisible();
  await page.unroute(LATER_CODE);
  await page.getByRole('button', { name: 'Try again' }).tap();
  await expect(page.getByLabel('Session', { exact: true })).toBeVisible();
});

test('every screen is here before it is asked for, so that the server may go away', async ({ page, killable }) => {
  const fetched: string[] = [];
  page.on('requestfinished', (request) => fetched.push(new URL(request.url()).pathname));
  await page.goto(`${killable.url}/results`);
  await expect(page.getByText(/130 of 130 reps/).first()).toBeVisible();
  const chunks = ['laterScreens', 'lists'];
  await expect.poll(() => chunks.filter((name) => !fetched.some((file) => file.includes(`/${name}-`)))).toEqual([]);
  await killable.kill();
  await page.getByRole('link', { name: 'Squad' }).tap();
  // The squad was read with the first screen, and is kept.
  await expect(page.getByText('14 athletes')).toBeVisible();
  await page.getByRole('button', { name: 'Add athlete' }).tap();
  await expect(page.getByLabel('Name', { exact: true })).toBeVisible();
});
