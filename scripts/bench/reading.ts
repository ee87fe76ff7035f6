import { chromium, type Page } from '@playwright/test';
import { fitCurve } from '@core/fitness/curve';
import { gaugeOf } from '@core/outlook/gauge';
import { factsOf, type SessionFacts } from '@core/judgement/facts';
import { findingsOf } from '@core/judgement/findings';
import { squadLever } from '@core/judgement/lever';
import { readReady, readyAsked } from '@core/judgement/nextReady';
import { curveOfReserve } from '@core/review/load';
import { askedOf, readFitness, type FitnessAsked } from '@core/review/fitnessReading';
import { reviewRun } from '@core/review/review';
import { replay } from '@core/run/replay';
import { ALL_RUNS } from '../../e2e/app';
import { OwnProcess } from '../../e2e/ownProcess';
import { CHROMIUM } from '../../playwright.config';
import { longEvening } from './longEvening';
import { report, timed } from './measure';

const SLOWER = 4;
const ROUNDS = 5;

/** All that the page of a session shows at once: replayed, read, the facts of everyone, and what matters. */
function readAll({ plan, events }: ReturnType<typeof longEvening>): SessionFacts {
  const state = replay(plan, events);
  const reviews = reviewRun(state);
  const reserves = new Map(
    plan.groups.flatMap(({ athletes }) => athletes.map((athlete) => [athlete.athleteId, athlete.reserve])),
  );
  const facts = factsOf({
    plan,
    state,
    reviews,
    knownOf: (athleteId) => {
      const reserve = reserves.get(athleteId);
      return reserve ? { curve: curveOfReserve(reserve) } : {};
    },
  });
  findingsOf(facts);
  squadLever(facts);
  return facts;
}

/** What is asked of the worker for that page: how fit everyone is, by a curve of their own each. */
function everyoneAsked({ plan, events }: ReturnType<typeof longEvening>): FitnessAsked[] {
  return reviewRun(replay(plan, events))
    .flatMap(({ rows }) => rows)
    .map((row, i) => {
      const marks = [1500, 5000].map((distanceM) => ({
        distanceM,
        timeS: distanceM * (0.18 + i * 0.003) * (distanceM / 1500) ** 0.06,
        date: plan.date,
        kind: 'race' as const,
      }));
      return askedOf(row, plan.intent, undefined, { curve: fitCurve(marks, { asOf: plan.date }) });
    });
}

/** Milliseconds from a press until something is there and painted. */
const until = (page: Page, link: string, shows: string) =>
  page.evaluate(
    async ([href, selector]) => {
      const startMs = performance.now();
      if (href) document.querySelector<HTMLElement>(href)?.click();
      while (!document.querySelector(selector ?? '') && performance.now() - startMs < 15_000)
        await new Promise((resolve) => requestAnimationFrame(resolve));
      if (!document.querySelector(selector ?? '')) throw new Error(`Timed out: ${selector} was not there.`);
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      return performance.now() - startMs;
    },
    [link, shows],
  );

/** A long session read, and the screens of the review on a phone four times slower than this machine. */
export async function reading(): Promise<void> {
  const session = longEvening(true);
  const text = JSON.stringify(session.events);
  report('a session of 24 × 30 reps replayed and read', await timed(20, () => readAll(session)), {
    limitMs: 60,
    against: ['JSON.parse of its events', await timed(20, () => JSON.parse(text) as unknown)],
  });
  const asked = everyoneAsked(session);
  report('how fit all 24 are', await timed(20, () => asked.map(readFitness)), {
    limitMs: 150,
    against: ['one gauge for each of them', await timed(20, () => asked.map(({ curve }) => gaugeOf({ ...curve })))],
  });

  const curves = new Map(asked.map(({ athleteId, curve }) => [athleteId, curve]));
  const { plan, events } = session;
  const state = replay(plan, events);
  const knownOf = (athleteId: string) => {
    const curve = curves.get(athleteId);
    return curve ? { curve } : {};
  };
  const facts = factsOf({ plan, state, reviews: reviewRun(state), knownOf });
  const ready = readyAsked(facts, () => true);
  report('who of the 24 is ready for a step on', await timed(5, () => readReady(ready)), {
    against: ['how fit they are', await timed(5, () => asked.map(readFitness))],
  });

  const app = new OwnProcess({ kind: 'demo' });
  await app.start();
  const [run] = await app.get<{ id: string }[]>(ALL_RUNS);
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const took: Record<string, number[]> = {
    session: [],
    same: [],
    squad: [],
    'load of the squad': [],
    'next step': [],
  };
  for (let round = 0; round < ROUNDS; round++) {
    const page = await context.newPage();
    await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
    await page.goto(`${app.url}/results`);
    await page
      .getByText(/130 of 130/)
      .first()
      .waitFor();
    await page.waitForLoadState('networkidle');
    const slow = await context.newCDPSession(page);
    await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    took.session?.push(
      await until(page, `a[href="/results/${run?.id}"]`, '[aria-label="Results"] [role="row"]:nth-child(4)'),
    );
    const same = await page.getByRole('button', { name: 'The same over the weeks' }).elementHandle();
    await same.evaluate((element) => element.setAttribute('data-bench', 'same'));
    took.same?.push(await until(page, '[data-bench="same"]', '[aria-label="Rep for rep"]'));
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await page.goto(`${app.url}/results`);
    await page.waitForLoadState('networkidle');
    const squad = await page.getByRole('button', { name: 'The squad over the weeks' }).elementHandle();
    await squad.evaluate((element) => element.setAttribute('data-bench', 'squad'));
    await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    took.squad?.push(
      await until(page, '[data-bench="squad"]', '[aria-label="The squad over the weeks"] [role="row"]:nth-child(4)'),
    );
    took['load of the squad']?.push(await until(page, '', '[role="img"][aria-label*="load by week"] svg'));
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await page.goto(`${app.url}/results/${run?.id}`);
    await page.waitForLoadState('networkidle');
    const next = await page.getByRole('button', { name: 'The next step' }).elementHandle();
    await next.evaluate((element) => element.setAttribute('data-bench', 'next'));
    await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    took['next step']?.push(await until(page, '[data-bench="next"]', '[aria-label="What is run"]'));
    await page.close();
  }
  for (const [what, list] of Object.entries(took))
    report(`${what}: press to table or chart, ${SLOWER}× slower`, list, { limitMs: 1000 });
  await browser.close();
  await app.close();
}
