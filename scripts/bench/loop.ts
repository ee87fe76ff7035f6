import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { openDatabase } from '@server/db/open';
import { addEvents, putPlan } from '@server/db/runs';
import { Hub } from '@server/live/hub';
import { Intake } from '@server/loop/intake';
import { planOf } from './boardOf';
import { report } from './measure';

const START_MS = 1_790_000_000_000;
const LAP_MS = 90_000;
const WEARERS = 24;
const REPS = 6;

/** What a passing at the loop takes when its session has so many events already. */
function passings(eventCount: number): number[] {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-bench-loop-'));
  const db = openDatabase(folder);
  const plan = planOf('30x400 @5k / 60s');
  const groups = plan.groups.map((group) => ({
    ...group,
    athletes: group.athletes.slice(0, WEARERS).map((athlete, i) => ({ ...athlete, chip: `C${i}` })),
  }));
  const run = { ...plan, groups };
  const athleteIds = groups.flatMap(({ athletes }) => athletes.map(({ athleteId }) => athleteId));
  const stamp = (atMs: number) => ({ id: ulid(atMs), runId: run.id, deviceId: run.id, atMs });
  putPlan(db, run, START_MS);
  const noted = Array.from({ length: eventCount }, (_, i): RunEvent => {
    const athleteId = athleteIds[i % athleteIds.length] ?? '';
    return { ...stamp(START_MS + i), type: 'felt', athleteId, repIndex: i % 30, effort: 6 };
  });
  addEvents(db, run.id, noted, START_MS);
  let nowMs = START_MS + eventCount;
  const intake = new Intake(db, new Hub(), () => nowMs);
  const took: number[] = [];
  for (let repIndex = 0; repIndex < REPS; repIndex++) {
    nowMs += LAP_MS;
    addEvents(db, run.id, [{ ...stamp(nowMs), type: 'started', repIndex, athleteIds }], nowMs);
    nowMs += LAP_MS;
    for (const i of athleteIds.keys()) {
      nowMs += 200;
      const line = JSON.stringify({ type: 'passing', chip: `C${i}`, atMs: nowMs });
      const startMs = performance.now();
      const answer = intake.take(line);
      // The first round reads the session in.
      if (repIndex > 0) took.push(performance.now() - startMs);
      if (!('took' in answer && answer.took === 'mark')) throw new Error(`No mark: ${JSON.stringify(answer)}`);
    }
  }
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
  return took;
}

/** The intake of a timing loop: with a long log behind it, against a short one. */
export async function loop(): Promise<void> {
  passings(10);
  const short = passings(10);
  report('a passing at the loop, with 5,000 events of the session before it', passings(5000), {
    against: ['with 10', short],
  });
}
