import fs from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { expect, test } from './app';

const KB = 1000;
const LATER_CODE = /\/_expo\/static\/js\/web\/(?!entry|__)/;

test('the first screen needs little: at most 400 KB of code and 80 KB of fonts', async ({ page, demo }) => {
  const fonts: number[] = [];
  page.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (pathname.endsWith('.woff2')) fonts.push(fs.statSync(path.join(__dirname, '../dist', pathname)).size);
  });
  await page.goto(demo.url);
  await expect(page.getByText('Today and to come')).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  const html = await (await page.request.get(demo.url)).text();
  const scripts = [...html.matchAll(/<script[^>]+src="([^"]+)"/g)].map(([, src]) => src ?? '');
  expect(scripts.length).toBeGreaterThan(0);
  const code = await Promise.all(
    scripts.map(async (src) => gzipSync(await (await page.request.get(demo.url + src)).body())),
  );
  expect(code.reduce((sum, { length }) => sum + length, 0)).toBeLessThanOrEqual(400 * KB);
  expect(fonts.length).toBeGreaterThan(0);
  expect(fonts.reduce((sum, size) => sum + size, 0)).toBeLessThanOrEqual(80 * KB);
});

test('a screen whose code cannot be fetched says so, and can be tried again', async ({ page, demo }) => {
  await page.route(LATER_CODE, (route) => route.abort());
  await page.goto(`${demo.url}/sessions`);
  await page.getByRole('link', { name: /Even 400s/ }).tap();
  await expect(page.getByText('the server cannot be reached', { exact: false })).toBeVisible();
  await page.unroute(LATER_CODE);
  await page.getByRole('button', { name: 'Try again' }).tap();
  await expect(page.getByLabel('Session', { exact: true })).toBeVisible();
});

test('every screen is here before it is asked for, so that the server may go away', async ({ page, demo }) => {
  const fetched: string[] = [];
  page.on('requestfinished', (request) => fetched.push(new URL(request.url()).pathname));
  await page.goto(`${demo.url}/results`);
  await expect(page.getByText(/130 of 130 reps/).first()).toBeVisible();
  const chunks = ['laterScreens', 'lists'];
  await expect.poll(() => chunks.filter((name) => !fetched.some((file) => file.includes(`/${name}-`)))).toEqual([]);
  await demo.kill();
  await page.getByRole('link', { name: 'Squad' }).tap();
  // The squad was read with the first screen, and is kept.
  await expect(page.getByText('14 athletes')).toBeVisible();
  await page.getByRole('button', { name: 'Add athlete' }).tap();
  await expect(page.getByLabel('Name', { exact: true })).toBeVisible();
});
