import type { Page } from '@playwright/test';
import { expect, seriousProblems, test } from './app';

const KB = 1000;
const APP_CODE = /\/_expo\/static\/js\/web\//;
const LATER_CODE = /\/_expo\/static\/js\/web\/(?!start|__)/;

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

test('the first screen needs little: at most 349 kB of code and 50 kB of fonts on the wire', async ({ page, demo }) => {
  // What is fetched ahead for later does not hold up the first screen.
  await page.route(LATER_CODE, (route) => route.abort());
  const bytes = await bytesOnTheWire(page);
  await page.goto(demo.url);
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  const { Script = 0, Font = 0, Document = 0 } = bytes();
  for (const [sum, most] of [
    // 345 is wanted: what looks at seasons is to come after the first screen.
    [Script, 349 * KB],
    [Font, 50 * KB],
    [Document, 2 * KB],
  ] as const) {
    expect(sum).toBeGreaterThan(0);
    expect(sum).toBeLessThanOrEqual(most);
  }
});

test('the browser is told to compile the first file while it comes', async ({ page, demo }) => {
  const first = page.waitForResponse(/\/web\/start-/);
  await page.goto(demo.url);
  expect(await (await first).text()).toMatch(/^\/\/# allFunctionsCalledOnLoad\n/);
});

test('before the app is here, its frame stands in the look that was chosen', async ({ page, demo }) => {
  await page.addInitScript(() => localStorage.setItem('zest-lap-settings', JSON.stringify({ look: 'dark' })));
  // The app itself does not come.
  await page.route(APP_CODE, (route) => route.abort());
  await page.goto(demo.url);
  await expect(page.locator('.shell-title')).toBeVisible();
  const dark = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(await dark()).toBe('rgb(15, 29, 26)');
  await page.unroute(APP_CODE);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  await expect(page.locator('.shell')).toHaveCount(0);
  expect(await dark()).toBe('rgb(15, 29, 26)');
});

test('before the app is here, today’s session stands where the app then puts it', async ({ page, demo }) => {
  await page.route(APP_CODE, (route) => route.abort());
  await page.goto(demo.url);
  const words = page.locator('.today-detail');
  await expect(words).toHaveAttribute('data-text', /^8x400 @5k/);
  const place = await words.boundingBox();
  expect(await seriousProblems(page)).toEqual([]);
  await page.unroute(APP_CODE);
  await page.reload();
  const inTheApp = page.getByRole('region', { name: 'Today' }).getByText(/^8x400 @5k/);
  await expect(inTheApp).toBeVisible();
  await expect(page.locator('#today')).toHaveCount(0);
  const there = await inTheApp.boundingBox();
  for (const side of ['x', 'y', 'width', 'height'] as const)
    expect(Math.abs((place?.[side] ?? 0) - (there?.[side] ?? 0))).toBeLessThan(2);
  // Going elsewhere and back shows the app's own.
  await page.getByRole('link', { name: 'Squad' }).tap();
  await page.getByRole('link', { name: 'Season' }).tap();
  await expect(inTheApp).toBeVisible();
});

test.describe('without an answer', () => {
  test.use({ expectedConsole: /status of 500/ });
  test('what stands there of today does not outlive a screen that cannot be drawn', async ({ page, demo }) => {
    await page.route('**/api/seasons', (route) => route.fulfill({ status: 500, json: {} }));
    await page.goto(demo.url);
    await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
    await expect(page.locator('#today')).toHaveCount(0);
  });
});

test('what two later files share, and the first screen waits for, is next to nothing', async ({ page, demo }) => {
  const sizes: number[] = [];
  page.on('response', async (response) => {
    if (response.url().includes('/__common-')) sizes.push((await response.body()).length);
  });
  await page.goto(demo.url);
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  // The check of a pace book, what a session in the library is called, and the words of what happens at the track.
  await expect.poll(() => sizes[0] ?? 0).toBeGreaterThan(0);
  expect(sizes[0]).toBeLessThanOrEqual(5 * KB);
});

test('a screen whose code cannot be fetched says so, and can be tried again', async ({ page, demo }) => {
  await page.route(LATER_CODE, (route) => route.abort());
  await page.goto(demo.url);
  await page.getByRole('link', { name: 'Sessions' }).tap();
  await expect(page.getByText('the server cannot be reached', { exact: false })).toBeVisible();
  await page.unroute(LATER_CODE);
  await page.getByRole('button', { name: 'Try again' }).tap();
  await expect(page.getByRole('link', { name: /Even 400s.*Today/ })).toBeVisible();
});

test('every screen is here before it is asked for, so that the server may go away', async ({ page, killable }) => {
  const fetched: string[] = [];
  page.on('requestfinished', (request) => fetched.push(new URL(request.url()).pathname));
  await page.goto(`${killable.url}/results`);
  await expect(page.getByText(/130 of 130 reps/).first()).toBeVisible();
  const chunks = ['laterScreens', 'WindowedRows'];
  await expect.poll(() => chunks.filter((name) => !fetched.some((file) => file.includes(`/${name}-`)))).toEqual([]);
  await killable.kill();
  await page.getByRole('link', { name: 'Squad' }).tap();
  // The squad was read with the first screen, and is kept.
  await expect(page.getByText('14 athletes')).toBeVisible();
  await page.getByRole('button', { name: 'Add athlete' }).tap();
  await expect(page.getByLabel('Name', { exact: true })).toBeVisible();
});
