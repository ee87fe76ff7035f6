import { chromium, type Page } from '@playwright/test';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates } from '@core/season/templates/templates';
import { dateOfDay, dayNumber, daysAfter } from '@core/units/dayNumber';
import { weekStartOf } from '@core/season/phases';
import { CHROMIUM } from '../../playwright.config';
import { SQUAD } from './madeUpSquad';
import { report } from './measure';
import { serverWith } from './squadServer';

const SLOWER = 4;
const ROUNDS = 7;
const WEEKS = 20;
const SEASON_ID = '01K00000000000000000000000';

/** Milliseconds from the tap on the place until this week has been painted. */
const openWeek = (page: Page) =>
  page.evaluate(async () => {
    const link = Array.from(document.getElementsByTagName('a')).find((a) => a.textContent.includes('Season'));
    const startMs = performance.now();
    link?.click();
    const isHere = () => document.querySelector('[aria-label="Days"] [role=listitem]') !== null;
    while (!isHere() && performance.now() - startMs < 10_000)
      await new Promise((resolve) => requestAnimationFrame(resolve));
    if (!isHere()) throw new Error('Timed out: no days after 10 s.');
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    return performance.now() - startMs;
  });

/** Starts recording how long each frame takes. @returns what stops it. */
const framesFrom = (page: Page) =>
  page.evaluate(() => {
    const frames: number[] = [];
    let last = performance.now();
    let isOn = true;
    const next = () => {
      const now = performance.now();
      frames.push(now - last);
      last = now;
      if (isOn) requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
    Object.assign(globalThis, {
      stopFrames: () => {
        isOn = false;
        return frames;
      },
    });
  });

/** Drags a hard day up and down the ladder by finger. @returns milliseconds of each frame. */
async function dragOver(page: Page): Promise<number[]> {
  const cell = page
    .getByRole('region', { name: 'Season ladder' })
    .locator('button[aria-roledescription=draggable]')
    .first();
  await cell.scrollIntoViewIfNeeded();
  const box = await cell.boundingBox();
  if (!box) throw new Error('No hard day in sight.');
  const touch = await page.context().newCDPSession(page);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const at = (type: 'touchStart' | 'touchMove', px: number, py: number) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: [{ x: px, y: py }] });
  await at('touchStart', x, y);
  await page.getByText(/Over \w+day/).waitFor({ state: 'attached' });
  await framesFrom(page);
  for (let i = 0; i < 120; i++) await at('touchMove', 80 + (i % 30) * 7, y - 60 + (i % 60) * 4);
  const frames = await page.evaluate(() => (globalThis as unknown as { stopFrames: () => number[] }).stopFrames());
  await page.keyboard.press('Escape');
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  return frames.slice(1);
}

/** This week of a season, and a hard day dragged over twenty weeks, on a phone four times slower than this machine. */
export async function season(): Promise<void> {
  const app = await serverWith(SQUAD.slice(0, 24));
  const today = new Date().toISOString().slice(0, 10);
  const firstDay = dateOfDay(weekStartOf(dayNumber(today), {}) - 7);
  const [template] = seasonTemplates;
  if (!template) throw new Error('No template.');
  const plan = seasonFrom(template, {
    firstDay,
    races: [{ date: daysAfter(firstDay, WEEKS * 7 - 1), name: 'The race', weight: 'A' }],
  });
  await fetch(`${app.url}/api/seasons/${SEASON_ID}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ season: plan, version: 0 }),
  });
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const opened: number[] = [];
  const frames: number[] = [];
  const idle: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const page = await context.newPage();
    await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
    await page.goto(`${app.url}/track`);
    // The network may be quiet before anything is drawn.
    await page.getByRole('link', { name: 'Season' }).waitFor();
    await page.waitForLoadState('networkidle');
    const slow = await context.newCDPSession(page);
    await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    opened.push(await openWeek(page));
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await page.goto(`${app.url}/season/${SEASON_ID}`);
    await page.getByText('To look at again').waitFor();
    await page.waitForLoadState('networkidle');
    await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    await framesFrom(page);
    await page.waitForTimeout(500);
    idle.push(
      ...(await page.evaluate(() => (globalThis as unknown as { stopFrames: () => number[] }).stopFrames())).slice(1),
    );
    frames.push(...(await dragOver(page)));
    await page.close();
  }
  report(`this week, ${SLOWER}× slower, from the tap`, opened, { limitMs: 1000 });
  report(`a frame while a hard day is dragged over ${WEEKS} weeks, ${SLOWER}× slower`, frames, {
    limitMs: 17,
    against: ['a frame while nothing happens', idle],
  });
  await browser.close();
  await app.close();
}
