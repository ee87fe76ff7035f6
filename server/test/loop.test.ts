import { spawn } from 'node:child_process';
import net from 'node:net';
import pino from 'pino';
import { ulid } from 'ulid';
import { LOOP_DEVICE } from '@core/run/chips';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { replay } from '@core/run/replay';
import { readRun } from '../db/storedRun';
import { runs } from '../db/schema';
import { Hub } from '../live/hub';
import { Intake } from '../loop/intake';
import { Lines } from '../loop/lines';
import { type LIMITS, serveLoop } from '../loop/serve';
import { Turns } from '../loop/turns';
import { bundled } from './bundle';
import { serverForEach, startTestServer, tempFolder } from './testServer';

/** A module as it is, but that one of its functions can be asked how often it was called. */
function mockWatched(module: string, name: string) {
  const real = jest.requireActual<Record<string, (...args: unknown[]) => unknown>>(module);
  return { ...real, [name]: jest.fn(real[name]) };
}
jest.mock('@core/run/replay', () => mockWatched('@core/run/replay', 'replay'));
jest.mock('../db/storedRun', () => mockWatched('../db/storedRun', 'readRun'));

const NOW = 1_790_000_000_000;
let loop: Awaited<ReturnType<typeof serveLoop>>;
let listen: (limits?: Partial<typeof LIMITS>, clockMs?: () => number) => ReturnType<typeof serveLoop>;
const athleteId = ulid();
const plan: Plan = {
  id: ulid(),
  sessionId: ulid(),
  title: 'Reps',
  date: '2026-10-20',
  shorthand: '2x400 @5k / 60s',
  lapM: 400,
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: [
        { role: 'main', distanceM: 400, startM: 0, callM: [200, 400] },
        { role: 'main', distanceM: 400, startM: 0, callM: [200, 400] },
      ],
      athletes: [
        { athleteId, name: 'Ada', tileName: 'Ada', chip: 'ZL-01', targets: [{ targetS: 88 }, { targetS: 88 }] },
      ],
    },
  ],
};
const started: RunEvent = {
  id: ulid(),
  runId: plan.id,
  deviceId: ulid(),
  atMs: NOW,
  type: 'started',
  repIndex: 0,
  athleteIds: [athleteId],
};

let hub = new Hub();
// These run in the order they are written: the loop has to stop before its server.
afterEach(() => loop.stop());
const server = serverForEach(() => {
  hub = new Hub();
  return startTestServer(tempFolder(), () => NOW, undefined, { hub });
});
beforeEach(async () => {
  listen = (limits, clockMs) =>
    serveLoop(new Intake(server.db, hub, () => NOW), 0, pino({ enabled: false }), limits, clockMs);
  loop = await listen();
});

/** A device on the line: says something, and waits for as many answers. */
class Device {
  private said = '';
  private constructor(readonly socket: net.Socket) {
    socket.setEncoding('utf8').on('data', (chunk: string) => (this.said += chunk));
  }
  static connect(): Promise<Device> {
    return new Promise((resolve, reject) => {
      const socket = net.connect(loop.port, '127.0.0.1', () => resolve(new Device(socket)));
      socket.once('error', reject);
    });
  }
  async answers(count: number): Promise<unknown[]> {
    while (this.said.split('\n').length - 1 < count) await new Promise((resolve) => this.socket.once('data', resolve));
    return this.said
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown);
  }
  async say(...lines: (object | string)[]): Promise<unknown[]> {
    this.said = '';
    this.socket.write(lines.map((line) => `${typeof line === 'string' ? line : JSON.stringify(line)}\n`).join(''));
    return this.answers(lines.length);
  }
}
const passing = (atS: number, chip = 'ZL-01') => ({ type: 'passing', chip, atMs: NOW + atS * 1000 });
const underWay = async () => {
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  await server.call('POST', `/api/runs/${plan.id}/events`, { events: [started] });
};
const log = async () =>
  ((await server.call('GET', `/api/runs/${plan.id}`)).body as { events: RunEvent[] }).events.filter(
    ({ deviceId }) => deviceId === LOOP_DEVICE,
  );

test('a passing is a time of the session under way; the start, a second shoe and the jog after are not', async () => {
  await underWay();
  const device = await Device.connect();
  expect(
    await device.say({ ...passing(0.8), seq: 1 }, { ...passing(88.5), seq: 2 }, passing(88.6), passing(140)),
  ).toEqual([{ took: 'start', seq: 1 }, { took: 'mark', seq: 2 }, { took: 'again' }, { took: 'resting' }]);
  expect(await log()).toEqual([
    expect.objectContaining({ type: 'passed', athleteId, repIndex: 0, atM: 400, atMs: NOW + 88_500 }),
  ]);
  expect(await device.say({ type: 'pulse', chip: 'ZL-01', atMs: NOW + 95_000, beatsPerMin: 176 })).toEqual([
    { took: 'pulse' },
  ]);
  expect((await log()).map(({ type }) => type)).toEqual(['passed', 'pulse']);
});

test('a chip of nobody is a time without a name; without a session under way it is nobody’s', async () => {
  const device = await Device.connect();
  expect(await device.say(passing(10))).toEqual([{ took: 'nobody' }]);
  await underWay();
  expect(await device.say(passing(50, 'STRAY'), passing(50, 'STRAY'))).toEqual([
    { took: 'unnamed' },
    { took: 'again' },
  ]);
  expect(await log()).toEqual([expect.objectContaining({ type: 'crossed', chip: 'STRAY' })]);
});

test('rubbish is answered with the reason and skipped; what follows is taken', async () => {
  await underWay();
  const device = await Device.connect();
  const answers = await device.say(
    '{"type":"passing"}',
    'what',
    '[]',
    { ...passing(88), atMs: 'soon' },
    { ...passing(88), chip: 'no spaces here' },
    { type: 'flying', chip: 'ZL-01', atMs: 1 },
    { ...passing(88), shoe: 'left' },
    { type: 'pulse', chip: 'ZL-01', atMs: 1, beatsPerMin: 900 },
    passing(88),
  );
  expect(answers.slice(0, -1).every((answer) => (answer as { error?: { message: string } }).error?.message)).toBe(true);
  expect(answers[3]).toMatchObject({ error: { code: 'invalid', field: 'atMs' } });
  expect(answers.at(-1)).toEqual({ took: 'mark' });
});

test('what does not begin as a timing loop is closed at once, and nothing behind its first line is read', async () => {
  await underWay();
  for (const first of ['POST / HTTP/1.1', 'GET /?{"type":"passing"} HTTP/1.1', '[]', '7', '\u0016\u0003\u0001']) {
    const device = await Device.connect();
    const closed = new Promise((resolve) => device.socket.once('close', resolve));
    device.socket.write(`${first}\r\n\r\n${JSON.stringify(passing(88))}\n${JSON.stringify(passing(89))}\n`);
    expect(await device.answers(1)).toMatchObject([{ error: { code: 'not_a_loop' } }]);
    await closed;
  }
  // A page in a browser can do no more.
  await fetch(`http://127.0.0.1:${loop.port}/`, { method: 'POST', body: `\n${JSON.stringify(passing(88))}\n` }).catch(
    () => undefined,
  );
  expect(await log()).toEqual([]);
  const device = await Device.connect();
  expect(await device.say(passing(88))).toEqual([{ took: 'mark' }]);
});

test('a line of a megabyte is not kept in memory, and the next one is read', async () => {
  await underWay();
  const device = await Device.connect();
  const answers = await device.say(passing(300, 'STRAY'), 'x'.repeat(1_000_000), passing(88));
  expect(answers).toEqual([
    { took: 'unnamed' },
    { error: expect.objectContaining({ code: 'too_long' }) },
    { took: 'mark' },
  ]);
});

test('a flooding device is slowed down and loses nothing; one that stops mid-line disturbs nobody', async () => {
  await underWay();
  const hanging = await Device.connect();
  hanging.socket.write('{"type":"pass');
  const other = await Device.connect();
  expect(await other.say(passing(88))).toEqual([{ took: 'mark' }]);
  const flooding = await Device.connect();
  const lines = Array.from({ length: 150 }, (_, i) => ({ ...passing(300 + i, 'ZL-01'), seq: i + 1 }));
  const answers = flooding.say(...lines);
  expect(await other.say(passing(300, 'STRAY'))).toEqual([{ took: 'unnamed' }]);
  expect(await answers).toHaveLength(150);
  hanging.socket.destroy();
  expect(await log()).toHaveLength(2);
});

test('the number of devices is limited; refused ones are closed at once, and may disconnect in any way', async () => {
  const devices = await Promise.all(Array.from({ length: 8 }, () => Device.connect()));
  const refused = await Device.connect();
  const closed = new Promise((resolve) => refused.socket.once('close', resolve));
  expect(await refused.answers(1)).toEqual([{ error: expect.objectContaining({ code: 'busy' }) }]);
  await closed;
  for (let i = 0; i < 20; i++) (await Device.connect()).socket.resetAndDestroy();
  for (const { socket } of devices.splice(0, 2)) {
    socket.write('{"type":"pass');
    socket.resetAndDestroy();
  }
  expect(await devices[0]?.say({ type: 'what' })).toEqual([{ error: expect.objectContaining({ code: 'invalid' }) }]);
  const place = async (): Promise<Device> => {
    const device = await Device.connect();
    const [answer] = await device.say({ type: 'what' }).catch(() => []);
    return JSON.stringify(answer).includes('invalid') ? device : place();
  };
  expect((await place()).socket.destroyed).toBe(false);
});

test('silent and half-open devices lose their place after a while; an empty line keeps it', async () => {
  let clockMs = 0;
  await loop.stop();
  loop = await listen({ firstLineMs: 30, silentMs: 90 }, () => clockMs);
  const [silent, hanging, alive] = [await Device.connect(), await Device.connect(), await Device.connect()];
  hanging.socket.write('{"type":"passing","chip":');
  await alive.say({ type: 'what' });
  const gone = Promise.all(
    [silent, hanging].map(({ socket }) => new Promise((resolve) => socket.once('close', resolve))),
  );
  clockMs = 31;
  await gone;
  clockMs = 80;
  alive.socket.write('\n');
  await alive.say({ type: 'what' });
  clockMs = 150;
  expect(await alive.say({ type: 'what' })).toHaveLength(1);
  const aliveGone = new Promise((resolve) => alive.socket.once('close', resolve));
  clockMs = 241;
  await aliveGone;
});

test('a flood is taken in turns, one line of each device, within a share of the time', () => {
  let clockMs = 0;
  const timers: { run: () => void; afterMs: number }[] = [];
  const setTimer = jest
    .spyOn(global, 'setTimeout')
    .mockImplementation(((run: () => void, afterMs: number) => timers.push({ run, afterMs })) as never);
  const done: string[] = [];
  const worker = (name: string, lines: number) => ({
    hasWork: () => lines > 0,
    next: () => {
      lines--;
      clockMs += 2;
      done.push(name);
    },
  });
  const turns = new Turns(() => clockMs);
  turns.ask(worker('flood', 1000));
  turns.ask(worker('coach', 1));
  setTimer.mockRestore();
  expect(done).toEqual(['flood', 'flood', 'flood']);
  // Six milliseconds were used, so that it rests for twice as long.
  expect(timers).toEqual([{ run: expect.any(Function), afterMs: 12 }]);
  jest.spyOn(global, 'setTimeout').mockImplementationOnce((() => 0) as never);
  timers[0]?.run();
  expect(done.slice(3)).toEqual(['flood', 'coach', 'flood']);
  turns.stop();
});

test('a device that sends line after line has to rest in between too, however fast each is handled', () => {
  let clockMs = 0;
  const timers: (() => void)[] = [];
  const setTimer = jest
    .spyOn(global, 'setTimeout')
    .mockImplementation(((run: () => void) => timers.push(run)) as never);
  let [lines, done] = [0, 0];
  const worker = {
    hasWork: () => lines > 0,
    next: () => {
      lines--;
      done++;
      clockMs += 2;
    },
  };
  const turns = new Turns(() => clockMs);
  for (let i = 0; i < 100; i++) {
    lines++;
    turns.ask(worker);
  }
  setTimer.mockRestore();
  expect({ done, timers: timers.length }).toEqual({ done: 1, timers: 1 });
  turns.stop();
});

test('a flood from one device is replayed incrementally: nothing is read or computed twice', async () => {
  await underWay();
  const device = await Device.connect();
  await device.say(passing(80, 'STRAY-0'));
  const [anew, reads] = [jest.mocked(replay).mockClear(), jest.mocked(readRun).mockClear()];
  const lines = Array.from({ length: 60 }, (_, i) => passing(90 + i * 3, `STRAY-${i}`));
  expect(new Set((await device.say(...lines)).map((answer) => JSON.stringify(answer)))).toEqual(
    new Set(['{"took":"unnamed"}']),
  );
  expect(anew).not.toHaveBeenCalled();
  expect(reads).not.toHaveBeenCalled();
});

test('a time in an impossible year is answered with the reason and not kept', async () => {
  await underWay();
  const device = await Device.connect();
  for (const atMs of [0, NOW - 86_400_001, NOW + 3_600_001, 8.64e15])
    expect(await device.say({ ...passing(0), atMs })).toEqual([
      { error: expect.objectContaining({ code: 'impossible_time', field: 'atMs' }) },
    ]);
  expect(await log()).toEqual([]);
});

test('a damaged session disturbs no other', async () => {
  await underWay();
  server.db.update(runs).set({ planJson: '{' }).run();
  const device = await Device.connect();
  expect(await device.say(passing(88))).toEqual([{ took: 'nobody' }]);
});

test('lines are cut at line feeds wherever the pieces end', () => {
  const seen: string[] = [];
  const lines = new Lines(
    10,
    (line) => seen.push(line),
    () => seen.push('TOO LONG'),
  );
  for (const piece of ['ab', 'c\n', '\n', 'd\r\ne', 'f\n', '0123456789', '0123', '45\ng\n']) lines.push(piece);
  expect(seen).toEqual(['abc', '', 'd', 'ef', 'TOO LONG', 'g']);
});

test('the made-up squad finds the session under way by its documented command, and runs it', async () => {
  await underWay();
  const squad = spawn(process.execPath, [
    ...[await bundled('devices/squad/main.ts'), '--server', server.url, '--loop', String(loop.port), '--speed', '60'],
  ]);
  try {
    const heard = await new Promise<string>((resolve, reject) => {
      let said = '';
      squad.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
      squad.stdout.once('data', (chunk: Buffer) => resolve(chunk.toString()));
      squad.once('exit', () => reject(new Error(said)));
    });
    expect(heard).toMatch(/athletes? with chips/);
  } finally {
    squad.kill();
  }
});
