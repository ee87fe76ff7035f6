import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { report, spread } from './measure';
import { serverWith } from './squadServer';

const PHONES = 50;
const PER_S = 5;
const SECONDS = 60;
const WANTED = { p95Ms: 100, timesAnInsert: 8 };

type Stamp = Pick<RunEvent, 'id' | 'runId' | 'deviceId' | 'atMs'>;
/** Makes the events of one phone, one at a time. */
type Tapping = (stamp: Stamp) => RunEvent;

const planOf = (groups: Plan['groups']): Plan => ({
  id: ulid(),
  sessionId: ulid(),
  title: 'Bench',
  date: '2026-11-01',
  shorthand: '12x400 @5k / 60s',
  groups,
});

/** A session of one who never starts, and phones that only take times without a name. */
const nameless = (): { plan: Plan; tapping: Tapping } => ({
  plan: planOf([
    {
      id: 'all',
      name: 'Everyone',
      reps: [{ role: 'main', distanceM: 400, callM: [400] }],
      athletes: [{ athleteId: ulid(), name: 'A', tileName: 'A', targets: [{}] }],
    },
  ]),
  tapping: (stamp) => ({ ...stamp, type: 'crossed' }),
});

const REPS = 12;
const MARKS_M = [200, 400];

/**
 * An evening: 40 athletes in six groups, 12 reps with two marks. Every phone times on its own, so that starts, times, names, undos and
 * efforts of all kinds come in between each other, some of them a second time.
 */
function evening(): { plan: Plan; tapping: Tapping } {
  const athletes = Array.from({ length: 40 }, (_, i) => ({
    athleteId: ulid(),
    name: `Athlete ${i}`,
    tileName: `A${i}`,
    targets: Array.from({ length: REPS }, () => ({ targetS: 80, recoveryS: 60 })),
  }));
  const groups = Array.from({ length: 6 }, (_, g) => ({
    id: ulid(),
    name: `Group ${g + 1}`,
    reps: Array.from({ length: REPS }, () => ({
      role: 'main' as const,
      distanceM: 400,
      callM: MARKS_M,
      recovery: '60s',
    })),
    athletes: athletes.filter((_athlete, i) => i % 6 === g),
  }));
  let n = 0;
  let crossedId: string | undefined;
  const tapping: Tapping = (stamp) => {
    const turn = n++;
    const of = <T>(list: readonly T[], at: number): T => list[at % list.length] as T;
    const group = of(groups, Math.floor(turn / 16));
    const { athleteId } = of(group.athletes, turn);
    const repIndex = Math.floor(turn / 900) % REPS;
    const atM = of(MARKS_M, Math.floor(turn / 7));
    const step = turn % 16;
    if (step === 0)
      return { ...stamp, type: 'started', repIndex, athleteIds: group.athletes.map((athlete) => athlete.athleteId) };
    if (step === 9) {
      crossedId = stamp.id;
      return { ...stamp, type: 'crossed' };
    }
    if (step === 10 && crossedId !== undefined)
      return { ...stamp, type: 'named', eventId: crossedId, athleteId, repIndex, atM };
    if (step === 11 && turn % 160 === 11 && crossedId !== undefined)
      return { ...stamp, type: 'undone', eventId: crossedId };
    if (step > 11) return { ...stamp, type: 'felt', athleteId, repIndex, effort: 5 + (turn % 5) };
    return { ...stamp, type: 'passed', athleteId, repIndex, atM };
  };
  return { plan: planOf(groups), tapping };
}

/** Milliseconds that each of some inserts of an event took, alone, into a file of its own that is as safe as the server's. */
function bareInserts(count: number): number[] {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-insert-'));
  const client = new Database(path.join(folder, 'bare.sqlite'));
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.exec('CREATE TABLE events (id TEXT PRIMARY KEY, run_id TEXT, json TEXT)');
  const insert = client.prepare('INSERT INTO events VALUES (?, ?, ?)');
  const runId = ulid();
  const took = Array.from({ length: count }, () => {
    const startMs = performance.now();
    insert.run(ulid(), runId, JSON.stringify({ id: ulid(), runId, deviceId: ulid(), atMs: 1, type: 'crossed' }));
    return performance.now() - startMs;
  });
  client.close();
  fs.rmSync(folder, { recursive: true });
  return took;
}

async function measure(what: string, { plan, tapping }: { plan: Plan; tapping: Tapping }): Promise<void> {
  const app = await serverWith([]);
  const runId = plan.id;
  const send = (method: string, address: string, body: object) =>
    fetch(`${app.url}/api/${address}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('PUT', `runs/${runId}/plan`, plan);
  const looking = new AbortController();
  for (let i = 0; i < 10; i++)
    void fetch(`${app.url}/api/runs/${runId}/live`, { signal: looking.signal })
      .then((answer) => answer.body?.pipeTo(new WritableStream()))
      .catch(() => undefined);
  const [inserts, health, took] = [bareInserts(1000), [] as number[], [] as number[]];
  for (let i = 0; i < 200; i++) {
    const startMs = performance.now();
    await (await fetch(`${app.url}/api/health`)).text();
    health.push(performance.now() - startMs);
  }
  const sent: string[] = [];
  const phone = async (deviceId: string, afterMs: number) => {
    await new Promise((resolve) => setTimeout(resolve, afterMs));
    const startMs = performance.now();
    for (let i = 0; i < PER_S * SECONDS; i++) {
      const waitMs = startMs + (i * 1000) / PER_S - performance.now();
      if (waitMs > 0) await new Promise((resolve) => setTimeout(resolve, waitMs));
      const event = tapping({ id: ulid(), runId, deviceId, atMs: Date.now() });
      const askedMs = performance.now();
      const answer = await send('POST', `runs/${runId}/events`, { events: [event] });
      await answer.text();
      took.push(performance.now() - askedMs);
      if (answer.ok) sent.push(event.id);
    }
  };
  await Promise.all(Array.from({ length: PHONES }, (_, i) => phone(ulid(), (i * 1000) / PER_S / PHONES)));
  looking.abort();
  const { events } = (await (await fetch(`${app.url}/api/runs/${runId}`)).json()) as { events: RunEvent[] };
  const ids = new Set(events.map(({ id }) => id));
  report(`${what}: ${PHONES} phones, ${PER_S} events a second each for ${SECONDS} s: a post`, took, {
    limitMs: WANTED.p95Ms,
    against: ['one asking how the server is, alone', health],
  });
  const [post, insert] = [spread(took), spread(inserts)];
  console.log(
    `  a bare insert, alone: ${insert.median.toFixed(2)} ms, p95 ${insert.p95.toFixed(2)} ms; a post at p95 is ${(post.p95 / insert.p95).toFixed(1)} of those (wanted: at most ${WANTED.timesAnInsert})`,
  );
  console.log(
    `  acknowledged ${sent.length} of ${PHONES * PER_S * SECONDS}; kept ${events.length}, each once: ${ids.size === events.length && sent.every((id) => ids.has(id))}`,
  );
  const readMs = performance.now();
  await (await fetch(`${app.url}/api/runs/days?from=1900-01-01`)).text();
  console.log(`  the list of results straight after: ${(performance.now() - readMs).toFixed(0)} ms`);
  await app.close();
}

/** Fifty phones that post events to one server on this machine, for a minute; some look on. */
export async function phones(): Promise<void> {
  await measure('Times without a name', nameless());
  await measure('An evening of 40 in six groups', evening());
}
