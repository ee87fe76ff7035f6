import { expect, type Locator, type Page } from '@playwright/test';
import type { RunEvent } from '../core/run/events';
import { sessionCalled } from './app';
import type { RunningApp } from './runningApp';

/** Today's session of the demo: reps over distances. */
export const todaysSession = (app: RunningApp) => sessionCalled(app, 'Even 400s, quick finish');

/** The demo's session that goes by the clock. */
export const clockedSession = (app: RunningApp) => sessionCalled(app, 'Fartlek by the clock');

/** Writes something else in place of today's session. @returns its id. */
export async function writeToday(app: RunningApp, shorthand: string): Promise<string> {
  const { id, title, date } = await todaysSession(app);
  await app.send('PUT', `sessions/${id}`, { title, date, shorthand });
  return id;
}

/** Events that are no taps: clock comparisons, and what was settled at roll call. */
const BESIDE: readonly RunEvent['type'][] = ['clock', 'marks', 'sending', 'conditions', 'times', 'came', 'joined'];

/** What was tapped in a session, as the server has it, in the order of time; nothing while the phone has not sent it. */
export async function tapped(app: RunningApp, runId: string): Promise<RunEvent[]> {
  const run = await app.find<{ events: RunEvent[] }>(`runs/${runId}`);
  return (run?.events ?? []).filter(({ type }) => !BESIDE.includes(type)).sort((a, b) => a.atMs - b.atMs);
}

/** The line board, as a hand (or a keyboard) uses it. */
export class Board {
  private held = false;

  constructor(
    readonly page: Page,
    private readonly by: 'touch' | 'keyboard',
  ) {}

  tile(name: string): Locator {
    return this.page.getByRole('group', { name: 'Line board' }).getByRole('button', { name: new RegExp(`^${name}:`) });
  }

  async press(target: Locator): Promise<void> {
    // No finger taps twice in the same millisecond.
    if (this.held) await this.page.clock.fastForward(20);
    if (this.by === 'touch') return target.tap();
    await target.press('Enter');
  }

  button(name: RegExp | string): Locator {
    return this.page.getByRole('button', { name });
  }

  /** Advances the page's clock; each timer that is due fires once. */
  async wait(seconds: number): Promise<void> {
    await this.page.clock.fastForward(seconds * 1000);
  }

  /** Stops the page's clock: from here on time passes only by `wait`, however slow the machine. */
  async hold(): Promise<void> {
    if (this.held) return;
    this.held = true;
    // On a busy machine that moment may have passed before the page gets the message.
    await expect(async () => {
      await this.page.clock.pauseAt(await this.page.evaluate(() => Date.now() + 1000));
    }).toPass();
  }

  /** Lets the page's clock run again, which a page needs while it loads. */
  async letRun(): Promise<void> {
    this.held = false;
    await this.page.clock.resume();
  }

  /** Starts a rep, and waits until it is kept: a tap before that is one before the start. The clock stands from then on. */
  async start(name: RegExp | string = /^(Start|Next)/): Promise<void> {
    await this.hold();
    await this.press(this.button(name));
    const running = this.page.getByRole('group', { name: 'Line board' }).getByRole('button', { name: /: running/ });
    await expect(running.first()).toBeVisible();
  }

  /** Starts a rep though some have no finish of the one before: it asks, and all of them go. */
  async startAll(name: RegExp | string): Promise<void> {
    await this.hold();
    await this.press(this.button(name));
    await this.press(
      this.page.getByRole('dialog', { name: 'Still running' }).getByRole('button', { name: 'Start everybody' }),
    );
  }

  /** From the roll call to the board. */
  async open(app: RunningApp, sessionId: string): Promise<void> {
    await this.page.clock.install();
    // A clock that is held falls behind the server's: told of it, the phone would note one thing that nobody has tapped.
    await this.page.context().route('**/api/clock', (route) => route.fulfill({ json: {} }));
    await this.page.goto(`${app.url}/track/ready/${sessionId}`);
    const go = this.button(/^Go with \d+ athlete/);
    if (this.by === 'touch') await go.tap();
    else await go.press('Enter');
    await expect(this.button(/^Start: /)).toBeVisible();
  }

  /** Ends the session before its last rep. */
  async endNow(): Promise<void> {
    await this.press(this.button('More'));
    await this.end('End the session now');
  }

  /** Ends the session by this button; with somebody still on the way too. */
  async end(button: string | RegExp = 'End the session'): Promise<void> {
    await this.press(this.button(button));
    // With somebody still running it asks; otherwise it has ended.
    const sure = this.button('End it now');
    const ended = this.page.getByRole('heading', { name: 'Session ended' });
    await expect(sure.or(ended)).toBeVisible();
    if (await sure.isVisible()) await this.press(sure);
  }

  runId(): string {
    return this.page.url().split('/').at(-1) ?? '';
  }
}
