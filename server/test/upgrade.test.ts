import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { openDatabase, type Db } from '../db/open';
import { pendingRunIds, rebuildPending } from '../db/results';
import { addOldAthlete, addOldRun, dataBefore } from './dataBefore';
import { planFor } from './madeUpPlan';
import { bundled } from './bundle';
import { tempFolder } from './testServer';

const ROOT = path.join(__dirname, '../..');
const ADA = ulid();
const RUNS = 6;

/** A small data folder of a version before results were kept as rows: an athlete with two marks, and sessions that were run. */
function oldFolder(): string {
  const { folder, client } = dataBefore('0011');
  addOldAthlete(client, ADA, [1110, 1100]);
  for (let i = 0; i < RUNS; i++) {
    const plan = planFor(ADA);
    const stamp = (atMs: number) => ({ id: ulid(), runId: plan.id, deviceId: plan.id, atMs });
    const events: RunEvent[] = [
      { ...stamp(1000), type: 'started', repIndex: 0, athleteIds: [ADA] },
      { ...stamp(81_000 + i), type: 'passed', athleteId: ADA, repIndex: 0, atM: 400 },
      { ...stamp(82_000), type: 'ended' },
    ];
    addOldRun(client, plan, events);
  }
  client.close();
  return folder;
}

const rowsOf = ({ $client }: Db, table: string) => $client.prepare(`SELECT * FROM ${table} ORDER BY 1, 2, 3`).all();

/** All that a data folder holds once it is brought up to this version; marks were given ids by chance. */
async function brought(folder: string): Promise<Record<string, unknown[]>> {
  const db = openDatabase(folder);
  await rebuildPending(db);
  expect(pendingRunIds(db)).toEqual([]);
  expect(db.$client.pragma('integrity_check', { simple: true })).toBe('ok');
  const held = {
    ...Object.fromEntries(
      ['athletes', 'runs', 'run_events', 'run_results', 'athlete_results', 'rep_results'].map((table) => [
        table,
        rowsOf(db, table),
      ]),
    ),
    marks: db.$client.prepare('SELECT time_s FROM marks ORDER BY place').all(),
  };
  db.$client.close();
  return held;
}

test('a data folder of an earlier version loses nothing, wherever its upgrade or the work on its results is killed', async () => {
  const old = oldFolder();
  const copyOf = () => {
    const folder = tempFolder();
    fs.cpSync(old, folder, { recursive: true });
    return folder;
  };
  const whole = await brought(copyOf());
  expect(whole).toMatchObject({ marks: [{ time_s: 1110 }, { time_s: 1100 }] });
  expect(['runs', 'run_events', 'rep_results'].map((table) => whole[table]?.length)).toEqual([RUNS, 3 * RUNS, RUNS]);
  // In the middle of the migrations, at their end, and in the middle of the sessions.
  const dying = await bundled('server/test/dieAfter.ts');
  let killed = 0;
  for (const statements of [3, 12, 30, 60, 90, 120, 150]) {
    const folder = copyOf();
    const { signal, status, stderr } = spawnSync(process.execPath, [dying, folder, String(statements)], {
      cwd: ROOT,
      encoding: 'utf8',
    });
    expect({ statements, stderr, status }).toEqual({ statements, stderr: '', status: signal === null ? 0 : null });
    if (signal === 'SIGKILL') killed++;
    expect({ statements, ...(await brought(folder)) }).toEqual({ statements, ...whole });
    fs.rmSync(folder, { recursive: true });
  }
  expect(killed).toBeGreaterThanOrEqual(5);
});
