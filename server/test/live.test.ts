import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { Hub } from '../live/hub';
import { planFor } from './madeUpPlan';
import { serverForEach, startTestServer, tempFolder } from './testServer';

const server = serverForEach(() => startTestServer(tempFolder(), undefined, undefined, { hub: new Hub(2) }));
const plan = planFor(ulid());
const crossed = (): RunEvent => ({ id: ulid(), runId: plan.id, deviceId: ulid(), atMs: 1, type: 'crossed' });
const send = (...events: RunEvent[]) => server.call('POST', `/api/runs/${plan.id}/events`, { events });

beforeEach(async () => {
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
});

/** Looks on at the session: gives what comes in, one message after the other. */
async function lookOn(query = '') {
  const stop = new AbortController();
  const answer = await fetch(`${server.url}/api/runs/${plan.id}/live${query}`, { signal: stop.signal });
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
  let waiting = '';
  return {
    status: answer.status,
    async next(): Promise<string[]> {
      while (!/\n\n/.test(waiting)) waiting += (await reader?.read())?.value ?? '\n\n';
      const [message = '', ...rest] = waiting.split('\n\n');
      waiting = rest.join('\n\n');
      if (!message.startsWith('data: ')) return this.next();
      return (JSON.parse(message.slice(6)) as { events: RunEvent[] }).events.map(({ id }) => id);
    },
    stop: () => stop.abort(),
  };
}

test('other phones receive what one sends, each event once, and only new ones', async () => {
  const [first, two] = [await lookOn(), await lookOn()];
  const [a, b, c] = [crossed(), crossed(), crossed()];
  await send(a, b);
  await send(b, c, c);
  for (const phone of [first, two]) {
    expect(await phone.next()).toEqual([a.id, b.id]);
    expect(await phone.next()).toEqual([c.id]);
    phone.stop();
  }
});

test('a phone is not sent its own events', async () => {
  const [mine, theirs] = [crossed(), crossed()];
  const phone = await lookOn(`?device=${mine.deviceId}`);
  await send(mine);
  await send(theirs);
  expect(await phone.next()).toEqual([theirs.id]);
  phone.stop();
});

test('the number of followers is limited; one that leaves makes room', async () => {
  const [first] = [await lookOn(), await lookOn()];
  expect((await server.call('GET', `/api/runs/${plan.id}/live`)).status).toBe(503);
  first.stop();
  let status = 503;
  // The server hears of the end when the line has closed.
  for (let i = 0; i < 100 && status === 503; i++) {
    const again = await lookOn();
    ({ status } = again);
    again.stop();
  }
  expect(status).toBe(200);
});

test('an unknown session has no stream', async () =>
  expect((await server.call('GET', `/api/runs/${ulid()}/live`)).status).toBe(404));

test('the server says what time it is', async () =>
  expect((await server.call('GET', '/api/clock')).body).toEqual({ nowMs: 1_800_000_000_000 }));
