import { chromium, type BrowserContext, type Page } from '@playwright/test';
import type { Plan } from '@core/run/plan';
import { CHROMIUM } from '../../playwright.config';
import { boardOf, planOf } from './boardOf';
import { report } from './measure';
import { serverWith } from './squadServer';

const SLOWER = 4;
const TAPS = 1000;
const TAPS_PER_S = 8;

/** What the page notes of itself. Times are in ms since the page began, but `storedAt` and `atMs`, which are since 1970. */
type Seen = {
  /** The touch's own stamp, when its handler came to run, and when its tile was painted as taken. */
  touches: { stamp: number; handledAt: number; markedAt?: number; shownAt?: number }[];
  /** Events, by the time they were recorded with. */
  events: { atMs: number; heardAt?: number; storedAt?: number }[];
};

/**
 * Has the page note each touch, what is seen of it, and when its event is on the disk: as the page hears of it, and as a worker finds it
 * that looks through a connection of its own (a page that is busy drawing hears late of what has long been safe).
 */
async function witness(context: BrowserContext): Promise<void> {
  await context.addInitScript({ content: 'globalThis.__name = (f) => f' });
  await context.addInitScript(() => {
    const seen: Seen = { touches: [], events: [] };
    Object.assign(window, { seen });
    const looker = () => {
      const opening = indexedDB.open('zest-lap-track');
      const look = (id: string) => {
        // It has to wait until what was begun before it is on the disk; should it be before that, it looks again.
        const asked = opening.result.transaction('events', 'readonly').objectStore('events').getKey(id);
        asked.onsuccess = () =>
          asked.result === undefined
            ? look(id)
            : self.postMessage({ id, at: performance.timeOrigin + performance.now() });
      };
      self.onmessage = ({ data: id }: MessageEvent<string>) => look(id);
      opening.onsuccess = () => self.postMessage('ready');
    };
    const atOf = new Map<string, Seen['events'][number]>();
    let worker: Worker | undefined;
    let waiting: string[] | undefined = [];
    const look = (id: string) => {
      if (!worker) {
        worker = new Worker(URL.createObjectURL(new Blob([`globalThis.__name = (f) => f; (${looker.toString()})()`])));
        worker.onmessage = ({ data }: MessageEvent<'ready' | { id: string; at: number }>) => {
          if (data === 'ready') {
            for (const message of waiting ?? []) worker?.postMessage(message);
            waiting = undefined;
            return;
          }
          const event = atOf.get(data.id);
          if (event) event.storedAt = data.at;
        };
      }
      if (waiting) waiting.push(id);
      else worker.postMessage(id);
    };
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
      const asked = put.apply(this, args);
      const {
        id = '',
        event,
        sent,
      } = args[0] as {
        id?: string;
        event?: { type: string; atMs: number };
        sent?: number;
      };
      // Not when it is marked as sent, later.
      if (this.name !== 'events' || event?.type !== 'passed' || sent !== 0) return asked;
      const noted: Seen['events'][number] = { atMs: event.atMs };
      seen.events.push(noted);
      atOf.set(id, noted);
      this.transaction.addEventListener('complete', () => (noted.heardAt = performance.now()));
      look(id);
      return asked;
    };
    window.addEventListener(
      'pointerdown',
      (event) => {
        const tile = (event.target as Element).closest('[role="button"]');
        if (!tile?.getAttribute('aria-label')?.includes('running')) return;
        const touch: Seen['touches'][number] = { stamp: event.timeStamp, handledAt: performance.now() };
        seen.touches.push(touch);
        // Once it has been painted.
        const painted = (note: () => void) => requestAnimationFrame(() => setTimeout(note));
        const watch = new MutationObserver((changes) => {
          if (changes.some(({ attributeName }) => attributeName === 'data-pressed'))
            painted(() => (touch.markedAt ??= performance.now()));
          if (changes.every(({ attributeName }) => attributeName !== 'aria-label')) return;
          watch.disconnect();
          painted(() => (touch.shownAt = performance.now()));
        });
        watch.observe(tile, { attributes: true });
      },
      true,
    );
  });
}

/** Taps on places in turn, as fast as fingers can; not faster to catch up, which the board would take for bounces. */
async function tapInTurn(page: Page, places: readonly { x: number; y: number }[], times: number): Promise<void> {
  let nextMs = performance.now();
  for (let i = 0; i < times; i++) {
    const waitMs = nextMs - performance.now();
    if (waitMs > 0) await new Promise((resolve) => setTimeout(resolve, waitMs));
    nextMs = performance.now() + 1000 / TAPS_PER_S;
    const at = places[i % places.length];
    if (at) await page.touchscreen.tap(at.x, at.y);
  }
}

/** Taps on the 24 tiles in turn, and waits until every time is on the disk and known to be. */
async function tapAll(page: Page): Promise<void> {
  const tiles = await page.getByRole('group', { name: 'Line board' }).getByRole('button').all();
  const boxes = await Promise.all(tiles.map((tile) => tile.boundingBox()));
  const places = boxes.flatMap((box) => (box ? [{ x: box.x + box.width / 2, y: box.y + box.height / 2 }] : []));
  await tapInTurn(page, places, TAPS);
  await page.waitForFunction(
    () => (window as unknown as { seen: Seen }).seen.events.every(({ storedAt, heardAt }) => storedAt && heardAt),
    undefined,
    { timeout: 60_000 },
  );
}

/** What an empty page took, in ms from the touch: until the page heard that its touch is on the disk, and until its mark was painted. */
type Bare = { heard: number[]; marked: number[] };

/** The same on an empty page that does nothing but write each touch to its disk and mark it: what this machine's browser takes by itself. */
async function barePage(context: BrowserContext, url: string): Promise<Bare> {
  const page = await context.newPage();
  await page.route('**/bare', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<body style="height:100vh">' }),
  );
  await page.goto(`${url}/bare`);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const took: Bare = { heard: [], marked: [] };
        Object.assign(window, { took });
        const opening = indexedDB.open('bare', 1);
        opening.onupgradeneeded = () => opening.result.createObjectStore('events', { keyPath: 'id' });
        opening.onsuccess = () => {
          window.addEventListener('pointerdown', ({ timeStamp }) => {
            const tx = opening.result.transaction('events', 'readwrite', { durability: 'relaxed' });
            tx.oncomplete = () => took.heard.push(performance.now() - timeStamp);
            tx.objectStore('events').put({ id: timeStamp, text: 'x'.repeat(200) });
            tx.commit();
            document.body.style.boxShadow = `inset 0 0 0 ${4 + (took.marked.length % 2)}px black`;
            requestAnimationFrame(() => setTimeout(() => took.marked.push(performance.now() - timeStamp)));
          });
          resolve();
        };
      }),
  );
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await tapInTurn(page, [{ x: 100, y: 300 }], 250);
  const took = await page.evaluate(() => (window as unknown as { took: Bare }).took);
  await page.close();
  return took;
}

const p99 = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.99)] ?? NaN;

const given = (values: readonly (number | undefined)[]) => values.filter((value) => value !== undefined);

/** A mark every 20 m, so that each of 1,000 taps finds one that can have been reached in the three seconds since the tap before. */
function planWithMarks(): Plan {
  const plan = planOf('2x1000 @10k / 60s');
  const callM = Array.from({ length: 50 }, (_, i) => (i + 1) * 20);
  const groups = plan.groups.map((group) => ({ ...group, reps: group.reps.map((rep) => ({ ...rep, callM })) }));
  return { ...plan, groups };
}

/** Taking times with 24 running: how soon each is on the disk and to be seen, and how exact it is. */
export async function taps(): Promise<void> {
  const app = await serverWith([]);
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    // The worker that checks the disk is created inline.
    bypassCSP: true,
  });
  await witness(context);
  // Before and after, since the machine's load varies.
  const before = await barePage(context, app.url);
  const page = await boardOf(context, app.url, planWithMarks(), []);
  await page.getByRole('button', { name: /^Start: / }).tap();
  await page
    .getByRole('button', { name: /: running/ })
    .first()
    .waitFor();
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await tapAll(page);
  const { seen, origin } = await page.evaluate(() => ({
    seen: (window as unknown as { seen: Seen }).seen,
    origin: performance.timeOrigin,
  }));
  await page.close();
  const after = await barePage(context, app.url);
  const bare = { heard: [...before.heard, ...after.heard], marked: [...before.marked, ...after.marked] };
  await browser.close();
  await app.close();

  const eventAt = new Map(seen.events.map((event) => [event.atMs, event]));
  const since = (at: (touch: Seen['touches'][number]) => number | undefined) =>
    given(
      seen.touches.map((touch) => {
        const ms = at(touch);
        return ms === undefined ? undefined : ms - touch.stamp;
      }),
    );
  const eventOf = ({ stamp }: Seen['touches'][number]) => eventAt.get(Math.round(origin + stamp));
  const stored = since((touch) => {
    const storedAt = eventOf(touch)?.storedAt;
    return storedAt === undefined ? undefined : storedAt - origin;
  });
  const heard = since((touch) => eventOf(touch)?.heardAt);
  if (stored.length < TAPS * 0.95)
    throw new Error(`Only ${stored.length} of ${TAPS} taps were stored: this measures nothing.`);
  console.log(`${stored.length} of ${TAPS} taps stored, at ${TAPS_PER_S} a second, ${SLOWER}× slower, 24 running`);
  report(
    'tap to its handler',
    since(({ handledAt }) => handledAt),
  );
  report('tap to its time on the disk, looked at from beside', stored);
  console.log(`  p99 ${p99(stored).toFixed(0)} ms (wanted: under 30 ms)`);
  report('tap to the page hearing that it is', heard, {
    against: ['an empty page that does nothing else', bare.heard],
  });
  console.log(`  p99 ${p99(heard).toFixed(0)} ms; of the empty page ${p99(bare.heard).toFixed(0)} ms`);
  report(
    'tap to the tile painted as taken',
    since(({ markedAt }) => markedAt),
    { limitMs: 50, against: ['an empty page that does nothing else', bare.marked] },
  );
  report(
    'tap to the time on the tile',
    since(({ shownAt }) => shownAt),
  );
  const off = seen.events.map(({ atMs }) =>
    Math.min(...seen.touches.map(({ stamp }) => Math.abs(origin + stamp - atMs))),
  );
  console.log(
    `recorded against the touch's own time stamp: at most ${Math.max(...off).toFixed(2)} ms off (wanted: 5 ms)`,
  );
}
