import { scryptSync } from 'node:crypto';
import fs from 'node:fs';
import { eq } from 'drizzle-orm';
import { ulid } from 'ulid';
import { LOOP_DEVICE } from '@core/run/chips';
import type { RunEvent } from '@core/run/events';
import { MOST_JOINED } from '@core/run/limits';
import { openPassphrase } from '../accounts/passphrase';
import { openDatabase } from '../db/open';
import { accessTokens, passphrases } from '../db/schema';
import { planFor } from './madeUpPlan';
import { serverForEach, startTestServer, tempFolder } from './testServer';

const PASSPHRASE = 'rain on the back straight';
let nowMs = 1_790_000_000_000;
const athleteId = ulid();
const [mine, other] = [planFor(athleteId), planFor(athleteId)];

const server = serverForEach(() => {
  nowMs = 1_790_000_000_000;
  return startTestServer(tempFolder(), () => nowMs, undefined, {
    passphrase: PASSPHRASE,
    addresses: () => ['http://192.0.2.7:4400'],
  });
});
/** The server once more, locked in another way. */
const lockedAgain = (options: NonNullable<Parameters<typeof startTestServer>[3]>) =>
  server.startAgain((folder) => startTestServer(folder, () => nowMs, undefined, options));

/** A phone of its own, with its cookie. */
class Phone {
  cookie = '';
  device = '';
  readonly id = ulid();
  async call(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
    const answer = await fetch(server.url + path, {
      method,
      headers: {
        ...(method === 'GET' ? {} : { 'content-type': 'application/json' }),
        cookie: [this.cookie, this.device].filter(Boolean).join('; '),
        ...headers,
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const set = answer.headers.getSetCookie();
    for (const cookie of set) {
      const [pair = ''] = cookie.split(';');
      if (pair.startsWith('zest=')) this.cookie = pair;
      else this.device = pair;
    }
    const text = await answer.text();
    return { status: answer.status, body: (text ? JSON.parse(text) : undefined) as Record<string, unknown>, set };
  }
  passphrase(passphrase: string, headers: Record<string, string> = {}) {
    return this.call('POST', '/api/access/passphrase', { passphrase }, headers);
  }
  join(code: unknown, headers: Record<string, string> = {}) {
    return this.call('POST', '/api/access/join', { code, deviceId: this.id }, headers);
  }
  crossed(atMs = 1): RunEvent {
    return { id: ulid(), runId: mine.id, deviceId: this.id, atMs, type: 'crossed' };
  }
  post(...events: RunEvent[]) {
    return this.call('POST', `/api/runs/${mine.id}/events`, { events });
  }
}
const opened = async () => {
  const coach = new Phone();
  await coach.passphrase(PASSPHRASE);
  for (const plan of [mine, other]) await coach.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  return coach;
};
const joined = async (coach: Phone, runId = mine.id) => {
  const { body } = await coach.call('POST', '/api/access/codes', { runId });
  const helper = new Phone();
  return {
    helper,
    code: String(body.code),
    answer: await helper.join(body.code),
  };
};

test('without a cookie only access and health are answered', async () => {
  const nobody = new Phone();
  for (const path of [
    '/api/athletes',
    '/api/squad',
    '/api/sessions',
    '/api/runs',
    '/api/clock',
    '/api/library',
    '/api/no',
  ])
    expect({ path, status: (await nobody.call('GET', path)).status }).toEqual({ path, status: 401 });
  expect((await nobody.post(nobody.crossed())).status).toBe(401);
  expect((await nobody.call('GET', '/api/health')).status).toBe(200);
  expect((await nobody.call('GET', '/api/access')).body).toEqual({ isLocked: true, who: 'nobody' });
  nobody.cookie = 'zest=made-up';
  expect((await nobody.call('GET', '/api/athletes')).status).toBe(401);
});

test('the passphrase gives a cookie that the page cannot read and no other site can send', async () => {
  const coach = new Phone();
  const wrong = await coach.passphrase('sun on the back straight');
  expect(wrong).toMatchObject({ status: 403, body: { error: { code: 'wrong_passphrase' } }, set: [] });
  const right = await coach.passphrase(PASSPHRASE);
  expect(right.status).toBe(204);
  expect(right.set).toHaveLength(2);
  for (const cookie of right.set) expect(cookie).toMatch(/HttpOnly.*SameSite=Strict|SameSite=Strict.*HttpOnly/);
  expect((await coach.call('GET', '/api/athletes')).status).toBe(200);
  expect((await coach.call('GET', '/api/access')).body).toEqual({ isLocked: true, who: 'coach' });
  const kept = coach.cookie;
  expect((await coach.call('DELETE', '/api/access')).status).toBe(204);
  coach.cookie = kept;
  expect((await coach.call('GET', '/api/athletes')).status).toBe(401);
});

test('a cookie expires, and ends with its passphrase; the database holds no secret', async () => {
  const coach = await opened();
  const restarted = async (passphrase: string) => {
    await lockedAgain({ passphrase });
    return (await coach.call('GET', '/api/athletes')).status;
  };
  expect(await restarted(PASSPHRASE)).toBe(200);
  nowMs += 31 * 86_400_000;
  expect((await coach.call('GET', '/api/athletes')).status).toBe(401);
  nowMs -= 31 * 86_400_000;
  expect(await restarted('another one altogether')).toBe(401);
  expect(await restarted(PASSPHRASE)).toBe(401);
  const bytes = fs.readdirSync(server.folder).map((name) => fs.readFileSync(`${server.folder}/${name}`, 'latin1'));
  for (const secret of [PASSPHRASE, coach.cookie.replace('zest=', '')])
    expect(bytes.some((text) => text.includes(secret))).toBe(false);
});

const GUESS = 'a guess at the passphrase';
const exhaust = async (guesser: Phone) => {
  for (let i = 0; i < 10; i++) expect((await guesser.passphrase(GUESS)).status).toBe(403);
  expect(await guesser.passphrase(PASSPHRASE)).toMatchObject({
    status: 429,
    body: { error: { code: 'too_many_guesses' } },
  });
};

test('wrong passphrases and wrong codes are counted separately', async () => {
  const coach = await opened();
  await exhaust(new Phone());
  expect((await joined(coach)).answer.status).toBe(200);
  const guesser = new Phone();
  for (let i = 0; i < 10; i++) expect((await guesser.join('ABCD2345')).status).toBe(403);
  expect((await guesser.join('ABCD2345')).status).toBe(429);
});

test('a device that was let in before gets in with the right passphrase while others at its address have to wait', async () => {
  const coach = await opened();
  await coach.call('DELETE', '/api/access');
  await exhaust(new Phone());
  expect((await new Phone().passphrase(PASSPHRASE)).status).toBe(429);
  expect((await coach.passphrase(GUESS)).status).toBe(403);
  expect((await coach.passphrase(PASSPHRASE)).status).toBe(204);
});

test('an address’s guesses are checked one at a time; the server answers others meanwhile', async () => {
  const coach = await opened();
  let letGo = () => undefined as void;
  const gate = new Promise<void>((resolve) => (letGo = resolve));
  let [underWay, most] = [0, 0];
  const isRight = async () => {
    most = Math.max(most, ++underWay);
    await gate;
    underWay--;
    return false;
  };
  await lockedAgain({ passphrase: { isRight } });
  const answers = Array.from({ length: 9 }, () => new Phone().passphrase(GUESS));
  expect(await Promise.race(answers)).toMatchObject({ status: 429 });
  expect((await coach.call('GET', '/api/athletes')).status).toBe(200);
  letGo();
  const statuses = (await Promise.all(answers)).map(({ status }) => status).sort();
  expect(statuses).toEqual([403, 403, 403, 403, 403, 403, 429, 429, 429]);
  expect(most).toBe(1);
});

test('the passphrase is stored as a scrypt hash, each time with a new salt', async () => {
  const { salt, hash } = server.db.select().from(passphrases).get() ?? { salt: '', hash: '' };
  const bytes = (text: string) => Buffer.from(text, 'base64');
  expect(scryptSync(PASSPHRASE, bytes(salt), 32, { N: 2 ** 10, r: 8, p: 1 }).equals(bytes(hash))).toBe(true);
  const other = openDatabase(tempFolder());
  const asUsual = await openPassphrase(other, PASSPHRASE);
  const kept = other.select().from(passphrases).get() ?? { salt: '', hash: '' };
  expect(kept.salt).not.toBe(salt);
  expect(
    scryptSync(PASSPHRASE, bytes(kept.salt), 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 2 ** 26 }).equals(bytes(kept.hash)),
  ).toBe(true);
  expect([await asUsual.isRight(PASSPHRASE), await asUsual.isRight(GUESS)]).toEqual([true, false]);
  other.$client.close();
});

test('X-Forwarded-For is trusted only for as many proxies as are configured', async () => {
  await exhaust(new Phone());
  // Nobody said that there is a proxy: a made-up address is no way round the limit.
  expect((await new Phone().passphrase(PASSPHRASE, { 'x-forwarded-for': '203.0.113.9' })).status).toBe(429);
  await lockedAgain({ passphrase: PASSPHRASE, proxies: 1, addresses: () => [] });
  const from = (address: string) => ({ 'x-forwarded-for': address });
  for (let i = 0; i < 10; i++) await new Phone().passphrase(GUESS, from('203.0.113.8'));
  expect((await new Phone().passphrase(PASSPHRASE, from('203.0.113.8'))).status).toBe(429);
  const https = await new Phone().passphrase(PASSPHRASE, { ...from('203.0.113.9'), 'x-forwarded-proto': 'https' });
  expect(https.status).toBe(204);
  expect(https.set.every((cookie) => cookie.includes('Secure'))).toBe(true);
});

describe('a code', () => {
  test('lets one phone time one session, and nothing else', async () => {
    const { helper, answer } = await joined(await opened());
    expect(answer).toMatchObject({ status: 200, body: { runId: mine.id } });
    expect((await helper.call('GET', `/api/runs/${mine.id}`)).status).toBe(200);
    expect((await helper.post(helper.crossed())).body).toMatchObject({ refused: [] });
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
      const { status } = await helper.call(method, path, method === 'GET' ? undefined : { events: [helper.crossed()] });
      expect({ method, path, status }).toEqual({ method, path, status: 403 });
    }
  });
  test('is good once, for ten minutes, however it is typed', async () => {
    const coach = await opened();
    const { code, answer } = await joined(coach);
    expect(answer.status).toBe(200);
    expect((await new Phone().join(code)).status).toBe(403);
    const next = await coach.call('POST', '/api/access/codes', { runId: mine.id });
    expect(next.body).toMatchObject({ addresses: ['http://192.0.2.7:4400'], untilMs: nowMs + 600_000 });
    const typed = String(next.body.code).toLowerCase().replace('-', ' ');
    expect((await new Phone().join(typed)).status).toBe(200);
    const old = await coach.call('POST', '/api/access/codes', { runId: mine.id });
    nowMs += 600_001;
    expect((await new Phone().join(old.body.code)).status).toBe(403);
    expect((await coach.call('POST', '/api/access/codes', { runId: ulid() })).status).toBe(404);
  });
});

describe('a helper’s phone', () => {
  const post = (phone: Phone, ...events: RunEvent[]) => phone.post(...events).then(({ body }) => body);
  test('brings its own events only, undoes only what it took, and ends nothing', async () => {
    const coach = await opened();
    const { helper } = await joined(coach);
    const [ofCoach, ofHelper] = [coach.crossed(), helper.crossed()];
    await coach.post(ofCoach);
    const undo = (eventId: string): RunEvent => ({ ...helper.crossed(), type: 'undone', eventId });
    const asCoach = coach.crossed();
    const end: RunEvent = { ...helper.crossed(), type: 'ended' };
    const dayAfter: RunEvent = { ...helper.crossed(), type: 'nextDay', athleteIds: [athleteId], legs: 'sore' };
    const next: RunEvent = { ...helper.crossed(), type: 'nextStep', athleteIds: [athleteId], step: 'on' };
    const shift: RunEvent = { ...helper.crossed(), type: 'shifted', eventId: ofCoach.id, toMs: 5 };
    const [undoCoach, undoOwn, undoUnknown] = [undo(ofCoach.id), undo(ofHelper.id), undo(ulid())];
    expect(await post(helper, ofHelper, asCoach, end, undoCoach, undoOwn, shift, undoUnknown, dayAfter, next)).toEqual({
      accepted: [ofHelper.id, undoOwn.id],
      refused: [asCoach, end, undoCoach, shift, undoUnknown, dayAfter, next].map(({ id }) =>
        expect.objectContaining({ id, code: 'not_for_helper' }),
      ),
    });
    // A coach's phone may do all of it.
    expect(await post(coach, undo(ofHelper.id), { ...end, id: ulid() })).toMatchObject({ refused: [] });
  });
  test('takes nothing away by events that pretend to be the coach’s, sent in one batch with what corrects them', async () => {
    const coach = await opened();
    const { helper } = await joined(coach);
    const started: RunEvent = { ...coach.crossed(), type: 'started', repIndex: 0, athleteIds: [athleteId] };
    const passed: RunEvent = { ...coach.crossed(), type: 'passed', athleteId, repIndex: 0, atM: 400 };
    await coach.post(started, passed);
    const before = (await coach.call('GET', `/api/runs/${mine.id}`)).body;
    // Its own device, the coach's ids: conflicts, which must not count as its own for what follows.
    const pretended = [started, passed].map(({ id }): RunEvent => ({ ...helper.crossed(), id }));
    const undone: RunEvent = { ...helper.crossed(), type: 'undone', eventId: passed.id };
    const shifted: RunEvent = { ...helper.crossed(), type: 'shifted', eventId: started.id, toMs: 1 };
    const answer = await post(helper, ...pretended, undone, shifted);
    expect(answer).toMatchObject({
      accepted: [],
      refused: [{ code: 'conflict' }, { code: 'conflict' }, { code: 'not_for_helper' }, { code: 'not_for_helper' }],
    });
    expect((await coach.call('GET', `/api/runs/${mine.id}`)).body).toEqual(before);
  });
  test('corrects what is its own or the loop’s, names what has no name, and nothing else: every correction × whose', async () => {
    const coach = await opened();
    const { helper } = await joined(coach);
    const corrections = ['undone', 'shifted', 'named'] as const;
    const correct = (by: Phone, type: (typeof corrections)[number], eventId: string): RunEvent => {
      const stamp = by.crossed();
      if (type === 'undone') return { ...stamp, type, eventId };
      if (type === 'shifted') return { ...stamp, type, eventId, toMs: 5 };
      return { ...stamp, type, eventId, athleteId, repIndex: 0, atM: 400 };
    };
    const passedBy = (phone: Phone): RunEvent => ({
      ...phone.crossed(),
      type: 'passed',
      athleteId,
      repIndex: 0,
      atM: 400,
    });
    const namedByCoach = coach.crossed();
    const targets = {
      'own crossing': helper.crossed(),
      'own pass': passedBy(helper),
      'coach’s crossing': coach.crossed(),
      'coach’s pass': passedBy(coach),
      'crossing that the coach named': namedByCoach,
      'loop’s crossing': { ...coach.crossed(), deviceId: LOOP_DEVICE },
    };
    await helper.post(targets['own crossing'], targets['own pass']);
    await coach.post(
      targets['coach’s crossing'],
      targets['coach’s pass'],
      namedByCoach,
      targets['loop’s crossing'],
      correct(coach, 'named', namedByCoach.id),
    );
    const taken: Record<string, string[]> = {};
    for (const [whose, { id }] of Object.entries(targets)) {
      taken[whose] = [];
      for (const type of corrections) {
        const event = correct(helper, type, id);
        const { accepted } = (await post(helper, event)) as { accepted: string[] };
        if (accepted.includes(event.id)) taken[whose].push(type);
      }
    }
    expect(taken).toEqual({
      'own crossing': ['undone', 'shifted', 'named'],
      'own pass': ['undone', 'shifted', 'named'],
      'coach’s crossing': ['named'],
      'coach’s pass': [],
      'crossing that the coach named': [],
      'loop’s crossing': ['undone', 'shifted', 'named'],
    });
  });
  test('brings no more visitors than a session has room for', async () => {
    const coach = await opened();
    const { helper } = await joined(coach);
    const visitor = (): RunEvent => {
      const id = ulid();
      const athlete = { athleteId: id, name: 'V', tileName: 'V', targets: [] };
      return { ...helper.crossed(), type: 'joined', groupId: 'all', athlete };
    };
    const first = Array.from({ length: MOST_JOINED - 1 }, visitor);
    expect(await post(helper, ...first)).toMatchObject({ refused: [] });
    const [last, tooMany] = [visitor(), visitor()];
    expect(await post(helper, last, tooMany)).toMatchObject({
      accepted: [last.id],
      refused: [{ id: tooMany.id, code: 'invalid', message: /room for 60 visitors/ }].map((refused) =>
        expect.objectContaining({ ...refused, message: expect.stringMatching(refused.message) }),
      ),
    });
    // A helper may send an event again that is stored already.
    expect(await post(helper, last)).toMatchObject({ accepted: [last.id] });
  });
  test('reads no notes but its own', async () => {
    const coach = await opened();
    const { helper } = await joined(coach);
    const note = (phone: Phone, text: string): RunEvent => ({
      ...phone.crossed(),
      type: 'noted',
      athleteId,
      repIndex: 0,
      text,
    });
    await coach.post(note(coach, 'knee again'), coach.crossed());
    await helper.post(note(helper, 'lace undone'));
    const { body } = await helper.call('GET', `/api/runs/${mine.id}`);
    expect(JSON.stringify(body)).not.toContain('knee');
    expect(JSON.stringify(body)).toContain('lace');
    expect((body as { events: RunEvent[] }).events).toHaveLength(2);
    expect(JSON.stringify((await coach.call('GET', `/api/runs/${mine.id}`)).body)).toContain('knee');
  });
  test('cannot join under the name of a phone that is the coach’s, and can come back under its own', async () => {
    const coach = await opened();
    await coach.post(coach.crossed());
    const { body } = await coach.call('POST', '/api/access/codes', { runId: mine.id });
    const asCoach = await new Phone().call('POST', '/api/access/join', { code: body.code, deviceId: coach.id });
    expect(asCoach).toMatchObject({ status: 409, body: { error: { code: 'other_device' } } });
    const helper = new Phone();
    expect((await helper.join(body.code)).status).toBe(200);
    await helper.post(helper.crossed());
    const again = await coach.call('POST', '/api/access/codes', { runId: mine.id });
    expect((await helper.join(again.body.code)).status).toBe(200);
    expect((await helper.post(helper.crossed())).body).toMatchObject({ refused: [] });
  });
  test('its cookie lasts as long as its session, and a changed passphrase ends it', async () => {
    const { helper, answer } = await joined(await opened());
    expect(answer.set).toEqual([expect.stringContaining('Max-Age=43200')]);
    await lockedAgain({ passphrase: 'another one altogether' });
    expect((await helper.call('GET', `/api/runs/${mine.id}`)).status).toBe(401);
  });
  test('the number of its events is limited', async () => {
    const coach = await opened();
    const { helper } = await joined(coach);
    server.db.update(accessTokens).set({ events: 9_999 }).where(eq(accessTokens.deviceId, helper.id)).run();
    expect((await helper.post(helper.crossed(), helper.crossed())).status).toBe(429);
    expect((await helper.post(helper.crossed())).status).toBe(200);
    expect((await helper.post(helper.crossed())).status).toBe(429);
    expect((await coach.post(coach.crossed())).status).toBe(200);
  });
  test('ending it ends its stream, and one phone has a limited number of them', async () => {
    const { helper } = await joined(await opened());
    const open = () => fetch(`${server.url}/api/runs/${mine.id}/live`, { headers: { cookie: helper.cookie } });
    const lines = await Promise.all(Array.from({ length: 6 }, open));
    expect(lines.map(({ status }) => status)).toEqual(Array(6).fill(200));
    expect((await open()).status).toBe(503);
    const ended = Promise.all(lines.map((line) => line.text()));
    await helper.call('DELETE', '/api/access');
    expect(await ended).toEqual(Array(6).fill(': open\n\n'));
  });
});

test('unlocked, on this machine only, everything is the coach’s', async () => {
  const open = await startTestServer();
  expect((await open.call('GET', '/api/access')).body).toEqual({ isLocked: false, who: 'coach' });
  expect((await open.call('POST', '/api/access/passphrase', { passphrase: 'anything at all' })).status).toBe(403);
  await open.stop();
  fs.rmSync(open.folder, { recursive: true });
});
