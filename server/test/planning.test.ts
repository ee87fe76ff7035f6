import fs from 'node:fs';
import http, { type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { ulid } from 'ulid';
import { serveWeather } from '@devices/weather/serve';
import type { DayPlan } from '@core/planning/dayPlan';
import { putAthlete } from './athletes';
import { serverForEach, startTestServer, tempFolder, type TestServer } from './testServer';

const server = serverForEach();

const reps = { title: 'Reps', date: '2026-10-20', shorthand: '6x400 @5k / 90s' };
const put = async (body: object = reps) => {
  const id = ulid();
  expect((await server.call('PUT', `/api/sessions/${id}`, body)).status).toBe(200);
  return id;
};
const stored = async (id: string) =>
  ((await server.call('GET', '/api/sessions/days?from=1900-01-01')).body as { id: string; plan?: DayPlan }[]).find(
    (session) => session.id === id,
  );

describe('the plan of a day', () => {
  const plan: DayPlan = {
    venueId: 'indoor-200',
    changes: [{ whom: { kind: 'all' }, path: [0, 0], wrote: '6x400 @5k / 90s', set: { kind: 'count', n: 5 } }],
  };
  test('is kept with its session; writing and planning leave each other alone', async () => {
    const id = await put();
    expect(await stored(id)).not.toHaveProperty('plan');
    expect(await server.call('PUT', `/api/sessions/${id}/plan`, plan)).toEqual({ status: 200, body: plan });
    await server.call('PUT', `/api/sessions/${id}`, { ...reps, shorthand: '5x400 @5k / 90s' });
    expect(await stored(id)).toMatchObject({ shorthand: '5x400 @5k / 90s', plan });
    await server.call('PUT', `/api/sessions/${id}/plan`, {});
    expect(await stored(id)).toMatchObject({ shorthand: '5x400 @5k / 90s', plan: {} });
  });
  test('comes back with a removed session', async () => {
    const id = await put();
    await server.call('PUT', `/api/sessions/${id}/plan`, plan);
    await server.call('DELETE', `/api/sessions/${id}`);
    expect((await server.call('PUT', `/api/sessions/${id}/plan`, {})).status).toBe(404);
    await server.call('POST', `/api/sessions/${id}/restore`);
    expect(await stored(id)).toMatchObject({ plan });
  });
  test('nonsense is refused by name, and what was kept stays', async () => {
    const id = await put();
    await server.call('PUT', `/api/sessions/${id}/plan`, plan);
    const wrong = { ...plan, changes: [{ ...plan.changes?.[0], set: { kind: 'count', n: -1 } }] };
    expect(await server.call('PUT', `/api/sessions/${id}/plan`, wrong)).toMatchObject({
      status: 400,
      body: { error: { code: 'invalid', field: 'changes[0].set.n', message: expect.stringMatching(/from 1 to 100/) } },
    });
    expect(await stored(id)).toMatchObject({ plan });
    expect((await server.call('PUT', `/api/sessions/${ulid()}/plan`, plan)).status).toBe(404);
    expect((await server.call('PUT', '/api/sessions/nothing/plan', plan)).status).toBe(400);
    // A plan is not smuggled in with the text.
    expect((await server.call('PUT', `/api/sessions/${id}`, { ...reps, plan })).status).toBe(400);
  });
  test('has nothing left in it of an athlete who is erased', async () => {
    const [gone, other] = [ulid(), ulid()];
    for (const [athleteId, name] of [
      [gone, 'Ann'],
      [other, 'Bob'],
    ] as const)
      await putAthlete(server, athleteId, { name, marks: [] });
    const id = await put();
    const whose = (athleteId: string) => ({
      whom: { kind: 'athlete', athleteId },
      path: [0, 0],
      wrote: '6x400 @5k / 90s',
      set: { kind: 'count', n: 4 },
    });
    await server.call('PUT', `/api/sessions/${id}/plan`, {
      taking: { [gone]: true, [other]: false },
      groups: [{ id: ulid(), name: 'X', athleteIds: [gone, other], leaderId: gone }],
      changes: [whose(gone), whose(other)],
    });
    const { body } = await server.call('GET', `/api/athletes/${gone}/file`);
    expect(body).toMatchObject({
      plans: [{ title: 'Reps', plan: { takesPart: true, group: 'X', leads: true, changes: [whose(gone)] } }],
    });
    expect(JSON.stringify(body)).not.toContain(other);
    expect((await server.call('POST', `/api/athletes/${gone}/erase`)).status).toBe(204);
    const left = JSON.stringify((await stored(id))?.plan);
    expect(left).not.toContain(gone);
    expect(left).toContain(other);
  });
});

describe('places', () => {
  const loop = { name: 'Mill loop', shape: 'lap', lengthM: 820, marks: [{ atM: 300, name: 'oak' }] };
  test('are kept, changed, removed and brought back', async () => {
    const id = ulid();
    expect(await server.call('PUT', `/api/venues/${id}`, loop)).toEqual({ status: 200, body: { id, ...loop } });
    await server.call('PUT', `/api/venues/${id}`, { ...loop, lengthM: 830 });
    expect((await server.call('GET', '/api/venues')).body).toEqual([{ id, ...loop, lengthM: 830 }]);
    expect((await server.call('DELETE', `/api/venues/${id}`)).status).toBe(204);
    expect((await server.call('GET', '/api/venues')).body).toEqual([]);
    expect((await server.call('DELETE', `/api/venues/${id}`)).status).toBe(404);
    expect((await server.call('POST', `/api/venues/${id}/restore`)).status).toBe(204);
    expect((await server.call('GET', '/api/venues')).body).toHaveLength(1);
    expect((await server.call('POST', `/api/venues/${id}/restore`)).status).toBe(404);
  });
  test('with a mark outside the lap are refused', async () => {
    expect(
      await server.call('PUT', `/api/venues/${ulid()}`, { ...loop, marks: [{ atM: 900, name: 'pond' }] }),
    ).toMatchObject({
      status: 400,
      body: { error: { message: '“pond” is at 900 m, but the lap is only 820 m long.' } },
    });
  });
});

test('the club’s heat limits are the squad’s, and can be given back', async () => {
  const change = (heat: object | null) => server.call('POST', '/api/squad/changes', { heat });
  expect((await change({ careC: 24, hardC: 30 })).status).toBe(204);
  expect((await server.call('GET', '/api/squad')).body).toMatchObject({ heat: { careC: 24, hardC: 30 } });
  expect(await change({ careC: 34, hardC: 30 })).toMatchObject({
    status: 400,
    body: { error: { message: expect.stringMatching(/cannot be above/) } },
  });
  expect(await change({ careC: 4, hardC: 30 })).toMatchObject({
    status: 400,
    body: { error: { message: 'The limit for care has to be between 15 and 60 °C.' } },
  });
  expect((await change(null)).status).toBe(204);
  expect((await server.call('GET', '/api/squad')).body).not.toHaveProperty('heat');
});

describe('the weather', () => {
  const ask = (server: TestServer, query = 'date=2027-06-01&time=17:45') => server.call('GET', `/api/weather?${query}`);
  /** Asks a server whose weather service is this. */
  const asked = async (listener: RequestListener) => {
    const service = http.createServer(listener).listen(0, '127.0.0.1');
    await new Promise((resolve) => service.once('listening', resolve));
    const { port } = service.address() as AddressInfo;
    const server = await startTestServer(tempFolder(), undefined, `http://127.0.0.1:${port}`);
    const answer = await ask(server);
    await server.stop();
    fs.rmSync(server.folder, { recursive: true });
    service.closeAllConnections();
    await new Promise((resolve) => service.close(resolve));
    return answer;
  };
  const answers =
    (body: string, status = 200): RequestListener =>
    (_req, res) => {
      res.writeHead(status, { 'content-type': 'application/json' });
      res.end(body);
    };
  const NOTHING = { status: 204, body: undefined };

  test('is that of the service; what else it says is passed over', async () => {
    const service = await serveWeather();
    const server = await startTestServer(tempFolder(), undefined, service.url);
    const { status, body } = await ask(server);
    expect(status).toBe(200);
    expect(Object.keys(body as object).sort()).toEqual(['humidityPct', 'temperatureC', 'windMps']);
    await server.stop();
    service.stop();
    fs.rmSync(server.folder, { recursive: true });
  });
  test('is not known without a service, and that is no error', async () => {
    expect(await ask(server)).toEqual(NOTHING);
    const away = await startTestServer(tempFolder(), undefined, 'http://127.0.0.1:1');
    expect(await ask(away)).toEqual(NOTHING);
    await away.stop();
    fs.rmSync(away.folder, { recursive: true });
  });
  test.each([
    ['rubbish', answers('<html>')],
    ['something else', answers('{"hello":1}')],
    ['nothing', answers('')],
    ['null', answers('null')],
    ['weather that cannot be', answers('{"temperatureC":400,"humidityPct":50}')],
    ['numbers as text', answers('{"temperatureC":"20","humidityPct":"50"}')],
    ['a failure', answers('{"temperatureC":20,"humidityPct":50}', 500)],
    ['a way to elsewhere', (_req, res) => void res.writeHead(302, { location: 'http://127.0.0.1:1/' }).end()],
    ['a flood', answers(`{"temperatureC":20,"humidityPct":50,"x":"${'x'.repeat(1_000_000)}"}`)],
    ['a broken line', (req) => void req.socket.destroy()],
  ] as [string, RequestListener][])('is not known when the service answers %s', async (_what, listener) => {
    expect(await asked(listener)).toEqual(NOTHING);
  });
  test('is not known when the service hangs, before or in the middle of its answer', async () => {
    expect(await asked(() => undefined)).toEqual(NOTHING);
    expect(await asked((_req, res) => void res.writeHead(200).write('{"temperatureC":'))).toEqual(NOTHING);
  });
  test('is asked for with a valid day and time', async () => {
    expect((await ask(server, 'date=soon&time=17:45')).status).toBe(400);
    expect((await ask(server, 'date=2027-06-01')).status).toBe(400);
    expect((await ask(server, 'date=2027-06-01&time=17:45&url=http://elsewhere')).status).toBe(400);
  });
});
