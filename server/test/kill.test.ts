import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { planFor } from './madeUpPlan';
import { bundled } from './bundle';
import { tempFolder } from './testServer';

const ROOT = path.join(__dirname, '../..');
let folder: string;
let server: ChildProcess | undefined;
beforeEach(() => {
  folder = tempFolder();
});
afterEach(() => {
  server?.kill('SIGKILL');
  fs.rmSync(folder, { recursive: true, force: true });
});

/** Starts the real server as a process of its own. @returns its address. */
async function startServer(): Promise<string> {
  const started = spawn(process.execPath, [await bundled('server/main.ts')], {
    cwd: ROOT,
    env: { ...process.env, ZEST_DATA: folder, PORT: '0' },
  });
  server = started;
  return new Promise((resolve, reject) => {
    started.stdout.once('data', (chunk: Buffer) => resolve(/http:\S+/.exec(chunk.toString())?.[0] ?? ''));
    started.once('exit', () => reject(new Error('The server ended.')));
  });
}

const send = (url: string, method: string, body: unknown) =>
  fetch(url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

test('killed in the middle of many posts, the server has every event it said it has, once', async () => {
  const athleteId = ulid();
  const plan = planFor(athleteId);
  const runId = plan.id;
  const url = await startServer();
  expect((await send(`${url}/api/runs/${runId}/plan`, 'PUT', plan)).status).toBe(204);

  const eventAt = (atMs: number): RunEvent => ({
    id: ulid(),
    runId,
    deviceId: athleteId,
    atMs,
    type: 'passed',
    athleteId,
    repIndex: 0,
    atM: 400,
  });
  const acknowledged: string[] = [];
  let posts = 0;
  const killer = server;
  const poster = async (): Promise<void> => {
    for (;;) {
      const events = [eventAt(posts), eventAt(posts + 1)];
      posts++;
      // The plug is pulled with posts on their way from all four.
      if (posts === 60) killer?.kill('SIGKILL');
      try {
        const answer = await send(`${url}/api/runs/${runId}/events`, 'POST', { events });
        const { accepted } = (await answer.json()) as { accepted: string[] };
        acknowledged.push(...accepted);
      } catch {
        return;
      }
    }
  };
  await Promise.all([poster(), poster(), poster(), poster()]);
  expect(acknowledged.length).toBeGreaterThan(80);

  const again = await startServer();
  const kept = ((await (await fetch(`${again}/api/runs/${runId}`)).json()) as { events: RunEvent[] }).events.map(
    ({ id }) => id,
  );
  expect(new Set(kept).size).toBe(kept.length);
  expect(acknowledged.filter((id) => !kept.includes(id))).toEqual([]);
});
