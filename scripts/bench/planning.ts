import { chromium } from '@playwright/test';
import { ulid } from 'ulid';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { fitCurve } from '@core/fitness/curve';
import { chancesFor } from '@core/outlook/chances';
import { outlookFor } from '@core/outlook/outlook';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { proposer } from '@core/planning/accept';
import type { DayGroup } from '@core/planning/dayPlan';
import { athletePlans, type Runner } from '@core/planning/athletePlans';
import { INTENT_FACTS } from '@core/session/intent';
import { parseStored } from '@core/session/parseSession';
import { reserve } from '@core/targets/reserve';
import { targetsFor } from '@core/targets/targetsFor';
import { solveStartGaps } from '@core/track/startGaps';
import { clashCount, groupTraffic, type GroupTraffic } from '@core/track/traffic';
import { standardTrack } from '@core/venue/venue';
import { CHROMIUM } from '../../playwright.config';
import { AS_OF, SQUAD } from './madeUpSquad';
import { report, timed } from './measure';
import { serverWith } from './squadServer';

function read(text: string) {
  const parsed = parseStored(text);
  if (!parsed.ok) throw new Error('The session of the bench cannot be read.');
  return parsed.session;
}

/** Forty reps. */
const FORTY = '2x(10x400 @mile / 60s jog, 10x200 @800 / 45s walk) / 5:00 walk';
/** Too hard for nearly everybody, but not beyond mending. */
const HARD = '2x(10x200 @mile / 45s walk) / 3:00 walk, 20x100 @800 / 30s walk';
const { arc } = INTENT_FACTS['race-pace'];
const SEED = 11;
const source = { paceBook: curveBook, venue: standardTrack };
const group = (athleteIds: string[]): DayGroup => ({ id: 'all', name: 'All', athleteIds });

const runners = SQUAD.map(({ name, marks }): Runner => {
  return { id: name, name, tileName: name, paces: { curve: fitCurve(marks, { asOf: AS_OF }), paceBook: curveBook } };
});
const plansOf = (session: ReturnType<typeof read>) =>
  athletePlans({
    session,
    intent: 'race-pace',
    plan: {},
    groups: [group(runners.map(({ id }) => id))],
    runners,
    venue: standardTrack,
  });

async function plans(): Promise<void> {
  const session = read(FORTY);
  const all = await timed(20, () => plansOf(session));
  // Each leg worked out from the session anew, as a formula in each cell of a sheet would; for six of the sixty, times ten.
  const naive = await timed(3, () => {
    for (const { paces } of runners.slice(0, 6)) {
      const legs = targetsFor(session, { ...paces, ...source });
      legs.map((_, i) => targetsFor(session, { ...paces, ...source })[i]);
    }
  });
  report('60 plans of 40 reps with passing times', all, {
    limitMs: 30,
    against: ['each leg worked out anew', naive.map((took) => took * 10)],
  });
}

async function outlook(): Promise<void> {
  const session = read(HARD);
  const made = plansOf(session);
  let proposed = 0;
  const everything = await timed(10, () => {
    const proposalsOf = proposer(arc);
    proposed = 0;
    for (const athletePlan of made) {
      outlookFor(athletePlan.runner.paces.curve, athletePlan.legs, arc);
      proposed += proposalsOf(athletePlan).length;
    }
  });
  // The reserve after each rep from the session up to there.
  const naive = await timed(2, () => {
    for (const { legs, runner } of made.slice(0, 6))
      legs.forEach((leg, i) => {
        if (leg.kind === 'rep' && runner.paces.curve) reserve(runner.paces.curve, legs.slice(0, i + 1));
      });
  });
  report(`reserve and proposals for 60 (${proposed} proposals)`, everything, {
    limitMs: 100,
    against: ['the reserve alone, from the start for each rep', naive.map((took) => took * 10)],
  });
  const draws = await timed(2, () => {
    const generator = xoroshiro128plus(SEED);
    const random = () => uniformFloat64(generator);
    for (const { runner, legs } of made)
      if (runner.paces.curve) chancesFor({ athleteId: runner.id, curve: runner.paces.curve, legs }, arc, random);
  });
  report('60 × 1,000 draws of 40 reps, on this thread', draws, { limitMs: 2000 });
}

/** Six groups, each a little slower than the one before. */
const sixGroups = (text: string, apartS: number): GroupTraffic[] =>
  Array.from({ length: 6 }, (_, i) => {
    const curve = fitCurve([{ distanceM: 5000, timeS: 1000 + i * apartS, date: AS_OF, kind: 'race' }], { asOf: AS_OF });
    const legs = targetsFor(read(text), { curve, ...source });
    return groupTraffic({ id: `g${i}`, legs, offsetsS: legs.map(() => [-1.5, -0.5, 0, 0.7, 1.5]) }, standardTrack);
  });

/** Every way there is for three groups, one after the other. */
function bruteForce(groups: readonly GroupTraffic[], windowS: number): number {
  let best = Infinity;
  const go = (gapsS: number[]): void => {
    if (gapsS.length < groups.length) {
      for (let gapS = 0; gapS <= 120; gapS += 5) go([...gapsS, gapS]);
      return;
    }
    let clashes = 0;
    groups.forEach((a, i) =>
      groups.slice(i + 1).forEach((b, k) => {
        clashes += clashCount(a, b, (gapsS[i + 1 + k] ?? 0) - (gapsS[i] ?? 0), windowS);
      }),
    );
    best = Math.min(best, clashes);
  };
  go([]);
  return best;
}

async function startGaps(): Promise<void> {
  for (const [text, apartS] of [
    ['8x400 @5k / 75s jog', 20],
    ['20x400 @5k / 60s', 60],
    ['40x200 @5k / 30s', 60],
  ] as const) {
    const groups = sixGroups(text, apartS);
    const took = await timed(5, () => solveStartGaps(groups, { windowS: 3 }));
    report(`start gaps for 6 groups, ${text}`, took, { limitMs: 500 });
  }
  const three = sixGroups('8x400 @5k / 75s jog', 20).slice(0, 3);
  const solved = solveStartGaps(three, { windowS: 3 }).cost.clashes;
  const quick = await timed(5, () => solveStartGaps(three, { windowS: 3 }));
  const slow = await timed(2, () => bruteForce(three, 3));
  report(`start gaps for 3 groups (${solved} clashes; every way there is: ${bruteForce(three, 3)})`, quick, {
    against: ['every way there is', slow],
  });
}

/** The draws in the page's worker, and how the page answers meanwhile. */
async function onThePage(): Promise<void> {
  const app = await serverWith(SQUAD);
  const id = ulid();
  await fetch(`${app.url}/api/sessions/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ title: 'Forty', date: AS_OF, shorthand: FORTY }),
  });
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
  await page.goto(`${app.url}/sessions/plan/${id}`);
  await page.getByText('60 of 60 take part').waitFor();
  await page.waitForLoadState('networkidle');
  await page.getByRole('radio', { name: 'Effort' }).click();
  await page.getByRole('button', { name: 'How sure is this?' }).waitFor();
  const { drawnMs, answersMs } = await page.evaluate(async () => {
    const find = (name: string) =>
      Array.from(document.querySelectorAll('[role="button"]')).find((element) => element.textContent === name);
    const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    const answers: number[] = [];
    const startMs = performance.now();
    (find('How sure is this?') as HTMLElement).click();
    await painted();
    // Meanwhile one athlete after the other is pressed, and opens and closes.
    const rows = Array.from(document.querySelectorAll<HTMLElement>('[role="button"][aria-expanded]'));
    for (let i = 0; !find('Try out again'); i++) {
      const row = rows[i % 4] as HTMLElement;
      const before = row.getAttribute('aria-expanded');
      const pressedMs = performance.now();
      row.click();
      while (row.getAttribute('aria-expanded') === before && performance.now() - pressedMs < 1000)
        await new Promise((resolve) => requestAnimationFrame(resolve));
      if (row.getAttribute('aria-expanded') === before) throw new Error('Timed out: a press had no answer after 1 s.');
      answers.push(performance.now() - pressedMs);
      await painted();
    }
    return { drawnMs: performance.now() - startMs, answersMs: answers };
  });
  report('60 × 1,000 draws in the worker, while the page is used', [drawnMs], { limitMs: 2000 });
  report(`  a press meanwhile, to its answer on the screen (${answersMs.length})`, answersMs, { limitMs: 50 });
  await browser.close();
  await app.close();
}

/** Planning a day for sixty athletes. */
export async function planning(): Promise<void> {
  await plans();
  await outlook();
  await startGaps();
  await onThePage();
}
