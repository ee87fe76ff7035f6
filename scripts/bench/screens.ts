import { chromium, type Page } from '@playwright/test';
import { CHROMIUM } from '../../playwright.config';
import { SQUAD } from './madeUpSquad';
import { report } from './measure';
import { serverWith } from './squadServer';

const SLOWER = 4;
const ROUNDS = 7;
const NEW = 'Kay Newmark';

/** Milliseconds from the tap until the first rows of the squad's table have been painted, and until all `rows` have. */
const openSquad = (page: Page, rows: number) =>
  page.evaluate(async (wanted) => {
    const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    // A live list costs next to nothing to look at, unlike a search through the page in each frame. The page that is left has links of
    // its own: only those to an athlete count.
    const links = document.getElementsByTagName('a');
    const here = () => Array.from(links).filter((a) => /\/squad\/[0-9A-Z]{26}$/.test(a.href)).length;
    const link = Array.from(links).find((a) => a.textContent.includes('Squad'));
    const startMs = performance.now();
    const until = async (count: number) => {
      while (here() < count && performance.now() - startMs < 10_000)
        await new Promise((resolve) => requestAnimationFrame(resolve));
      if (here() < count) throw new Error(`Timed out: ${here()} of ${count} rows after 10 s.`);
      await painted();
      return performance.now() - startMs;
    };
    link?.click();
    return { first: await until(1), all: await until(wanted) };
  }, rows);

/** Milliseconds from a keystroke in the time of a mark until the paces under it have changed and been painted. */
const typeTime = (page: Page, text: string) =>
  page.evaluate(async (typed) => {
    const input = document.querySelector<HTMLInputElement>('input[aria-label="Time"]');
    const shown = () => document.querySelector('[aria-label="What it changes"]')?.textContent;
    const before = shown();
    const startMs = performance.now();
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, typed);
    input?.dispatchEvent(new Event('input', { bubbles: true }));
    while (shown() === before && performance.now() - startMs < 10_000)
      await new Promise((resolve) => requestAnimationFrame(resolve));
    if (shown() === before) throw new Error('Timed out: the paces had not changed after 10 s.');
    return performance.now() - startMs;
  }, text);

/** The squad's page of sixty, and the paces while a mark is typed, on a phone four times slower than this machine. */
export async function screens(): Promise<void> {
  // One more mark shows at once where there was only one.
  const everyone = [...SQUAD, { name: NEW, marks: SQUAD[0]?.marks.slice(0, 1) ?? [] }];
  const app = await serverWith(everyone);
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const first: number[] = [];
  const all: number[] = [];
  const keystrokes: number[] = [];
  const plain: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const page = await context.newPage();
    // The loader of these scripts wraps inner functions in a helper that the page does not have.
    await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
    await page.goto(`${app.url}/sessions`);
    await page.getByText('No session yet').waitFor();
    // The other screens are fetched first: nobody taps within that second.
    await page.waitForLoadState('networkidle');
    const slow = await context.newCDPSession(page);
    await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    const opened = await openSquad(page, everyone.length);
    first.push(opened.first);
    all.push(opened.all);
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await page.getByRole('link', { name: NEW }).tap();
    await page.getByRole('radio', { name: 'Marks' }).tap();
    await page.getByRole('button', { name: 'Add a mark' }).tap();
    await page.getByLabel('Distance', { exact: true }).fill('2000');
    await page.getByLabel('Time', { exact: true }).fill('6:00');
    await page.getByRole('status', { name: 'What it changes' }).waitFor();
    for (const [rate, list] of [
      [1, plain],
      [SLOWER, keystrokes],
    ] as const) {
      await slow.send('Emulation.setCPUThrottlingRate', { rate });
      for (const time of ['5:50', '5:40', '5:30']) list.push(await typeTime(page, time));
      await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      await page.getByLabel('Time', { exact: true }).fill('6:10');
    }
    await page.close();
  }
  report(`the squad's page of 60, ${SLOWER}× slower, tap to the first screen`, first, { limitMs: 1500 });
  report('  to all rows', all, { limitMs: 1500 });
  report('a mark typed, keystroke to new paces', plain, { limitMs: 50 });
  report(`the same ${SLOWER}× slower`, keystrokes);
  await browser.close();
  await app.close();
}
