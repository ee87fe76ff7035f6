import fs from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { desc } from 'drizzle-orm';
import pino from 'pino';
import { ulid } from 'ulid';
import { simulateRun } from '@core/rehearsal/simulate';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { rebuildPending } from '@server/db/results';
import { openDatabase, type Db } from '@server/db/open';
import { addEvents, putPlan } from '@server/db/runs';
import { runResults, runs } from '@server/db/schema';
import { changeSquad } from '@server/db/squad';
import { makeApp } from '@server/http/app';
import { planOf } from './boardOf';
import { SQUAD } from './madeUpSquad';
import { report } from './measure';

const SESSIONS_A_SEASON = 121;
const PEOPLE = 14;
const FIRST_DAY = new Date(2022, 8, 1);

/** Seasons of one session after the other, for the same athletes. */
class Seasons {
  readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-bench-seasons-'));
  readonly athletes = SQUAD.slice(0, PEOPLE).map((athlete) => ({ id: ulid(), ...athlete }));
  db: Db = openDatabase(this.folder);
  sessions = 0;
  events = 0;
  private seed = 17;
  private readonly plan = planOf('8x400 @5k / 75s jog');

  constructor() {
    changeSquad(this.db, { athletes: this.athletes }, Date.now());
  }

  private readonly random = () => (this.seed = (this.seed * 48_271) % 2_147_483_647) / 2_147_483_647;

  /** The plan of one day, for the athletes of this squad. */
  planOn(day: Date): Plan {
    const groups = this.plan.groups.map((group) => ({
      ...group,
      athletes: this.athletes.map(({ id, name }, i) => ({
        ...(group.athletes[i] ?? { tileName: name, targets: [] }),
        athleteId: id,
        name,
      })),
    }));
    return { ...this.plan, id: ulid(), sessionId: ulid(), date: format(day, 'yyyy-MM-dd'), groups };
  }

  eventsOf(plan: Plan, day: Date): RunEvent[] {
    const deviceId = ulid();
    const ran = simulateRun({
      plan,
      startAtMs: day.getTime(),
      deviceId,
      idAt: (atMs) => ulid(atMs),
      random: this.random,
      athletes: {},
    });
    const lastMs = Math.max(...ran.map(({ atMs }) => atMs));
    const felt = this.athletes.map(({ id: athleteId }): RunEvent => {
      const stamp = { id: ulid(lastMs), runId: plan.id, deviceId, atMs: lastMs };
      return { ...stamp, type: 'felt', athleteId, repIndex: 7, effort: 7 };
    });
    return [...ran, ...felt];
  }

  add(seasons: number): void {
    for (let i = 0; i < seasons * SESSIONS_A_SEASON; i++) {
      const day = addDays(FIRST_DAY, this.sessions++ * 3);
      const plan = this.planOn(day);
      const events = this.eventsOf(plan, day);
      putPlan(this.db, plan, day.getTime());
      addEvents(this.db, plan.id, events, day.getTime());
      this.events += events.length;
    }
  }

  async serve(): Promise<{ server: Server; url: string }> {
    const log = pino({ enabled: false });
    const server = makeApp({ db: this.db, log, nowMs: Date.now }).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
  }
}

/** How long it took, and the longest that nothing else could be done meanwhile. */
async function held(run: () => Promise<unknown>): Promise<{ tookMs: number; heldMs: number }> {
  const delay = monitorEventLoopDelay({ resolution: 5 });
  delay.enable();
  const startMs = performance.now();
  await run();
  const tookMs = performance.now() - startMs;
  await new Promise((resolve) => setTimeout(resolve, 20));
  delay.disable();
  return { tookMs, heldMs: delay.max / 1e6 };
}

type Figures = Record<string, { tookMs: number; heldMs: number }>;

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
  figures['the list of results, first asked for'] = await held(ask('GET', 'runs'));
  figures['the list of results again'] = await held(ask('GET', 'runs'));
  const [athlete] = seasons.athletes;
  const last = addDays(FIRST_DAY, (seasons.sessions - 1) * 3);
  const shown = `from=${format(addDays(last, -98), 'yyyy-MM-dd')}&to=${format(last, 'yyyy-MM-dd')}`;
  const whole = `from=2022-01-01&to=${format(last, 'yyyy-MM-dd')}`;
  const [run] = seasons.db.select({ id: runs.id }).from(runs).orderBy(desc(runs.date)).limit(1).all();
  figures['an athlete’s story, 14 weeks'] = await held(ask('GET', `review/athletes/${athlete?.id}?${shown}`));
  figures['an athlete’s story, all of it'] = await held(ask('GET', `review/athletes/${athlete?.id}?${whole}`));
  figures['the squad, 14 weeks'] = await held(ask('GET', `review/squad?${shown}`));
  figures['the same session over the weeks'] = await held(ask('GET', `review/runs/${run?.id}/same`));
  const after = format(addDays(last, 1), 'yyyy-MM-dd');
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
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  seasons.db.$client.close();
  figures['opening the data'] = await held(async () => {
    seasons.db = openDatabase(seasons.folder);
  });
  return figures;
}

/** Five seasons against one: what grows with what is not shown, and what holds up everything else. */
export async function seasons(): Promise<void> {
  const both: Figures[] = [];
  for (const count of [1, 5]) {
    const made = new Seasons();
    const startMs = performance.now();
    made.add(count);
    console.log(
      `${count === 1 ? 'one season' : 'five seasons'}: ${made.sessions} sessions, ${made.events} events, written in ${((performance.now() - startMs) / 1000).toFixed(1)} s`,
    );
    both.push(await measured(made));
    made.db.$client.close();
    fs.rmSync(made.folder, { recursive: true });
  }
  const [figures = {}, five = {}] = both;
  for (const [what, { tookMs, heldMs }] of Object.entries(five)) {
    report(what, [tookMs], { against: ['with one season', [figures[what]?.tookMs ?? 0]] });
    console.log(`  the server was held up for ${heldMs.toFixed(0)} ms at most (wanted: under 100 ms)`);
  }
}
