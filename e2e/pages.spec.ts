import { daysAfter } from '../core/units/dayNumber';
import { expect, test } from './app';
import { Board, todaysSession } from './board';
import { today } from './seasons';

const SESSIONS = 90;
const idOf = (n: number) => `01M9${String(n).padStart(22, '0')}`;

test('the list of sessions goes back as far as it is scrolled; only what is near is drawn', async ({ page, empty }) => {
  for (let n = 1; n <= SESSIONS; n++)
    await empty.send('PUT', `sessions/${idOf(n)}`, {
      title: `Session ${n}`,
      date: daysAfter(today(), -n),
      shorthand: '6x400 @5k / 90s',
    });
  await page.goto(`${empty.url}/sessions`);
  const list = page.getByRole('list', { name: 'Earlier' });
  const row = (n: number) => list.getByRole('link', { name: new RegExp(`^Session ${n}\\b`) });
  await expect(row(1)).toBeVisible();
  await expect(row(SESSIONS)).toHaveCount(0);
  await list.hover();
  await expect(async () => {
    await page.mouse.wheel(0, 20_000);
    await row(SESSIONS).focus({ timeout: 500 });
  }).toPass();
  expect(await list.getByRole('listitem').count()).toBeLessThan(50);
  await expect(list.getByRole('listitem').last()).toHaveAttribute('aria-posinset', String(SESSIONS));
  // What has the focus stays, however far it is scrolled, and Tab goes on from there.
  await page.mouse.wheel(0, -20_000);
  await expect(row(1)).toBeVisible();
  await expect(row(SESSIONS)).toBeFocused();
  await page.keyboard.press('Shift+Tab');
  await expect(row(SESSIONS - 1)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(`Session ${SESSIONS - 1}`);
});

test.describe('a server of another version', () => {
  test.use({ expectedConsole: /409 / });

  test('is told of where a reload is safe: not at the track, nor with times that are not sent', async ({
    page,
    demo,
  }) => {
    const bar = page.getByRole('button', { name: 'Reload' });
    const { id } = await todaysSession(demo);
    const board = new Board(page, 'touch');
    await board.open(demo, id);
    await board.start();
    await page.route('**/events', (route) =>
      route.continue({ headers: { ...route.request().headers(), 'zest-wire': '1' } }),
    );
    // What was timed is taken from an app of any version.
    await board.press(board.tile('Bo'));
    await expect(page.getByRole('status', { name: 'Times kept: on the server' })).toBeVisible();
    // The reloaded page has the app of the server's version. Until then every request but times is refused.
    let isReloaded = false;
    await page.route('**/api/**', async (route) => {
      if (isReloaded) return route.continue();
      const headers = { 'zest-wire': '4' };
      if (!route.request().url().endsWith('/events')) return route.fulfill({ status: 409, headers, json: {} });
      const response = await route.fetch();
      return route.fulfill({ response, headers: { ...response.headers(), ...headers } });
    });
    await expect(bar).toHaveCount(0);
    await board.letRun();
    await page.goto(`${demo.url}/results`);
    await expect(bar).toBeVisible();
    page.on('request', (request) => {
      isReloaded ||= request.isNavigationRequest();
    });
    await bar.tap();
    await expect(page.getByRole('link', { name: /^Even 400s/ }).first()).toBeVisible();
    await expect(bar).toHaveCount(0);
  });
});
