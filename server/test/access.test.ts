import fs from 'node:fs';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/trackside/events';
import { planFor } from './madeUpPlan';
import { startTestServer, tempFolder, type TestServer } from './testServer';

const PASSPHRASE = 'rain on the back straight';
let nowMs = 1_790_000_000_000;
let server: TestServer;
const athleteId = ulid();
const [mine, other] = [planFor(athleteId), planFor(athleteId)];

beforeEach(async () => {
  nowMs = 1_790_000_000_000;
  server = await startTestServer(tempFolder(), () => nowMs, undefined, {
    passphrase: PASSPHRASE,
    addresses: () => ['http://192.0.2.7:4400'],
  });
});
afterEach(async () => {
  await server.stop();
  fs.rmSync(server.folder, { recursive: true });
});

/** A phone of its own, with its cookie. */
class Phone {
  cookie = '';
  async call(method: string, path: string, body?: unknown) {
    const answer = await fetch(server.url + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(this.cookie ? { cookie: this.cookie } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const set = answer.headers.get('set-cookie');
    if (set) this.cookie = set.split(';')[0] ?? '';
    const text = await answer.text();
    return { status: answer.status, body: (text ? JSON.parse(text) : undefined) as Record<string, unknown>, set };
  }
}
const opened = async () => {
  const coach = new Phone();
  await coach.call('POST', '/api/access/passphrase', { passphrase: PASSPHRASE });
  for (const plan of [mine, other]) await coach.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  return coach;
};
const joined = async (coach: Phone, runId = mine.id) => {
  const { body } = await coach.call('POST', '/api/access/codes', { runId });
  const helper = new Phone();
  return {
    helper,
    code: String(body.code),
    answer: await helper.call('POST', '/api/access/join', { code: body.code }),
  };
};
const finish: RunEvent = { id: ulid(), runId: mine.id, deviceId: ulid(), atMs: 1, type: 'crossed' };

test('without a cookie nothing is answered but who one is, and how the server is', async () => {
  const nobody = new Phone();
  for (const path of [
    '/api/athletes',
    '/api/squad',
    '/api/sessions',
    '/api/runs',
    '/api/clock',
    '/api/book',
    '/api/no',
  ])
    expect({ path, status: (await nobody.call('GET', path)).status }).toEqual({ path, status: 401 });
  expect((await nobody.call('POST', `/api/runs/${mine.id}/events`, { events: [finish] })).status).toBe(401);
  expect((await nobody.call('GET', '/api/health')).status).toBe(200);
  expect((await nobody.call('GET', '/api/access')).body).toEqual({ isLocked: true, who: 'nobody' });
  nobody.cookie = 'zest=made-up';
  expect((await nobody.call('GET', '/api/athletes')).status).toBe(401);
});

test('the passphrase gives a cookie that the page cannot read and no other site can send', async () => {
  const coach = new Phone();
  const wrong = await coach.call('POST', '/api/access/passphrase', { passphrase: 'sun on the back straight' });
  expect(wrong).toMatchObject({ status: 403, body: { error: { code: 'wrong_passphrase' } }, set: null });
  const right = await coach.call('POST', '/api/access/passphrase', { passphrase: PASSPHRASE });
  expect(right.status).toBe(204);
  expect(right.set).toMatch(/HttpOnly/);
  expect(right.set).toMatch(/SameSite=Strict/);
  expect((await coach.call('GET', '/api/athletes')).status).toBe(200);
  expect((await coach.call('GET', '/api/access')).body).toEqual({ isLocked: true, who: 'coach' });
  const kept = coach.cookie;
  expect((await coach.call('DELETE', '/api/access')).status).toBe(204);
  coach.cookie = kept;
  expect((await coach.call('GET', '/api/athletes')).status).toBe(401);
});

test('a cookie is worth nothing after its days, or under another passphrase; the database holds no secret', async () => {
  const coach = await opened();
  const restarted = async (passphrase: string) => {
    await server.stop();
    server = await startTestServer(server.folder, () => nowMs, undefined, { passphrase });
    return (await coach.call('GET', '/api/athletes')).status;
  };
  expect(await restarted('another one altogether')).toBe(401);
  expect(await restarted(PASSPHRASE)).toBe(200);
  nowMs += 31 * 86_400_000;
  expect((await coach.call('GET', '/api/athletes')).status).toBe(401);
  const bytes = fs.readdirSync(server.folder).map((name) => fs.readFileSync(`${server.folder}/${name}`, 'latin1'));
  for (const secret of [PASSPHRASE, coach.cookie.replace('zest=', '')])
    expect(bytes.some((text) => text.includes(secret))).toBe(false);
});

test('guesses are counted: after ten from one place no more are heard, the right one neither', async () => {
  const guesser = new Phone();
  const guess = (passphrase: string) => guesser.call('POST', '/api/access/passphrase', { passphrase });
  for (let i = 0; i < 10; i++) expect((await guess(`guess number ${i}`)).status).toBe(403);
  expect(await guess(PASSPHRASE)).toMatchObject({ status: 429, body: { error: { code: 'too_many_guesses' } } });
  expect((await guesser.call('POST', '/api/access/join', { code: 'ABCD2345' })).status).toBe(429);
});

describe('a code', () => {
  test('lets one phone time one session, and nothing else', async () => {
    const { helper, answer } = await joined(await opened());
    expect(answer).toMatchObject({ status: 200, body: { runId: mine.id } });
    expect((await helper.call('GET', `/api/runs/${mine.id}`)).status).toBe(200);
    expect((await helper.call('POST', `/api/runs/${mine.id}/events`, { events: [finish] })).status).toBe(200);
    expect((await helper.call('GET', '/api/clock')).status).toBe(200);
    expect((await helper.call('GET', '/api/access')).body).toMatchObject({ who: 'helper', runId: mine.id });
    for (const [method, path] of [
      ['GET', `/api/runs/${other.id}`],
      ['POST', `/api/runs/${other.id}/events`],
      ['GET', '/api/runs'],
      ['GET', '/api/athletes'],
      ['GET', `/api/athletes/${athleteId}/file`],
      ['GET', '/api/sessions'],
      ['PUT', `/api/runs/${mine.id}/plan`],
      ['POST', '/api/access/codes'],
      ['POST', `/api/athletes/${athleteId}/erase`],
    ] as const) {
      const { status } = await helper.call(method, path, method === 'GET' ? undefined : { events: [finish] });
      expect({ method, path, status }).toEqual({ method, path, status: 403 });
    }
  });
  test('is good once, for ten minutes, however it is typed', async () => {
    const coach = await opened();
    const { code, answer } = await joined(coach);
    expect(answer.status).toBe(200);
    expect((await new Phone().call('POST', '/api/access/join', { code })).status).toBe(403);
    const next = await coach.call('POST', '/api/access/codes', { runId: mine.id });
    expect(next.body).toMatchObject({ addresses: ['http://192.0.2.7:4400'], untilMs: nowMs + 600_000 });
    const typed = String(next.body.code).toLowerCase().replace('-', ' ');
    expect((await new Phone().call('POST', '/api/access/join', { code: typed })).status).toBe(200);
    const old = await coach.call('POST', '/api/access/codes', { runId: mine.id });
    nowMs += 600_001;
    expect((await new Phone().call('POST', '/api/access/join', { code: old.body.code })).status).toBe(403);
    expect((await coach.call('POST', '/api/access/codes', { runId: ulid() })).status).toBe(404);
  });
});

test('unlocked, on this machine only, everything is the coach’s', async () => {
  const open = await startTestServer();
  expect((await open.call('GET', '/api/access')).body).toEqual({ isLocked: false, who: 'coach' });
  expect((await open.call('POST', '/api/access/passphrase', { passphrase: 'anything at all' })).status).toBe(403);
  await open.stop();
  fs.rmSync(open.folder, { recursive: true });
});
