import fs from 'node:fs';
import type axe from 'axe-core';
import type { DayPlan } from '../core/planning/dayPlan';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { Host, Hosted } from './hosted';
import { OwnProcess } from './ownProcess';
import type { RunningApp } from './runningApp';

export const PASSPHRASE = 'rain on the back straight';

/**
 * `demo` is a server with the made-up club, `locked` one that asks for a passphrase, `empty` one with nothing in it, `killable` the made-up
 * club in a process of its own; each only for the test that asks.
 */
type Apps = { demo: RunningApp; empty: RunningApp; locked: RunningApp; killable: OwnProcess };

/** Console messages that a test expects, such as a refused guess. */
type Expected = { expectedConsole: RegExp | undefined };

/** Names the folder of the demo club, which is made once for all: each test starts with a copy. */
export const CLUB = 'ZEST_E2E_CLUB';
const club = () => {
  const folder = process.env[CLUB];
  if (folder === undefined) throw new Error('The club was not made: see globalSetup.ts.');
  return folder;
};

async function lend<App extends RunningApp>(app: App, to: (app: App) => Promise<void>): Promise<void> {
  await app.start();
  await to(app);
  await app.close();
}

export const test = base.extend<Apps & Expected, { host: Host }>({
  host: [
    async ({}, provide) => {
      const host = await Host.start();
      await provide(host);
      host.end();
    },
    { scope: 'worker' },
  ],
  expectedConsole: [undefined, { option: true }],
  // Any console message or uncaught error fails the test.
  page: async ({ page, expectedConsole }, provide) => {
    const consoleLines: string[] = [];
    page.on('pageerror', (error) => consoleLines.push(error.message));
    page.on('console', (message) => {
      const text = `${message.type()}: ${message.text()} ${message.location().url}`;
      // Expected: Playwright's notice that service workers are blocked, and the browser's that a stopped server is unreachable.
      if (/blocked by Playwright|net::ERR_/.test(text)) return;
      if (!expectedConsole?.test(text)) consoleLines.push(text);
    });
    await provide(page);
    expect(consoleLines).toEqual([]);
  },
  demo: ({ host }, provide) => lend(new Hosted(host, { kind: 'demo', data: club() }), provide),
  locked: ({ host }, provide) =>
    lend(new Hosted(host, { kind: 'demo', data: club(), passphrase: PASSPHRASE }), provide),
  empty: ({ host }, provide) => lend(new Hosted(host, { kind: 'club' }), provide),
  killable: ({}, provide) => lend(new OwnProcess({ kind: 'demo', data: club() }), provide),
});

type ListedSession = { id: string; title: string; date: string; plan?: DayPlan };

/** Addresses of all sessions, and of all that was taken to the track, the latest first. */
export const ALL_SESSIONS = 'sessions/days?from=1900-01-01';
export const ALL_RUNS = 'runs/days?from=1900-01-01';

/** A session by its title; it must be there. */
export async function sessionCalled(app: RunningApp, title: string): Promise<ListedSession> {
  const session = (await app.get<ListedSession[]>(ALL_SESSIONS)).find((session) => session.title === title);
  if (!session) throw new Error(`There is no session “${title}”.`);
  return session;
}

export { expect } from '@playwright/test';

/** The field a session is written in, once its editor is here. */
export const sessionText = (page: Page): Locator => page.locator('.cm-content[aria-label="Session"]');

/** Waits until the text of the session is this. */
export async function expectWritten(page: Page, text: string | RegExp): Promise<void> {
  const lines = () =>
    sessionText(page).evaluate((field) =>
      Array.from(field.querySelectorAll('.cm-line'), ({ textContent }) => textContent).join('\n'),
    );
  await (text instanceof RegExp ? expect.poll(lines).toMatch(text) : expect.poll(lines).toBe(text));
}

/** Reads `1:28.8` or `44.4` as seconds. */
export const secondsOf = (text: string): number => text.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);

export type By = 'touch' | 'keyboard';

/** Presses a button or link with the thumb, or with the keyboard. */
export async function press(page: Page, by: By, target: Locator): Promise<void> {
  if (by === 'touch') return target.tap();
  await target.focus();
  await page.keyboard.press('Enter');
}

const AXE = fs.readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/**
 * Serious and critical problems that axe finds on the page as it is. @param of all that it looks for, its colours only, or all but those: a
 * page in another look differs in nothing else, and colours take half of the time.
 */
export async function seriousProblems(page: Page, of: 'all' | 'colours' | 'not colours' = 'all'): Promise<string[]> {
  // Not by its builder for Playwright, which brings it to the page anew each time.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate<void>(AXE);
  const options: axe.RunOptions = {
    resultTypes: ['violations'],
    // Spoken names say more than the words on a button (“Take step 2 out”), and not always in their order.
    rules: { 'label-content-name-mismatch': { enabled: false }, 'color-contrast': { enabled: of !== 'not colours' } },
    ...(of === 'colours' ? { runOnly: { type: 'rule', values: ['color-contrast'] } } : {}),
  };
  return page.evaluate(async (options) => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, options);
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
  }, options);
}

/** Opens a screen of the app that is open, as its links do: starting it anew for each would take most of the time. */
export async function openWithin(page: Page, path: string): Promise<void> {
  // The router marks where it begins once it listens.
  await page.waitForFunction(() => history.state !== null);
  await page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: history.state as unknown }));
  }, path);
}

/** Waits until what was last done, such as a move of the pointer, has been handled and drawn. */
export const drawn = (page: Page) =>
  page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));

/** Drags one thing onto another, as a finger or mouse does, resting there before release. */
export async function drag(page: Page, from: Locator, to: Locator, isMobile: boolean) {
  // An answer of the server may just be re-rendering it.
  await expect(() => from.scrollIntoViewIfNeeded()).toPass();
  const [a, b] = [await from.boundingBox(), await to.boundingBox()];
  if (!a || !b) throw new Error('Nothing to drag.');
  const [x, y] = [a.x + a.width / 2, a.y + a.height / 2];
  const [toX, toY] = [b.x + 60, b.y + 20];
  if (!isMobile) {
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 10, y + 10, { steps: 3 });
    await page.mouse.move(toX, toY, { steps: 12 });
    await drawn(page);
    await page.mouse.move(toX + 1, toY);
    await drawn(page);
    await page.mouse.up();
    return;
  }
  const touch = await page.context().newCDPSession(page);
  const at = (type: 'touchStart' | 'touchMove', px: number, py: number) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: [{ x: px, y: py }] });
  await at('touchStart', x, y);
  for (let i = 1; i <= 15; i++) await at('touchMove', x + ((toX - x) * i) / 15, y + ((toY - y) * i) / 15);
  await drawn(page);
  await at('touchMove', toX + 1, toY);
  await drawn(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}
