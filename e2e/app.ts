import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import type { DayPlan } from '../core/planning/dayPlan';
import { bundled } from './bundle';
import { expect, test as base, type Locator, type Page } from '@playwright/test';

const ROOT = path.join(__dirname, '..');

/** A running app: its own server process on its own data folder. */
export class RunningApp {
  url = '';
  readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-e2e-'));
  private process: ChildProcess | undefined;
  private cookie: string | undefined;

  /** @param data the folder of another app, not running, to start with a copy of. */
  constructor(
    private readonly program: 'demo/main.ts' | 'server/main.ts',
    private readonly settings: Readonly<Record<string, string>> = {},
    data?: string,
  ) {
    if (data !== undefined) fs.cpSync(data, this.folder, { recursive: true });
  }

  /** Starts the server, the first time on any free port, then on the same one. */
  async start(): Promise<void> {
    const port = this.url ? new URL(this.url).port : '0';
    const started = spawn(process.execPath, [await bundled(this.program)], {
      cwd: ROOT,
      env: { ...process.env, PORT: port, ZEST_DATA: this.folder, ...this.settings },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.process = started;
    this.url = await new Promise<string>((resolve, reject) => {
      let output = '';
      const listen = (chunk: Buffer) => {
        output += chunk.toString();
        const address = /http:\/\/\S+/.exec(output)?.[0];
        if (address) resolve(address);
      };
      started.stdout.on('data', listen);
      started.stderr.on('data', listen);
      started.once('exit', () => reject(new Error(`The server ended: ${output}`)));
    });
  }

  /** As a power cut would: no chance to tidy up. */
  async kill(): Promise<void> {
    const { process: running } = this;
    if (!running || running.exitCode !== null || running.signalCode !== null) return;
    const ended = new Promise((resolve) => running.once('exit', resolve));
    running.kill('SIGKILL');
    await ended;
  }

  private async unlock(passphrase: string): Promise<string> {
    const opened = await fetch(`${this.url}/api/access/passphrase`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase }),
    });
    return opened.headers.get('set-cookie')?.split(';')[0] ?? '';
  }

  /** Asks the server as another program does; a locked one is opened with its passphrase first. */
  private async ask(method: string, resource: string, body?: unknown): Promise<Response> {
    const { ZEST_PASSPHRASE: passphrase } = this.settings;
    if (passphrase !== undefined) this.cookie ??= await this.unlock(passphrase);
    return fetch(`${this.url}/api/${resource}`, {
      method,
      headers: { cookie: this.cookie ?? '', 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  }

  /** Writes as another device would; the server must take it. */
  async send(method: 'PUT' | 'POST', resource: string, body: unknown): Promise<void> {
    const answer = await this.ask(method, resource, body);
    if (!answer.ok) throw new Error(`The server answered ${answer.status} for ${resource}: ${await answer.text()}`);
  }

  /** What the server has there, undefined if nothing yet. */
  async find<T>(resource: string): Promise<T | undefined> {
    const answer = await this.ask('GET', resource);
    if (answer.status === 404) return undefined;
    if (!answer.ok) throw new Error(`The server answered ${answer.status} for ${resource}: ${await answer.text()}`);
    return (await answer.json()) as T;
  }

  /** What the server has there; it must be there. */
  async get<T>(resource: string): Promise<T> {
    const found = await this.find<T>(resource);
    if (found === undefined) throw new Error(`The server knows of no ${resource}.`);
    return found;
  }

  async close(): Promise<void> {
    await this.kill();
    fs.rmSync(this.folder, { recursive: true, force: true });
  }
}

export const PASSPHRASE = 'rain on the back straight';

/** `demo` is a server with the made-up club, `locked` one that asks for a passphrase, `empty` one with nothing in it; each only for the test that asks. */
type Apps = { demo: RunningApp; empty: RunningApp; locked: RunningApp };

/** Console messages that a test expects, such as a refused guess. */
type Expected = { expectedConsole: RegExp | undefined };

/** Names the folder of the demo club, which is made once for all: each test starts with a copy. */
export const CLUB = 'ZEST_E2E_CLUB';
const club = () => {
  const folder = process.env[CLUB];
  if (folder === undefined) throw new Error('The club was not made: see globalSetup.ts.');
  return folder;
};

async function lend(app: RunningApp, to: (app: RunningApp) => Promise<void>): Promise<void> {
  await app.start();
  await to(app);
  await app.close();
}

export const test = base.extend<Apps & Expected>({
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
  demo: ({}, provide) => lend(new RunningApp('demo/main.ts', {}, club()), provide),
  locked: ({}, provide) => lend(new RunningApp('demo/main.ts', { ZEST_PASSPHRASE: PASSPHRASE }, club()), provide),
  empty: ({}, provide) => lend(new RunningApp('server/main.ts'), provide),
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

/** Reads `1:28.8` or `44.4` as seconds. */
export const secondsOf = (text: string): number => text.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);

export type By = 'touch' | 'keyboard';

/** Presses a button or link with the thumb, or with the keyboard. */
export async function press(page: Page, by: By, target: Locator): Promise<void> {
  if (by === 'touch') return target.tap();
  await target.focus();
  await page.keyboard.press('Enter');
}

/**
 * Serious and critical problems that axe finds on the page as it is. @param of all that it looks for, its colours only, or all but those: a
 * page in another look differs in nothing else, and colours take half of the time.
 */
export async function seriousProblems(page: Page, of: 'all' | 'colours' | 'not colours' = 'all') {
  const rules = of === 'not colours' ? { rules: { 'color-contrast': { enabled: false } } } : {};
  const runOnly = of === 'colours' ? { runOnly: { type: 'rule' as const, values: ['color-contrast'] } } : {};
  // There are no frames in it, so one pass in the page itself does; what is in order need not be listed.
  const axe = new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'], ...rules, ...runOnly });
  const { violations } = await axe.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
}

/** Waits until the pointer's last move has been handled and drawn. */
const drawn = (page: Page) =>
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
