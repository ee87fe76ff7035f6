import path from 'node:path';
import type { Page } from '@playwright/test';
import type { StoredSeason } from '../../core/season/season';
import { sessionCalled, test, ALL_RUNS } from '../../e2e/app';
import type { RunningApp } from '../../e2e/runningApp';
import { Board, clockedSession, todaysSession } from '../../e2e/board';

const FOLDER = path.join(__dirname, '../../docs/screenshots');
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const WIDE = { viewport: { width: 1280, height: 800 } };

async function shoot(page: Page, name: string): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: path.join(FOLDER, `${name}.png`), animations: 'disabled' });
}

const firstSeason = async (demo: RunningApp) =>
  (await demo.get<StoredSeason[]>('seasons')).find(({ season }) => season.name.startsWith('Five'))?.id;

/** Half-way through the first rep: some are early, some late, some still running. */
async function midRep(page: Page, start: () => Promise<Board>): Promise<void> {
  const board = await start();
  await board.start();
  const passAll = async (at: [number, string][]) => {
    let now = 0;
    for (const [atS, name] of at) {
      await board.wait(Math.max(0, atS - now));
      now = atS;
      await board.press(board.tile(name));
      await board.button(new RegExp(`^Undo ${name} `)).waitFor();
    }
    return now;
  };
  await passAll([
    [35.4, 'Milo'],
    [37.6, 'Ivo'],
    [38.1, 'Bo'],
    [40.2, 'Ada'],
    [41.4, 'Esi'],
    [42.6, 'Gus'],
    [43.9, 'Dov'],
  ]);
  await board.wait(31);
  for (const name of ['Milo', 'Ivo', 'Ada']) {
    await board.press(board.tile(name));
    await board.button(new RegExp(`^Undo ${name} `)).waitFor();
    await board.wait(1.7);
  }
  await board.wait(4);
  await page.getByRole('status', { name: 'Times kept: on the server' }).waitFor();
}

test.describe('phone', () => {
  test.use(PHONE);
  test('squad, sessions, track and results', async ({ page, demo }) => {
    const { id } = await todaysSession(demo);
    const athletes = await demo.get<{ id: string; name: string }[]>('athletes');
    const [ada] = athletes;
    const milo = athletes.find(({ name }) => name === 'Milo Thurskell');
    const runs = await demo.get<{ id: string; title: string }[]>(ALL_RUNS);
    const run = runs.find(({ title }) => title === 'Two sets of 600');
    const steps = runs.find(({ title }) => title === 'Threshold kilometres, 3');
    for (const [name, place, shows] of [
      ['squad', '/squad', '14 athletes'],
      ['this-week', '/season', 'This week'],
      ['athlete', `/squad/${ada?.id}`, 'By “Fitness curve”'],
      ['session', `/sessions/${id}`, 'Lap by lap'],
      ['results', `/results/${run?.id}`, 'rep to rep'],
      ['athlete-result', `/results/${steps?.id}/${milo?.id}`, 'The whole session'],
      ['next', `/results/${steps?.id}/next`, 'What changes'],
      ['athlete-season', `/squad/${ada?.id}?side=season`, 'How fitness has come along'],
      ['same-session', `/results/${steps?.id}/same`, 'Rep for rep'],
      ['squad-review', '/results/squad', 'Hard minutes by week'],
    ] as const) {
      await page.goto(demo.url + place);
      await page.getByText(shows).first().waitFor();
      if (/result|review|same|season/.test(name)) await page.locator('[role=img] svg').first().waitFor();
      await page.getByText('Working it out …').waitFor({ state: 'hidden' });
      await shoot(page, name);
    }
    await page.goto(`${demo.url}/season/race/${await firstSeason(demo)}/harbour`);
    await page
      .getByRole('button', { name: /^Card of/ })
      .first()
      .tap();
    await page.getByText('Open at', { exact: false }).waitFor();
    await shoot(page, 'race-day');
  });
  test('the plan of a day', async ({ page, demo }) => {
    const { id } = await todaysSession(demo);
    const hard = await sessionCalled(demo, 'Mile pace 400s');
    await page.goto(`${demo.url}/sessions/plan/${id}`);
    await page.getByText(/^Forecast/).waitFor();
    await page.getByRole('button', { name: 'Suggest groups' }).tap();
    await page.getByRole('button', { name: /^Use these/ }).tap();
    await page.getByRole('radio', { name: 'Track', exact: true }).tap();
    await shoot(page, 'plan-track');
    await page.goto(`${demo.url}/sessions/plan/${hard.id}`);
    await page.getByRole('radio', { name: 'Effort' }).tap();
    await page.getByRole('button', { name: /^Juno Sellwick/ }).tap();
    await page.getByRole('img', { name: /^Juno Sellwick/ }).scrollIntoViewIfNeeded();
    await shoot(page, 'plan-effort');
  });
  test('before the first start, a fartlek', async ({ page, demo }) => {
    const { id } = await todaysSession(demo);
    await page.clock.install();
    await page.goto(`${demo.url}/track/ready/${id}`);
    await page.getByRole('switch', { name: 'Esi Lindquay comes late' }).tap();
    await page.getByRole('checkbox', { name: 'Fern Hollowick' }).tap();
    await shoot(page, 'roll-call');
    const board = new Board(page, 'touch');
    await page.goto(`${demo.url}/track/ready/${(await clockedSession(demo)).id}`);
    await board.button(/^Go with/).tap();
    await board.hold();
    await board.press(board.button(/^(Start|Next)/));
    await page.getByRole('timer', { name: '@3k: left' }).waitFor();
    await board.wait(41);
    await page.getByText('0:49').or(page.getByText('0:48')).first().waitFor();
    await shoot(page, 'caller');
  });
  for (const look of ['light', 'dark'] as const)
    test(`line board, ${look}`, async ({ page, demo }) => {
      await page.emulateMedia({ colorScheme: look });
      await midRep(page, async () => {
        const board = new Board(page, 'touch');
        await board.open(demo, (await todaysSession(demo)).id);
        return board;
      });
      await shoot(page, `line-board-${look}`);
    });
});

test.describe('wide', () => {
  test.use(WIDE);
  test('session and season', async ({ page, demo }) => {
    const { id } = await todaysSession(demo);
    await page.goto(`${demo.url}/sessions/${id}`);
    await page.getByText('Lap by lap').waitFor();
    await shoot(page, 'session-wide');
    await page.emulateMedia({ colorScheme: 'dark' });
    await page.goto(`${demo.url}/season/${await firstSeason(demo)}`);
    await page.getByText('To look at again').waitFor();
    await shoot(page, 'season-wide-dark');
  });
});
