import { chromium, type CDPSession, type Page } from '@playwright/test';
import { CHROMIUM } from '../../playwright.config';
import { OwnProcess } from '../../e2e/ownProcess';
import { report } from './measure';

const SLOWER = 4;
const ROUNDS = 5;
/** A phone on a poor connection. */
const NETWORK = { offline: false, latency: 150, downloadThroughput: 1_600_000 / 8, uploadThroughput: 750_000 / 8 };

/**
 * Collects what the browser says of painting and of long tasks, from the page's first moment on, and when this week is there: asking for
 * that from outside, again and again, would itself keep the page from answering.
 */
const OBSERVER = `
  window.seen = { paints: [], tasks: [], readyMs: 0 };
  new MutationObserver((_changes, observer) => {
    if (![...document.querySelectorAll('h2')].some(({ textContent }) => textContent === 'This week')) return;
    seen.readyMs = performance.now();
    observer.disconnect();
  }).observe(document, { childList: true, subtree: true });
  new PerformanceObserver((list) => list.getEntries().forEach((e) => seen.paints.push(e.startTime)))
    .observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((list) => list.getEntries().forEach((e) => seen.tasks.push([e.startTime, e.duration])))
    .observe({ type: 'longtask', buffered: true });`;

type Seen = { paints: number[]; tasks: [number, number][]; readyMs: number };

/** How long what is over 50 ms of each task keeps a tap waiting, from the first paint on. */
const blockingMs = ({ tasks }: Seen, fromMs: number) =>
  tasks.filter(([atMs]) => atMs >= fromMs).reduce((sum, [, durationMs]) => sum + durationMs - 50, 0);

async function slowed(page: Page): Promise<CDPSession> {
  const slow = await page.context().newCDPSession(page);
  await slow.send('Network.enable');
  await slow.send('Network.emulateNetworkConditions', NETWORK);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  return slow;
}

/** The first visit on a slow phone over a poor connection, of what is shipped as it is shipped; against the same bytes fetched and not run. */
export async function firstLoad(): Promise<void> {
  const app = new OwnProcess({ kind: 'demo' });
  await app.start();
  const browser = await chromium.launch(CHROMIUM);
  const first: number[] = [];
  const largest: number[] = [];
  const blocking: number[] = [];
  const ready: number[] = [];
  const bare: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    const page = await context.newPage();
    await page.addInitScript({ content: OBSERVER });
    await slowed(page);
    await page.goto(app.url, { waitUntil: 'commit' });
    // Seldom asked: that too takes time.
    await page.waitForFunction(() => (window as unknown as { seen: Seen }).seen.readyMs > 0, undefined, {
      polling: 1000,
      timeout: 60_000,
    });
    await page.waitForLoadState('networkidle', { timeout: 120_000 });
    const seen = await page.evaluate<Seen>('seen');
    ready.push(seen.readyMs);
    const paint = await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0);
    first.push(paint);
    largest.push(seen.paints.at(-1) ?? 0);
    blocking.push(blockingMs(seen, paint));
    const files = await page.evaluate(() => Array.from(document.scripts, ({ src }) => src));
    await context.close();
    const other = await browser.newContext();
    const empty = await other.newPage();
    await empty.goto(`${app.url}/robots.txt`);
    await slowed(empty);
    bare.push(
      await empty.evaluate(async (urls) => {
        const startMs = performance.now();
        await Promise.all(urls.map(async (url) => (await fetch(url)).arrayBuffer()));
        return performance.now() - startMs;
      }, files),
    );
    await other.close();
  }
  console.log(`first visit, 1.6 Mbit/s, 150 ms, ${SLOWER}× slower:`);
  report('  first paint', first);
  report('  largest paint', largest, { limitMs: 2500 });
  report('  this week is there', ready, { against: ['the same files only fetched', bare] });
  report('  blocked, until the network is still', blocking, { limitMs: 600 });
  await browser.close();
  await app.close();
}
