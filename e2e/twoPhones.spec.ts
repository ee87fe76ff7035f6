import type { Page } from '@playwright/test';
import { ulid } from 'ulid';
import type { RunEvent } from '../core/run/events';
import type { Plan } from '../core/run/plan';
import { expect, PASSPHRASE, test } from './app';
import type { RunningApp } from './runningApp';
import { Board, tapped, todaysSession } from './board';

// A wrong passphrase is tried here.
test.use({ expectedConsole: /403 .*\/api\/access\/passphrase/ });

/** A coach's phone on a locked server, with today's session at the track. */
async function coachAtTrack(page: Page, locked: RunningApp): Promise<Board> {
  await page.goto(`${locked.url}/track`);
  await expect(page.getByRole('heading', { name: 'Zest Lap is locked' })).toBeVisible();
  await page.getByLabel('The club’s passphrase').fill('sun on the back straight');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText('That is not the passphrase.')).toBeVisible();
  await page.getByLabel('The club’s passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText('Ready to run')).toBeVisible();
  const board = new Board(page, 'touch');
  await page.goto(`${locked.url}/track/ready/${(await todaysSession(locked)).id}`);
  await board.button(/^Go with \d+/).tap();
  await expect(board.button(/^Start: /)).toBeVisible();
  return board;
}

/** The code that the coach's board shows for a second phone. */
async function codeOn(board: Board): Promise<string> {
  const { page } = board;
  await board.press(board.button('More'));
  await board.press(board.button('A second phone'));
  const code = page.getByText(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/);
  await expect(code).toBeVisible();
  const text = await code.innerText();
  await board.press(board.button('Close A second phone'));
  return text;
}

test('an assistant joins by a code, times a group on a phone whose clock is off, and both boards agree', async ({
  page,
  browser,
  locked,
}) => {
  const coach = await coachAtTrack(page, locked);
  const code = await codeOn(coach);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const second = await context.newPage();
  // This phone is 7 s ahead of everybody else's.
  await second.addInitScript(() => {
    const origin = performance.timeOrigin;
    Object.defineProperty(performance, 'timeOrigin', { get: () => origin + 7000 });
    const now = Date.now.bind(Date);
    Date.now = () => now() + 7000;
  });
  await second.goto(`${locked.url}/join#${code}`);
  await expect(second.getByLabel('Code')).toHaveValue(code);
  await second.getByRole('button', { name: 'Join the session' }).tap();
  const helper = new Board(second, 'touch');
  await expect(helper.button(/^Start: /)).toBeVisible();
  const clockOf = async () => {
    const { events } = await locked.get<{ events: RunEvent[] }>(`runs/${coach.runId()}`);
    return events.flatMap((event) => (event.type === 'clock' ? event.offsetMs : []));
  };
  await expect.poll(clockOf).toHaveLength(1);
  const [offsetMs = 0] = await clockOf();
  expect(Math.abs(offsetMs + 7000)).toBeLessThan(150);

  // The code was good for one phone.
  const third = await context.browser()?.newPage();
  await third?.goto(`${locked.url}/join#${code}`);
  await third?.getByRole('button', { name: 'Join the session' }).click();
  await expect(third?.getByText('That code is not good', { exact: false }) ?? page.locator('nothing')).toBeVisible();
  await third?.close();

  // Started so long ago that a 200 taken now can have been run; the helper times somebody whom the coach then sees.
  const AGO_MS = 22_000;
  const { plan } = await locked.get<{ plan: Plan }>(`runs/${coach.runId()}`);
  const athletes = plan.groups.flatMap((group) => group.athletes);
  const startedAgo = async (...tileNames: string[]) => {
    const atMs = Date.now() - AGO_MS;
    const athleteIds = athletes
      .filter(({ tileName }) => tileNames.includes(tileName))
      .map(({ athleteId }) => athleteId);
    const started = { id: ulid(), runId: plan.id, deviceId: ulid(), atMs, type: 'started', repIndex: 0, athleteIds };
    await locked.send('POST', `runs/${plan.id}/events`, { events: [started] });
    for (const board of [coach, helper])
      for (const name of tileNames) await expect(board.tile(name)).toHaveAccessibleName(/running/);
    return atMs;
  };
  const startedAtMs = await startedAgo('Ada');
  const pressedMs = Date.now();
  await helper.press(helper.tile('Ada'));
  await expect(helper.tile('Ada')).toHaveAccessibleName(/next finish/);
  await expect(coach.tile('Ada')).toHaveAccessibleName(/next finish/);
  // Times of seconds, not of the clock that is off.
  const elapsed = async (board: Board) =>
    Number(/at 200 (\d+\.\d)/.exec((await board.tile('Ada').getAttribute('aria-label')) ?? '')?.[1]);
  expect(Math.abs((await elapsed(coach)) - (pressedMs - startedAtMs) / 1000)).toBeLessThan(4);
  expect(await elapsed(helper)).toBe(await elapsed(coach));

  // The same athlete taken by both while neither hears the other: one time, both to be seen.
  await startedAgo('Bo', 'Ivo');
  await context.setOffline(true);
  await page.context().setOffline(true);
  for (const board of [coach, helper]) {
    await board.press(board.tile('Bo'));
    await expect(board.tile('Bo')).toHaveAccessibleName(/next finish/);
  }
  await helper.press(helper.tile('Ivo'));
  await expect(helper.tile('Ivo')).toHaveAccessibleName(/next finish/);
  await expect(coach.tile('Ivo')).toHaveAccessibleName(/next 200/);
  await page.context().setOffline(false);
  await context.setOffline(false);
  await expect(coach.tile('Ivo')).toHaveAccessibleName(/next finish/);
  await expect(helper.tile('Bo')).toHaveAccessibleName((await coach.tile('Bo').getAttribute('aria-label')) ?? '');
  await expect
    .poll(async () => (await tapped(locked, coach.runId())).map(({ type }) => type).sort())
    .toEqual([...Array<string>(4).fill('passed'), 'started', 'started']);

  // The helper's phone is for this and nothing else.
  await second.goto(`${locked.url}/squad`);
  await expect(second.getByText('This phone may time its one session, and nothing else.')).toBeVisible();
  await expect(second.getByText('Wexmoor')).toBeHidden();
  await context.close();
});
