import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { ulid } from 'ulid';
import { parseSession } from '@core/session/parseSession';
import { standardTrack } from '@core/track/venue';
import type { RunEvent } from '@core/trackside/events';
import { makePlan } from '@core/trackside/makePlan';
import type { Plan } from '@core/trackside/plan';
import { replay } from '@core/trackside/replay';
import { simulateRun } from '@core/trackside/simulate';
import { athletePaces } from '@core/squad/athletePaces';
import { curveBook } from '@core/paces/shippedBooks';
import { CHROMIUM } from '../../playwright.config';
import { SQUAD } from './madeUpSquad';
import { report, timed } from './measure';
import { serverWith } from './squadServer';

const SLOWER = 4;
const DAY = '2026-11-01';
const PEOPLE = SQUAD.slice(0, 24);
const TAPS = 1000;
const TAPS_PER_S = 8;

function planOf(shorthand: string): Plan {
  const parsed = parseSession(shorthand);
  if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
  const people = PEOPLE.map(({ name, marks }, i) => {
    const athlete = { id: ulid(), name, tileName: `T${i}`, status: 'training' as const, marks };
    return { athleteId: athlete.id, name, tileName: athlete.tileName, paces: athletePaces(athlete, curveBook, DAY) };
  });
  const about = { id: ulid(), sessionId: ulid(), title: 'Bench', date: DAY, shorthand };
  return makePlan(about, parsed.session, people, standardTrack);
}

/** 24 athletes through 30 reps, with efforts: what a long evening comes to. */
function longEvening(): { plan: Plan; events: RunEvent[] } {
  const plan = planOf('30x400 @5k / 60s');
  let n = 0;
  const random = () => ((n = (n * 48_271 + 11) % 2_147_483_647) % 1_000_003) / 1_000_003;
  const deviceId = ulid();
  const simulated = simulateRun({
    plan,
    startAtMs: 1_790_000_000_000,
    deviceId,
    idAt: (atMs) => ulid(atMs),
    random,
    athletes: {},
  });
  const felt = simulated.flatMap((event): RunEvent[] => {
    if (event.type !== 'passed' || event.atM !== 400) return [];
    const { athleteId, repIndex, runId } = event;
    const atMs = event.atMs + 5000;
    return [{ id: ulid(atMs), runId, deviceId, atMs, type: 'felt', athleteId, repIndex, effort: 6 }];
  });
  return { plan, events: [...simulated.filter(({ type }) => type !== 'ended'), ...felt] };
}

type Witness = { touched: number[]; stored: { atMs: number; at: number }[]; shown: { touched: number; at: number }[] };

/** Has the page itself note each touch, each event on the disk, and each change of the tile that was touched. */
async function witness(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const seen: Witness = { touched: [], stored: [], shown: [] };
    Object.assign(window, { seen });
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
      const { event, sent } = args[0] as { event?: { type: string; atMs: number }; sent?: number };
      // Not when it is marked as sent, later.
      if (this.name === 'events' && event?.type === 'passed' && sent === 0)
        this.transaction.addEventListener('complete', () =>
          seen.stored.push({ atMs: event.atMs, at: performance.now() }),
        );
      return put.apply(this, args);
    };
    window.addEventListener(
      'pointerdown',
      (event) => {
        const tile = (event.target as Element).closest('[role="button"]');
        if (!tile?.getAttribute('aria-label')?.includes('running')) return;
        const { timeStamp } = event;
        seen.touched.push(timeStamp);
        const watch = new MutationObserver(() => {
          watch.disconnect();
          // Once it has been painted.
          requestAnimationFrame(() => setTimeout(() => seen.shown.push({ touched: timeStamp, at: performance.now() })));
        });
        watch.observe(tile, { subtree: true, childList: true, characterData: true, attributes: true });
      },
      true,
    );
  });
}

async function openRun(context: BrowserContext, url: string, plan: Plan, events: RunEvent[]): Promise<Page> {
  const send = (method: string, path: string, body: object) =>
    fetch(`${url}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('PUT', `runs/${plan.id}/plan`, plan);
  for (let at = 0; at < events.length; at += 500)
    await send('POST', `runs/${plan.id}/events`, { events: events.slice(at, at + 500) });
  const page = await context.newPage();
  await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
  await witness(page);
  await page.goto(`${url}/track/run/${plan.id}`);
  await page.getByRole('group', { name: 'Line board' }).getByRole('button').first().waitFor();
  return page;
}

/** Taps on 24 tiles in turn, as fast as fingers can. */
async function tapAll(page: Page): Promise<void> {
  const tiles = await page.getByRole('group', { name: 'Line board' }).getByRole('button').all();
  const places = await Promise.all(tiles.map((tile) => tile.boundingBox()));
  const startMs = performance.now();
  for (let i = 0; i < TAPS; i++) {
    const waitMs = startMs + (i * 1000) / TAPS_PER_S - performance.now();
    if (waitMs > 0) await new Promise((resolve) => setTimeout(resolve, waitMs));
    const box = places[i % places.length];
    if (box) await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  }
  await page.waitForFunction((wanted) => (window as unknown as { seen: Witness }).seen.stored.length >= wanted, TAPS, {
    timeout: 60_000,
  });
}

/** The same on an empty page that does nothing but write each touch to its disk: what this machine's browser takes by itself. */
async function barePage(context: BrowserContext, url: string): Promise<number[]> {
  const page = await context.newPage();
  await page.route('**/bare', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<body style="height:100vh">' }),
  );
  await page.goto(`${url}/bare`);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const took: number[] = [];
        Object.assign(window, { took });
        const opening = indexedDB.open('bare', 1);
        opening.onupgradeneeded = () => opening.result.createObjectStore('events', { keyPath: 'id' });
        opening.onsuccess = () => {
          window.addEventListener('pointerdown', ({ timeStamp }) => {
            const tx = opening.result.transaction('events', 'readwrite', { durability: 'relaxed' });
            tx.oncomplete = () => took.push(performance.now() - timeStamp);
            tx.objectStore('events').put({ id: timeStamp, text: 'x'.repeat(200) });
            tx.commit();
          });
          resolve();
        };
      }),
  );
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  for (let i = 0; i < 150; i++) {
    await page.touchscreen.tap(100 + (i % 5) * 20, 300);
    await new Promise((resolve) => setTimeout(resolve, 1000 / TAPS_PER_S));
  }
  const took = await page.evaluate(() => (window as unknown as { took: number[] }).took);
  await page.close();
  return took;
}

const p99 = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.99)] ?? NaN;

/** Taking times: how soon each is safe and to be seen, how exact it is, and what a long evening weighs. */
export async function trackside(): Promise<void> {
  const { plan, events } = longEvening();
  const text = JSON.stringify(events);
  const parsing = await timed(20, () => JSON.parse(text) as unknown);
  report(
    `${events.length} events of 24 athletes × 30 reps, replayed from nothing`,
    await timed(20, () => replay(plan, events)),
    {
      limitMs: 50,
      against: ['JSON.parse of the same events', parsing],
    },
  );

  const app = await serverWith([]);
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  const heavy = await openRun(context, app.url, plan, events);
  const weigh = await context.newCDPSession(heavy);
  await weigh.send('HeapProfiler.collectGarbage');
  const { usedSize } = await weigh.send('Runtime.getHeapUsage');
  console.log(
    `the board with these events open: ${(usedSize / 1e6).toFixed(0)} MB of page memory (wanted: under 150 MB)`,
  );
  await heavy.close();

  // 50 marks a rep: 1,000 taps find a mark each.
  const long = planOf('2x10000 @10k / 60s');
  const page = await openRun(context, app.url, long, []);
  await page.getByRole('button', { name: /^Start: / }).tap();
  await page
    .getByRole('button', { name: /: running/ })
    .first()
    .waitFor();
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await tapAll(page);
  const { seen, origin } = await page.evaluate(() => ({
    seen: (window as unknown as { seen: Witness }).seen,
    origin: performance.timeOrigin,
  }));
  const bySecond = new Map(seen.stored.map(({ atMs, at }) => [atMs, at]));
  const toStored = seen.touched.flatMap((stamp) => {
    const at = bySecond.get(Math.round(origin + stamp));
    return at === undefined ? [] : [at - stamp];
  });
  const exact = seen.stored.map(({ atMs }) =>
    Math.min(...seen.touched.map((stamp) => Math.abs(origin + stamp - atMs))),
  );
  const bare = await barePage(context, app.url);
  report(`tap to the time on the disk, ${SLOWER}× slower, 24 running`, toStored, {
    against: ['an empty page that only writes the touch to its disk', bare],
  });
  console.log(`  p99 of the empty page ${p99(bare).toFixed(0)} ms`);
  console.log(`  p99 ${p99(toStored).toFixed(0)} ms (wanted: under 30 ms), of ${toStored.length} taps`);
  report(
    `tap to what is seen of it`,
    seen.shown.map(({ touched, at }) => at - touched),
    { limitMs: 50 },
  );
  console.log(
    `  recorded against the touch's own time stamp: at most ${Math.max(...exact).toFixed(2)} ms off (wanted: 5 ms)`,
  );
  console.log(`  stored: ${seen.stored.length} of ${TAPS} taps`);
  await browser.close();
  await app.close();
}
