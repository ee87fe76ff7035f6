import type { RepRun } from '@core/run/runState';
import { faceOf } from './tileFace';

const early = { atM: 200, elapsedS: 42.2, deltaS: -1.4, verdict: 'early' as const };
const run = (rep: Partial<RepRun['rep']>): RepRun => ({
  repIndex: 0,
  groupId: 'all',
  rep: { role: 'main', callM: [], ...rep },
  target: {},
  startId: 's',
  startedAtMs: 0,
  passes: [],
  heldS: 0,
  flags: [],
  notes: [],
});
const four = run({ distanceM: 400, callM: [200, 400] });

test('before the start: the target; who comes late is waited for', () => {
  expect(faceOf({ phase: 'ready', targetS: 88.8 })).toMatchObject({ big: '1:28.8', canTap: false });
  expect(faceOf({ phase: 'ready' }).big).toBe('by effort');
  expect(faceOf({ phase: 'ready', isLate: true })).toMatchObject({
    big: 'late',
    isLate: true,
    spoken: expect.stringContaining('not here yet'),
  });
});

test('running: the next mark and when it is due, filling', () => {
  const face = faceOf({
    phase: 'running',
    run: four,
    elapsedS: 40,
    nextM: 400,
    expectedS: 88.8,
    share: 0.497,
    last: early,
  });
  expect(face).toMatchObject({ head: 'finish', big: '1:28.8', fill: 50, due: false, canTap: true, last: early });
  expect(faceOf({ phase: 'running', run: four, elapsedS: 90, nextM: 200, share: 1 })).toMatchObject({
    head: '200',
    big: '–',
    due: true,
  });
});

test('a rep by the clock counts down; its laps can be taken', () => {
  const clock = { phase: 'running' as const, run: run({ durationS: 60 }), elapsedS: 20.2, expectedS: 60, share: 0.3 };
  expect(faceOf(clock)).toMatchObject({ head: 'to go', big: '0:40', canTap: false });
  expect(faceOf({ ...clock, nextM: 400 })).toMatchObject({ big: '0:40', canTap: true });
});

test('recovering: the time run, the countdown, then go', () => {
  const resting = { phase: 'recovering' as const, run: four, result: early, share: 0.5, leftS: 29.2 };
  expect(faceOf(resting)).toMatchObject({
    head: '42.2',
    big: '0:30',
    due: false,
    spoken: 'ran 42.2, 1.4 seconds early; recovery 0:30',
  });
  expect(faceOf({ ...resting, leftS: -3, share: 1 })).toMatchObject({ big: 'go', due: true });
  const { leftS: _leftS, ...byFeel } = resting;
  expect(faceOf(byFeel).big).toBe('rest');
});

test('done: the last time', () => {
  expect(faceOf({ phase: 'done', run: four, result: early })).toMatchObject({ head: 'done', big: '42.2' });
  expect(faceOf({ phase: 'done', run: four, isStopped: true })).toMatchObject({ head: 'stopped', big: '–' });
});
