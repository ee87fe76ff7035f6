/** Proposals: a step that exists and fits, in two versions at most. */
import fc from 'fast-check';
import { INTENT_FACTS } from '../session/intent';
import { read } from '../session/testing';
import { curveBook } from '../paces/shippedPaceBooks';
import { curve } from '../run/testing';
import { NEXT_STEPS } from '../run/events';
import { standardTrack } from '../venue/venue';
import { givenSteps, type StepLimits } from './given';
import type { ReadyAnswer } from './nextReady';
import { isOneRepMore, isOnPlan } from './onPlan';

const answer = (athleteId: string, verdict: ReadyAnswer['verdict'], more: Partial<ReadyAnswer> = {}): ReadyAnswer => ({
  athleteId,
  groupId: 'g',
  verdict,
  reasons: ['R.'],
  ...more,
});
const ALL: StepLimits = { has: () => true, isOnPlan: () => true, isOneRep: () => true };
const steps = (answers: ReadyAnswer[], limits: Partial<StepLimits> = {}) =>
  givenSteps(answers, { ...ALL, ...limits }).map(({ verdict }) => verdict);

test('a step on only where there is one, where it fits, and for the young where it is one rep', () => {
  const on = [answer('a', 'on')];
  expect(steps(on)).toEqual(['on']);
  expect(steps(on, { has: () => false })).toEqual(['repeat']);
  expect(steps(on, { isOnPlan: () => false })).toEqual(['repeat']);
  expect(steps([answer('a', 'on', { most: 'rep' })], { isOneRep: () => false })).toEqual(['repeat']);
  expect(givenSteps(on, { ...ALL, isOnPlan: () => false })[0]?.reasons).toEqual([
    'The plan’s own reckoning calls the step on too much for them.',
    'R.',
  ]);
});

test('of three versions one goes, the way that moves fewer, and nobody gets a harder one', () => {
  const rank = (step: ReadyAnswer['verdict']) => ['back', 'repeat', 'on'].indexOf(step);
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...NEXT_STEPS), { minLength: 1, maxLength: 9 }), (list) => {
      const given = steps(list.map((verdict, i) => answer(`a${i}`, verdict)));
      expect(new Set(given).size).toBeLessThanOrEqual(2);
      given.forEach((step, i) => expect(rank(step)).toBeLessThanOrEqual(rank(list[i] ?? 'back')));
    }),
  );
  expect(steps([answer('a', 'on'), answer('b', 'repeat'), answer('c', 'repeat'), answer('d', 'back')])).toEqual([
    'repeat',
    'repeat',
    'repeat',
    'back',
  ]);
});

test('one rep more, and nothing else', () => {
  expect(isOneRepMore(read('6x400 @5k / 90s'), read('7x400 @5k / 90s'))).toBe(true);
  expect(isOneRepMore(read('6x400 @5k / 90s'), read('8x400 @5k / 90s'))).toBe(false);
  expect(isOneRepMore(read('6x400 @5k / 90s'), read('6x400 @5k / 75s'))).toBe(false);
  expect(isOneRepMore(read('2x(4x400 @5k / 60s) / 3:00'), read('2x(5x400 @5k / 60s) / 3:00'))).toBe(false);
});

test('on plan by the plan’s own reckoning', () => {
  const { arc } = INTENT_FACTS['aerobic-power'];
  const paces = { curve, paceBook: curveBook };
  expect(isOnPlan(read('6x400 @5k / 90s'), arc, paces, standardTrack)).toBe(true);
  expect(isOnPlan(read('20x800 @3k / 30s'), arc, paces, standardTrack)).toBe(false);
});
