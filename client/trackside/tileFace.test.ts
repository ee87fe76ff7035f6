import { faceOf } from './tileFace';

const early = { atM: 200, elapsedS: 42.2, deltaS: -1.4, verdict: 'early' as const };

test('before the start: the target', () => {
  expect(faceOf({ phase: 'ready', targetS: 88.8 }, undefined)).toMatchObject({ big: '1:28.8', canTap: false });
  expect(faceOf({ phase: 'ready' }, undefined).big).toBe('by effort');
});

test('running: the next mark and when it is due, filling', () => {
  const face = faceOf(
    { phase: 'running', repIndex: 0, elapsedS: 40, nextM: 400, expectedS: 88.8, share: 0.497, last: early },
    400,
  );
  expect(face).toMatchObject({ head: 'finish', big: '1:28.8', fill: 50, due: false, canTap: true, last: early });
  expect(faceOf({ phase: 'running', repIndex: 0, elapsedS: 90, nextM: 200, share: 1 }, 400)).toMatchObject({
    head: '200',
    big: '–',
    due: true,
  });
});

test('a rep by the clock counts down and takes no tap', () => {
  const face = faceOf({ phase: 'running', repIndex: 0, elapsedS: 20.2, expectedS: 60, share: 0.3 }, undefined);
  expect(face).toMatchObject({ head: 'to go', big: '0:40', canTap: false });
});

test('recovering: the time run, the countdown, then go', () => {
  const resting = { phase: 'recovering' as const, repIndex: 0, result: early, share: 0.5, leftS: 29.2 };
  expect(faceOf(resting, 200)).toMatchObject({
    head: '42.2',
    big: '0:30',
    due: false,
    spoken: 'ran 42.2, 1.4 seconds early; recovery 0:30',
  });
  expect(faceOf({ ...resting, leftS: -3, share: 1 }, 200)).toMatchObject({ big: 'go', due: true });
  const { leftS: _leftS, ...byFeel } = resting;
  expect(faceOf(byFeel, 200).big).toBe('rest');
});

test('done: the last time', () => {
  expect(faceOf({ phase: 'done', repIndex: 3, result: early }, 200)).toMatchObject({ head: 'done', big: '42.2' });
  expect(faceOf({ phase: 'done', repIndex: 0 }, 200).big).toBe('–');
});
