import { chromium, type Page } from '@playwright/test';
import { ulid } from 'ulid';
import { STARTERS } from '@core/library/starters';
import { CHROMIUM } from '../../playwright.config';
import { SQUAD } from './madeUpSquad';
import { report } from './measure';
import { serverWith } from './squadServer';

const SLOWER = 4;
/** Sixty legs: thirty reps with a recovery each. */
const LONG =
  'warm: 1600 @easy\nmain: 2x(5x(300 @3k / 100m jog, 200 @mile / 60s walk, 400 @5k / 90s jog)) / 3:00\ncool: 800 @easy';

type Typed = { field: string; shows: string; values: string[] };

/** Milliseconds from each keystroke in a field until what is shown elsewhere has changed and been painted. */
const typeInto = (page: Page, typed: Typed) =>
  page.evaluate(async ({ field, shows, values }) => {
    const input = document.querySelector<HTMLInputElement | HTMLTextAreaElement>(`[aria-label="${field}"]`);
    const shown = () => document.querySelector(shows)?.textContent;
    const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    const took: number[] = [];
    for (const value of values) {
      const before = shown();
      const startMs = performance.now();
      const kind = input instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
      Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set?.call(input, value);
      input?.dispatchEvent(new Event('input', { bubbles: true }));
      while (shown() === before && performance.now() - startMs < 5000)
        await new Promise((resolve) => requestAnimationFrame(resolve));
      if (shown() === before) throw new Error(`Timed out: nothing had changed 5 s after “${value}” was typed.`);
      took.push(performance.now() - startMs);
      // Everyone's targets come after it: they are let finish before the next letter.
      for (let i = 0; i < 20; i++) await painted();
    }
    return took;
  }, typed);

/** Milliseconds from each key pressed in place of the letter before the cursor until what is shown elsewhere has changed. */
async function press(page: Page, shows: string, keys: readonly string[]): Promise<number[]> {
  await page.evaluate(() => {
    addEventListener('keydown', ({ timeStamp }) => Object.assign(globalThis, { pressedMs: timeStamp }), {
      capture: true,
    });
  });
  const took: number[] = [];
  for (const key of keys) {
    await page.keyboard.press('Shift+ArrowLeft');
    // Looked at from before the key is pressed.
    await page.evaluate((shows) => {
      const shown = () => document.querySelector(shows)?.textContent;
      const before = shown();
      const look = async () => {
        const fromMs = performance.now();
        while (shown() === before && performance.now() - fromMs < 10_000)
          await new Promise((resolve) => requestAnimationFrame(resolve));
        if (shown() === before) throw new Error('Timed out: nothing had changed 10 s after a key was pressed.');
        return performance.now() - (globalThis as unknown as { pressedMs: number }).pressedMs;
      };
      Object.assign(globalThis, { changed: look() });
    }, shows);
    await page.keyboard.press(key);
    took.push(await page.evaluate<number>('changed'));
    // Everyone's targets come after it: they are let finish before the next key.
    await page.evaluate(async () => {
      for (let i = 0; i < 20; i++) await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    });
  }
  return took;
}

/** Writing a session of 60 legs for 60 athletes, and searching a library of 2,000, while it is typed. */
export async function writing(): Promise<void> {
  const app = await serverWith(SQUAD);
  const id = ulid();
  const send = (method: string, path: string, body: object) =>
    fetch(`${app.url}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('PUT', `sessions/${id}`, { title: 'Long', date: '2026-11-01', shorthand: LONG });
  const sessions = Array.from({ length: 2000 - STARTERS.length }, (_, i) => {
    const { title, shorthand } = STARTERS[i % STARTERS.length] as (typeof STARTERS)[number];
    return { id: ulid(), title: `${title} ${i}`, shorthand, tags: [] };
  });
  await send('POST', 'library/changes', { sessions });
  const browser = await chromium.launch(CHROMIUM);
  for (const [size, viewport] of [
    ['phone', { width: 390, height: 844 }],
    ['wide', { width: 1280, height: 800 }],
  ] as const) {
    const context = await browser.newContext({ viewport });
    const page = await context.newPage();
    await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
    const slow = await context.newCDPSession(page);
    const throttle = (rate: number) => slow.send('Emulation.setCPUThrottlingRate', { rate });
    await page.goto(`${app.url}/sessions/${id}`);
    await page.getByRole('heading', { name: 'Totals' }).waitFor();
    await page.waitForLoadState('networkidle');
    await page.getByLabel('Session', { exact: true }).focus();
    for (const key of ['Control+Home', 'ArrowDown', 'Home']) await page.keyboard.press(key);
    for (let i = 0; i < 'main: 2x(5x(300'.length; i++) await page.keyboard.press('ArrowRight');
    for (const rate of [1, SLOWER]) {
      await throttle(rate);
      // 301, 302, 303 …: the lap sheet changes with every key.
      const keys = Array.from({ length: 24 }, (_, i) => String((i + 1) % 10));
      const took = await press(page, '[aria-label^="Rep by rep"]', keys);
      report(`60 legs, 60 athletes, ${size}, ${rate}× slower: keystroke to lap sheet and totals`, took.slice(4), {
        limitMs: 50,
      });
    }
    await throttle(1);
    await page.goto(`${app.url}/sessions/library`);
    await page.getByText('2000 sessions').waitFor();
    for (const rate of [1, SLOWER]) {
      await throttle(rate);
      // Neighbours find different sessions: each letter changes the list.
      const words = [
        'sh',
        'fl',
        'ge',
        'do',
        'sha',
        'fly',
        'gea',
        'dow',
        'shar',
        'fl',
        'gear',
        'down',
        'sharp',
        'fly',
        'gears',
      ];
      const took = await typeInto(page, { field: 'Find', shows: '[role="main"]', values: [...words, ...words] });
      report(`2,000 sessions searched, ${size}, ${rate}× slower: letter to list`, took.slice(4), { limitMs: 50 });
    }
    await throttle(1);
    await context.close();
  }
  await browser.close();
  await app.close();
}
