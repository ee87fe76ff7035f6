import type { RunEvent } from './events';
import { replay } from './replay';
import { at, end, pass, planOf, runsOf, start, T0 } from './testing';
import { isOwnTap, judge, tileFor } from './tile';
import { verdictOn } from './verdict';

const plan = planOf('2x400 @5k / 60s');
const tileAt = (events: RunEvent[], atS: number) => tileFor(replay(plan, events), 'a0', T0 + atS * 1000);
const first = start(0);

test('before the start shows the target', () =>
  expect(tileAt([], 0)).toEqual({ phase: 'ready', targetS: expect.closeTo(88.8, 3) }));

test('fills on the way to the next mark', () => {
  expect(tileAt([first], 22.2)).toMatchObject({
    phase: 'running',
    nextM: 200,
    expectedS: expect.closeTo(44.4, 3),
    share: expect.closeTo(0.5, 3),
  });
  expect(tileAt([first, pass(44, 'a0', 200)], 66.4)).toMatchObject({
    nextM: 400,
    last: { verdict: 'on', deltaS: expect.closeTo(-0.4, 3) },
  });
});

test('offers the finish when the mark before it was clearly missed', () => {
  expect(tileAt([first], 60)).toMatchObject({ nextM: 200 });
  expect(tileAt([first], 70)).toMatchObject({ nextM: 400 });
});

test('takes a second tap at once for a bounce', () => {
  const [run] = runsOf(plan, [first, pass(44, 'a0', 200)]);
  if (!run) throw new Error('not started');
  expect([44.3, 45.9, 46.1, 88].map((elapsedS) => isOwnTap(run, elapsedS))).toEqual([false, false, true, true]);
});

test('then counts the recovery down, past the end too', () => {
  const taken = [first, pass(90.8, 'a0', 400)];
  expect(tileAt(taken, 100.8)).toMatchObject({
    phase: 'recovering',
    leftS: expect.closeTo(50, 3),
    result: { verdict: 'late', deltaS: expect.closeTo(2, 3) },
  });
  expect(tileAt(taken, 200)).toMatchObject({ phase: 'recovering', share: 1, leftS: expect.closeTo(-49.2, 3) });
  expect(tileAt([...taken, start(200, 1)], 201)).toMatchObject({ phase: 'running', run: { repIndex: 1 }, elapsedS: 1 });
});

test('a recovery that was lengthened on the spot', () => {
  const hold = at(95, { type: 'held', athleteIds: ['a0'], repIndex: 0, addS: 15 });
  expect(tileAt([first, pass(90.8, 'a0', 400), hold], 100.8)).toMatchObject({ leftS: expect.closeTo(65, 3) });
});

test('a finish that was taken counts at once, also on a phone whose clock is behind', () => {
  expect(tileAt([first, pass(90.8, 'a0', 400)], 90.7)).toMatchObject({
    phase: 'recovering',
    share: 0,
    leftS: 60,
    result: { verdict: 'late', deltaS: expect.closeTo(2, 3) },
  });
});

test('a rep by the clock runs until its time is up', () => {
  const state = replay(planOf('2x60s @5k / 30s'), [start(0)]);
  const phaseAt = (atS: number) => tileFor(state, 'a0', T0 + atS * 1000).phase;
  expect([0, 59.9, 60, 89].map(phaseAt)).toEqual(['running', 'running', 'recovering', 'recovering']);
});

test('is done after the last rep, when they stop, or when the session has ended', () => {
  expect(tileAt([start(0, 1), pass(80, 'a0', 400, 1)], 90)).toMatchObject({
    phase: 'done',
    result: { verdict: 'early' },
  });
  expect(tileAt([first, end(50)], 60)).toMatchObject({ phase: 'done', run: { repIndex: 0 } });
  const stop = at(50, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' } });
  expect(tileAt([first, stop], 60)).toMatchObject({ phase: 'done', isStopped: true });
});

test('early, on and late', () => {
  expect(verdictOn(-1.4, 88)).toBe('early');
  expect(verdictOn(0.8, 88)).toBe('on');
  expect(verdictOn(0.6, 30)).toBe('late');
  expect(verdictOn(-0.5, 30)).toBe('on');
});

test('a pace’s own tolerance judges at the track; never less than half a second, about what a thumb is good for', () => {
  const strides = planOf('2x200 @strides / 60s, 400 @5k');
  const targets = strides.groups[0]?.athletes[0]?.targets ?? [];
  expect(targets.map(({ tolerance }) => tolerance)).toEqual([0.04, 0.04, undefined]);
  const targetS = targets[0]?.targetS ?? 0;
  // 3 % slow: late by the usual 1 %, on target for strides.
  const ranS = targetS * 1.03;
  expect(verdictOn(ranS - targetS, targetS)).toBe('late');
  expect(verdictOn(ranS - targetS, targetS, 0.04)).toBe('on');
  const state = replay(strides, [start(0), pass(ranS, 'a0', 200)]);
  expect(tileFor(state, 'a0', T0 + (ranS + 1) * 1000)).toMatchObject({ result: { verdict: 'on' } });
  expect([0.45, 0.55].map((deltaS) => verdictOn(deltaS, 30, 0))).toEqual(['on', 'late']);
});

test('of a band anywhere inside is on target, and what is off counts from its edge', () => {
  const rep = { role: 'main' as const, distanceM: 1000, callM: [1000] };
  const target = { targetS: 225, tolerance: 5 / 225, isBand: true as const };
  expect(judge(rep, target, 1000, 229)).toMatchObject({ verdict: 'on', deltaS: 0 });
  expect(judge(rep, target, 1000, 232)).toMatchObject({ verdict: 'late', deltaS: expect.closeTo(2, 9) });
  expect(judge(rep, target, 1000, 218)).toMatchObject({ verdict: 'early', deltaS: expect.closeTo(-2, 9) });
});
