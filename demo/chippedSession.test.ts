import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pino from 'pino';
import { ulid } from 'ulid';
import { ChippedSquad, connectLoop } from '@devices/squad/squad';
import { LOOP_DEVICE } from '@core/run/chips';
import { fitCurve } from '@core/fitness/curve';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { parseSession } from '@core/session/parseSession';
import { standardTrack } from '@core/venue/venue';
import type { RunEvent } from '@core/run/events';
import { makePlan } from '@core/planning/makePlan';
import { replay } from '@core/run/replay';
import { openDatabase } from '@server/db/open';
import { addEvents, putPlan } from '@server/db/runs';
import { readRun } from '@server/db/storedRun';
import { Hub } from '@server/live/hub';
import { Intake } from '@server/loop/intake';
import { serveLoop } from '@server/loop/serve';

const T0 = 1_790_000_000_000;
const SPEED = 60;

test('a whole session run by the squad with chips over TCP, 60 times as fast: what is stored is what was run', async () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-chips-'));
  const db = openDatabase(folder);
  const hub = new Hub();
  const loop = await serveLoop(new Intake(db, hub, () => T0), 0, pino({ enabled: false }));
  const link = await connectLoop(loop.port);

  const parsed = parseSession('4x800 @5k / 90s\nfinish: 2x400 @mile / 60s');
  if (!parsed.ok) throw new Error('not readable');
  const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: '2026-11-01', kind: 'race' }], { asOf: '2026-11-01' });
  const people = Array.from({ length: 6 }, (_, i) => ({
    id: ulid(),
    name: `Runner ${i}`,
    tileName: `R${i}`,
    chip: `ZL-${i}`,
    paces: { curve, paceBook: curveBook },
  }));
  const header = { id: ulid(), sessionId: ulid(), title: 'Chips', date: '2026-11-01', shorthand: '' };
  const plan = makePlan(header, parsed.session, people, standardTrack);
  putPlan(db, plan, T0);

  // The moments of the squad, in their order, as a clock 60 times as fast would bring them.
  const waiting: { run: () => void; afterMs: number }[] = [];
  const habits = Object.fromEntries(people.map(({ id }) => [id, { curve, rush: 0.02, unevenness: 0.01 }]));
  let seed = 7;
  const random = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
  const later = (run: () => void, afterMs: number) => void waiting.push({ run, afterMs });
  const squad = new ChippedSquad({ plan, habits, random, speed: SPEED, link, later });
  hub.subscribe(plan.id, { onEvents: (events) => squad.hear(events), onEnd: () => undefined });

  let atMs = T0;
  let said = 0;
  for (const repIndex of plan.groups[0]?.reps.keys() ?? []) {
    const athleteIds = people.map(({ id }) => id);
    const stamp = { id: ulid(), runId: plan.id, deviceId: people[0]?.id ?? '', atMs };
    const start: RunEvent = { ...stamp, type: 'started', repIndex, athleteIds };
    hub.publish(plan.id, addEvents(db, plan.id, [start], T0)?.added ?? []);
    const due = waiting.splice(0).sort((a, b) => a.afterMs - b.afterMs);
    for (const { run } of due) run();
    said += due.length;
    while (link.answers().length < said) await new Promise((resolve) => setImmediate(resolve));
    atMs = Math.max(...squad.truths.map(({ finishedAtMs }) => Math.round(finishedAtMs))) + 90_000;
  }
  const stored = readRun(db, plan.id);
  const state = replay(plan, stored?.events ?? []);
  expect(state.unplaced).toEqual([]);
  expect(squad.truths).toHaveLength(6 * 6);
  for (const { athleteId, repIndex, startedAtMs, marks } of squad.truths) {
    const run = state.athletes[athleteId]?.runs.find((run) => run.repIndex === repIndex);
    const laps = marks.filter(({ atM }) => atM % 400 === 0);
    expect(run?.passes.map(({ atM, atMs: takenMs, deviceId }) => [atM, takenMs, deviceId])).toEqual(
      laps.map(({ atM, atMs: trueMs }) => [atM, trueMs, LOOP_DEVICE]),
    );
    expect(run?.startedAtMs).toBe(startedAtMs);
    expect(run?.beatsPerMin).toBeGreaterThanOrEqual(165);
  }
  link.close();
  await loop.stop();
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
});
