import { chromium } from '@playwright/test';
import { replay } from '@core/run/replay';
import { CHROMIUM } from '../../playwright.config';
import { boardOf } from './boardOf';
import { longEvening } from './longEvening';
import { report, timed } from './measure';
import { serverWith } from './squadServer';

/** A long evening: how soon it is replayed, and what it weighs on the page. */
export async function trackside(): Promise<void> {
  const { plan, events } = longEvening(false);
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
  const heavy = await boardOf(context, app.url, plan, events);
  const weigh = await context.newCDPSession(heavy);
  await weigh.send('HeapProfiler.collectGarbage');
  const { usedSize } = await weigh.send('Runtime.getHeapUsage');
  console.log(
    `the board with these events open: ${(usedSize / 1e6).toFixed(0)} MB of page memory (wanted: under 150 MB)`,
  );
  await browser.close();
  await app.close();
}
