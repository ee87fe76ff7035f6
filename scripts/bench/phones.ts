import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { report } from './measure';
import { serverWith } from './squadServer';

const PHONES = 50;
const PER_S = 5;
const SECONDS = 60;

/** Fifty phones that post five events a second each to one server on this machine, for a minute; some look on. */
export async function phones(): Promise<void> {
  const app = await serverWith([]);
  const runId = ulid();
  const athleteId = ulid();
  const send = (method: string, path: string, body: object) =>
    fetch(`${app.url}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('PUT', `runs/${runId}/plan`, {
    id: runId,
    sessionId: ulid(),
    title: 'Bench',
    date: '2026-11-01',
    shorthand: '400',
    groups: [
      {
        id: 'all',
        name: 'Everyone',
        reps: [{ role: 'main', distanceM: 400, callM: [400] }],
        athletes: [{ athleteId, name: 'A', tileName: 'A', targets: [{}] }],
      },
    ],
  });
  const looking = new AbortController();
  for (let i = 0; i < 10; i++)
    void fetch(`${app.url}/api/runs/${runId}/live`, { signal: looking.signal })
      .then((answer) => answer.body?.pipeTo(new WritableStream()))
      .catch(() => undefined);
  const baseline: number[] = [];
  for (let i = 0; i < 200; i++) {
    const startMs = performance.now();
    await (await fetch(`${app.url}/api/health`)).text();
    baseline.push(performance.now() - startMs);
  }
  const took: number[] = [];
  const sent: string[] = [];
  const phone = async (deviceId: string, afterMs: number) => {
    await new Promise((resolve) => setTimeout(resolve, afterMs));
    const startMs = performance.now();
    for (let i = 0; i < PER_S * SECONDS; i++) {
      const waitMs = startMs + (i * 1000) / PER_S - performance.now();
      if (waitMs > 0) await new Promise((resolve) => setTimeout(resolve, waitMs));
      const event: RunEvent = { id: ulid(), runId, deviceId, atMs: Date.now(), type: 'crossed' };
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
  report(`${PHONES} phones, ${PER_S} events a second each for ${SECONDS} s: a post`, took, {
    limitMs: 100,
    against: ['one asking how the server is, alone', baseline],
  });
  console.log(
    `  acknowledged ${sent.length} of ${PHONES * PER_S * SECONDS}; kept ${events.length}, each once: ${ids.size === events.length && sent.every((id) => ids.has(id))}`,
  );
  await app.close();
}
