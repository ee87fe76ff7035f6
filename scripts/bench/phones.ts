import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { report, spread } from './measure';
import { serverWith } from './squadServer';

const PHONES = 50;
const PER_S = 5;
const SECONDS = 60;
const WANTED_P95_MS = 100;

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

/** Starts a server that only inserts posts, as durably as ours: the baseline. */
async function bareServer(): Promise<{ url: string; close: () => void }> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-insert-'));
  const started = spawn(process.execPath, ['--import', 'tsx', path.join(__dirname, 'bareInserts.ts'), folder]);
  const url = await new Promise<string>((resolve, reject) => {
    started.stdout.once('data', (chunk: Buffer) => resolve(chunk.toString().trim()));
    started.once('exit', () => reject(new Error('The bare server ended.')));
  });
  return {
    url,
    close: () => {
      started.kill();
      fs.rmSync(folder, { recursive: true });
    },
  };
}

const send = (method: string, address: string, body: object) =>
  fetch(address, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

/** Fifty phones that post events to an address. @returns how long each post took, and the ids that were acknowledged. */
async function postAll(url: string, runId: string, tapping: Tapping): Promise<{ took: number[]; sent: string[] }> {
  const [took, sent] = [[] as number[], [] as string[]];
  const phone = async (deviceId: string, afterMs: number) => {
    await new Promise((resolve) => setTimeout(resolve, afterMs));
    const startMs = performance.now();
    for (let i = 0; i < PER_S * SECONDS; i++) {
      const waitMs = startMs + (i * 1000) / PER_S - performance.now();
      if (waitMs > 0) await new Promise((resolve) => setTimeout(resolve, waitMs));
      const event = tapping({ id: ulid(), runId, deviceId, atMs: Date.now() });
      const askedMs = performance.now();
      const answer = await send('POST', `${url}/api/runs/${runId}/events`, { events: [event] });
      await answer.text();
      took.push(performance.now() - askedMs);
      if (answer.ok) sent.push(event.id);
    }
  };
  await Promise.all(Array.from({ length: PHONES }, (_, i) => phone(ulid(), (i * 1000) / PER_S / PHONES)));
  return { took, sent };
}

/** Posts alone to a server that only inserts, each waited for. */
async function bareInserts(runId: string, tapping: Tapping): Promise<number[]> {
  const bare = await bareServer();
  const took: number[] = [];
  for (let i = 0; i < 1000; i++) {
    const event = tapping({ id: ulid(), runId, deviceId: ulid(), atMs: Date.now() });
    const askedMs = performance.now();
    await (await send('POST', `${bare.url}/api/runs/${runId}/events`, { events: [event] })).text();
    took.push(performance.now() - askedMs);
  }
  bare.close();
  return took;
}

async function measure(what: string, { plan, tapping }: { plan: Plan; tapping: Tapping }): Promise<void> {
  const runId = plan.id;
  const inserts = await bareInserts(runId, tapping);
  const app = await serverWith([]);
  await send('PUT', `${app.url}/api/runs/${runId}/plan`, plan);
  const looking = new AbortController();
  for (let i = 0; i < 10; i++)
    void fetch(`${app.url}/api/runs/${runId}/live`, { signal: looking.signal })
      .then((answer) => answer.body?.pipeTo(new WritableStream()))
      .catch(() => undefined);
  const { took, sent } = await postAll(app.url, runId, tapping);
  looking.abort();
  const { events } = (await (await fetch(`${app.url}/api/runs/${runId}`)).json()) as { events: RunEvent[] };
  const ids = new Set(events.map(({ id }) => id));
  report(`${what}: ${PHONES} phones, ${PER_S} events a second each for ${SECONDS} s: a post`, took, {
    limitMs: WANTED_P95_MS,
    against: ['a bare insert by a post, alone (wanted: at most 8 of them at p95)', inserts],
  });
  console.log(`  at p95: ${(spread(took).p95 / spread(inserts).p95).toFixed(1)} bare inserts`);
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
