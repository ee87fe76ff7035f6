import { chromium } from '@playwright/test';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import { replay } from '@core/trackside/replay';
import { simulateRun } from '@core/trackside/simulate';
import { CHROMIUM } from '../../playwright.config';
import { boardOf, planOf } from './boardOf';
import { report, timed } from './measure';
import { serverWith } from './squadServer';

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

/** A long evening: how soon it is replayed, and what it weighs on the page. */
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
