import fs from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { desc, eq } from 'drizzle-orm';
import { OwnProcess } from '../../e2e/ownProcess';
import { CHROMIUM } from '../../playwright.config';
import { rebuildPending } from '@server/db/results';
import { openDatabase } from '@server/db/open';
import { addEvents, putPlan } from '@server/db/runs';
import { runResults, runs } from '@server/db/schema';
import { Seasons } from './fiveSeasons';
import { longEvening } from './longEvening';
import { report } from './measure';

const BEAT_MS = 2;

/** How long it took, and the longest that nothing else could be done meanwhile. */
async function held(run: () => Promise<unknown>): Promise<{ tookMs: number; heldMs: number }> {
  let [lastMs, heldMs] = [performance.now(), 0];
  const beat = () => {
    const nowMs = performance.now();
    heldMs = Math.max(heldMs, nowMs - lastMs - BEAT_MS);
    lastMs = nowMs;
  };
  const beats = setInterval(beat, BEAT_MS);
  const startMs = performance.now();
  await run();
  const tookMs = performance.now() - startMs;
  beat();
  clearInterval(beats);
  return { tookMs, heldMs };
}

type Figures = Record<string, { tookMs: number; heldMs?: number; nodes?: number }>;

async function measured(seasons: Seasons): Promise<Figures> {
  const figures: Figures = {};
  const { server, url } = await seasons.serve();
  const ask = (method: string, at: string, body?: unknown) => async () => {
    const answer = await fetch(`${url}/api/${at}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!answer.ok) throw new Error(`${method} ${at}: ${answer.status}`);
    await answer.text();
  };
  const [athlete] = seasons.athletes;
  const today = seasons.before(0);
  figures['a page of results'] = await held(ask('GET', 'runs'));
  figures['a page of sessions'] = await held(ask('GET', `sessions?before=${today}`));
  figures['the sessions of a season'] = await held(ask('GET', `sessions/days?from=${seasons.before(126)}`));
  figures['the results of a season'] = await held(ask('GET', `runs/days?from=${seasons.before(126)}`));
  figures['what is open at the track'] = await held(ask('GET', 'runs/open'));
  figures['the library'] = await held(ask('GET', 'library'));
  figures['how often the library was used'] = await held(ask('GET', `library/uses?until=${today}`));
  const shown = `from=${seasons.before(98)}&to=${today}`;
  const year = `from=${seasons.before(364)}&to=${today}`;
  const [run] = seasons.db.select({ id: runs.id }).from(runs).orderBy(desc(runs.date)).limit(1).all();
  figures['an athlete’s story, 14 weeks'] = await held(ask('GET', `review/athletes/${athlete?.id}?${shown}`));
  figures['an athlete’s story, a year'] = await held(ask('GET', `review/athletes/${athlete?.id}?${year}`));
  figures['the squad, 14 weeks'] = await held(ask('GET', `review/squad?${shown}`));
  figures['the same session over the weeks'] = await held(ask('GET', `review/runs/${run?.id}/same`));
  const after = seasons.before(-1);
  figures['how everyone tells effort, first asked for'] = await held(ask('GET', `review/calibrations?before=${after}`));
  figures['how everyone tells effort again'] = await held(ask('GET', `review/calibrations?before=${after}`));
  const plan = seasons.planOn(new Date());
  const events = seasons.eventsOf(plan, new Date());
  await ask('PUT', `runs/${plan.id}/plan`, plan)();
  const half = Math.floor(events.length / 2);
  await ask('POST', `runs/${plan.id}/events`, { events: events.slice(0, half) })();
  figures['one more event of a session'] = await held(
    ask('POST', `runs/${plan.id}/events`, { events: events.slice(half, half + 1) }),
  );
  const [first, second] = seasons.athletes;
  figures['an athlete’s file'] = await held(ask('GET', `athletes/${first?.id}/file`));
  figures['erasing an athlete'] = await held(ask('POST', `athletes/${second?.id}/erase`));
  seasons.db.delete(runResults).run();
  figures['all results made anew'] = await held(() => rebuildPending(seasons.db));
  const evening = longEvening(true);
  putPlan(seasons.db, evening.plan, 0);
  addEvents(seasons.db, evening.plan.id, evening.events, 0);
  seasons.db.delete(runResults).where(eq(runResults.runId, evening.plan.id)).run();
  figures['a long evening made anew'] = await held(() => rebuildPending(seasons.db));
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  seasons.db.$client.close();
  figures['opening the data'] = await held(async () => {
    seasons.db = openDatabase(seasons.folder);
  });
  return figures;
}

const SLOWER = 4;

/** Milliseconds from the tap on a place until `text` of it has been painted, and how many nodes the page has then. */
const open = (page: Page, [link, text]: readonly [string, string]) =>
  page.evaluate(
    async ([name, wanted]) => {
      const links = Array.from(document.getElementsByTagName('a'));
      const startMs = performance.now();
      links.find((a) => a.textContent.trim() === name || a.textContent.startsWith(`${name}Your`))?.click();
      const main = document.querySelector('[role=main]');
      while (!main?.textContent.includes(wanted)) {
        if (performance.now() - startMs > 30_000) throw new Error(`${name}: no “${wanted}” after 30 s.`);
        await new Promise((resolve) => requestAnimationFrame(resolve));
      }
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      return { tookMs: performance.now() - startMs, nodes: document.querySelectorAll('*').length };
    },
    [link, text] as const,
  );

/** Each main list, opened on a phone four times slower than this machine. */
async function onThePhone(seasons: Seasons): Promise<Figures> {
  seasons.db.$client.pragma('wal_checkpoint(TRUNCATE)');
  const app = new OwnProcess({ kind: 'club', data: seasons.folder });
  await app.start();
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const figures: Figures = {};
  const page = await context.newPage();
  // The loader of these scripts wraps inner functions in a helper that the page does not have.
  await page.addInitScript({ content: 'globalThis.__name = (f) => f' });
  await page.goto(`${app.url}/squad`);
  await page.getByText('14 athletes').waitFor();
  await page.waitForLoadState('networkidle');
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  const places = [
    ['Results', 'of 112 reps'],
    ['Sessions', 'Earlier'],
    ['Library', ', session 1'],
    ['Season', 'This week'],
  ] as const;
  for (const place of places) {
    const { tookMs, nodes } = await open(page, place);
    figures[`${place[0]}, opened on a phone ${SLOWER}× slower (wanted: under 1,500 ms)`] = { tookMs, nodes };
    await page.waitForLoadState('networkidle');
  }
  await browser.close();
  await app.close();
  return figures;
}

/** Five seasons against one: what grows with what is not shown, and what holds up everything else. */
export async function seasons(): Promise<void> {
  const both: Figures[] = [];
  for (const count of [1, 5]) {
    const made = new Seasons(count);
    const startMs = performance.now();
    made.add();
    console.log(
      `${count === 1 ? 'one season' : 'five seasons'}: ${made.sessions} sessions, ${made.events} events, written in ${((performance.now() - startMs) / 1000).toFixed(1)} s`,
    );
    both.push({ ...(await onThePhone(made)), ...(await measured(made)) });
    made.db.$client.close();
    fs.rmSync(made.folder, { recursive: true });
  }
  const [figures = {}, five = {}] = both;
  for (const [what, { tookMs, heldMs, nodes }] of Object.entries(five)) {
    report(what, [tookMs], { against: ['with one season', [figures[what]?.tookMs ?? 0]] });
    if (nodes !== undefined) console.log(`  ${nodes} nodes, with one season ${figures[what]?.nodes}`);
    if (heldMs !== undefined)
      console.log(`  the server was held up for ${heldMs.toFixed(0)} ms at most (wanted: under 100 ms)`);
  }
}
