import fs from 'node:fs';
import net from 'node:net';
import pino from 'pino';
import { ulid } from 'ulid';
import { LOOP_DEVICE } from '@core/trackside/chips';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import { Hub } from '../live/hub';
import { Intake } from '../loop/intake';
import { Lines } from '../loop/lines';
import { serveLoop } from '../loop/serve';
import { startTestServer, tempFolder, type TestServer } from './testServer';

const NOW = 1_790_000_000_000;
let server: TestServer;
let loop: Awaited<ReturnType<typeof serveLoop>>;
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

beforeEach(async () => {
  const hub = new Hub();
  server = await startTestServer(tempFolder(), () => NOW, undefined, { hub });
  loop = await serveLoop(new Intake(server.db, hub, () => NOW), 0, pino({ enabled: false }));
});
afterEach(async () => {
  await loop.stop();
  await server.stop();
  fs.rmSync(server.folder, { recursive: true });
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

test('rubbish is answered by name and passed over; what comes after it is taken', async () => {
  await underWay();
  const device = await Device.connect();
  const answers = await device.say(
    'what',
    '[]',
    '{"type":"passing"}',
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

test('a line of a megabyte is not kept in memory, and the next one is heard', async () => {
  await underWay();
  const device = await Device.connect();
  const answers = await device.say('x'.repeat(1_000_000), passing(88));
  expect(answers).toEqual([{ error: expect.objectContaining({ code: 'too_long' }) }, { took: 'mark' }]);
});

test('one that floods is slowed down and loses nothing; one that hangs in the middle of a line troubles nobody', async () => {
  await underWay();
  const hanging = await Device.connect();
  hanging.socket.write('{"type":"pass');
  const other = await Device.connect();
  expect(await other.say(passing(88))).toEqual([{ took: 'mark' }]);
  const flooding = await Device.connect();
  const lines = Array.from({ length: 1200 }, (_, i) => ({ ...passing(300 + i, 'ZL-01'), seq: i + 1 }));
  const answers = flooding.say(...lines);
  expect(await other.say(passing(300, 'STRAY'))).toEqual([{ took: 'unnamed' }]);
  expect(await answers).toHaveLength(1200);
  hanging.socket.destroy();
  expect(await log()).toHaveLength(2);
});

test('only so many devices at a time', async () => {
  const devices = await Promise.all(Array.from({ length: 8 }, () => Device.connect()));
  expect(await (await Device.connect()).answers(1)).toEqual([{ error: expect.objectContaining({ code: 'busy' }) }]);
  devices[0]?.socket.destroy();
});

test('lines are cut at line feeds wherever the pieces end', () => {
  const seen: string[] = [];
  const lines = new Lines(
    10,
    (line) => seen.push(line),
    () => seen.push('TOO LONG'),
  );
  for (const piece of ['ab', 'c\n', '\n', 'd\r\ne', 'f\n', '0123456789', '0123', '45\ng\n']) lines.push(piece);
  expect(seen).toEqual(['abc', 'd', 'ef', 'TOO LONG', 'g']);
});
