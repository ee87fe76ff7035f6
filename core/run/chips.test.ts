import { idSchema } from '../api/schemas';
import { chipPassing, LOOP_DEVICE, repOfPulse } from './chips';
import type { RunEvent } from './events';
import { replay } from './replay';
import { at, end, pass, planOf, start, T0 } from './testing';

const finishLine = { loopM: 0, lapM: 400 };
const heard = (text: string, events: RunEvent[], atS: number, loop = finishLine, who = 'a0') =>
  chipPassing(replay(planOf(text), events), who, T0 + atS * 1000, loop);
const mark = (atM: number, repIndex = 0) => ({ kind: 'mark', athleteId: 'a0', repIndex, atM });

test('at the finish line the laps are heard, on the far side the 200s', () => {
  expect(heard('3x1200 @5k / 90s', [start(0)], 89)).toEqual(mark(400));
  expect(heard('3x1200 @5k / 90s', [start(0)], 177)).toEqual(mark(800));
  expect(heard('3x1200 @5k / 90s', [start(0)], 44, { loopM: 200, lapM: 400 })).toEqual(mark(200));
});

test('a 600 starts across the lap and finishes at the line', () => {
  expect(heard('600 @3k, 600 @3k', [start(0)], 125, { loopM: 200, lapM: 400 })).toEqual(mark(600));
});

test('leaving the line, standing on it and jogging over it are no times', () => {
  expect(heard('2x400 @5k / 60s', [start(0)], 1)).toEqual({ kind: 'start' });
  const done = [start(0), pass(88, 'a0', 400)];
  expect(heard('2x400 @5k / 60s', done, 120)).toEqual({ kind: 'resting' });
  expect(heard('2x400 @5k / 60s', [], 10)).toEqual({ kind: 'resting' });
  expect(heard('2x400 @5k / 60s', [start(0), end(50)], 88)).toEqual({ kind: 'resting' });
  expect(heard('2x400 @5k / 60s', [start(0)], 88, finishLine, 'zz')).toEqual({ kind: 'nobody' });
});

test('passings may come in any order, and beside a time taken by hand', () => {
  const late = [start(0), pass(177, 'a0', 800)];
  expect(heard('1200 @5k', late, 89)).toEqual(mark(400));
  expect(heard('2x400 @5k / 60s', [start(0), pass(88, 'a0', 400)], 88.2)).toEqual(mark(400));
});

test('without a target time, one mark after the other', () => {
  expect(heard('1200 @effort 8', [start(0), pass(95, 'a0', 400)], 190)).toEqual(mark(800));
});

test('a pulse is that of the rep just finished, once', () => {
  const state = replay(planOf('2x400 @5k / 60s'), [start(0), pass(88, 'a0', 400)]);
  expect(repOfPulse(state, 'a0', T0 + 95_000)).toBe(0);
  expect(repOfPulse(state, 'a0', T0 + 120_000)).toBeUndefined();
  expect(repOfPulse(state, 'a0', T0 + 50_000)).toBeUndefined();
  const knownEvent = at(95, { type: 'pulse', athleteId: 'a0', repIndex: 0, beatsPerMin: 170 });
  const after = replay(planOf('2x400 @5k / 60s'), [start(0), pass(88, 'a0', 400), knownEvent]);
  expect(repOfPulse(after, 'a0', T0 + 96_000)).toBeUndefined();
});

test('the loop has an id like any phone', () => expect(idSchema.validate(LOOP_DEVICE).error).toBeUndefined());
