import { callsBetween, spokenLength } from './calls';
import { replay } from '../run/replay';
import { at, pass, planOf, start, T0, twoGroups } from '../run/testing';

const heard = (plan: Parameters<typeof replay>[0], events: Parameters<typeof replay>[1]) =>
  callsBetween(replay(plan, events), -Infinity, Infinity).map(({ atMs, sound, words }) => [
    (atMs - T0) / 1000,
    sound,
    words,
  ]);

const each = at(0, { type: 'sending', sending: 'each' });
const together = at(0, { type: 'sending', sending: 'together' });

test('the end of a recovery: 30, 10, 3-2-1, go', () => {
  const plan = planOf('2x400 @5k / 60s');
  expect(heard(plan, [start(0), pass(90, 'a0', 400), pass(95, 'a1', 400)])).toEqual([
    [125, 'say', '30 seconds'],
    [145, 'say', '10 seconds'],
    [152, 'tick', '3'],
    [153, 'tick', '2'],
    [154, 'tick', '1'],
    [155, 'go', 'go'],
  ]);
});

test('each one is called by name where they go by themselves, a group by its name where there are several', () => {
  const words = heard(planOf('2x400 @5k / 60s'), [each, start(0), pass(90, 'a0', 400), pass(95, 'a1', 400)]);
  expect(words.filter(([, sound]) => sound === 'go')).toEqual([
    [150, 'go', 'Ada, go'],
    [155, 'go', 'Bo, go'],
  ]);
  const two = twoGroups('2x400 @5k / 60s', '2x400 @5k / 60s', 20);
  const first = at(0, { type: 'started', repIndex: 0, athleteIds: ['a0', 'a1'], staggers: true });
  expect(heard(two, [first])).toContainEqual([20, 'go', 'Fives, go']);
});

test('a session by the clock is called through: what is now, how long, and the end', () => {
  const plan = planOf('2x90s @3k / 60s jog');
  const events = [together, start(0)];
  const go = heard(plan, events).filter(([, sound]) => sound === 'go');
  expect(go).toEqual([
    [90, 'go', 'easy, 60 seconds'],
    [150, 'go', 'go, 90 seconds at 3k'],
  ]);
  const last = heard(plan, [...events, start(150, 1)]).filter(([, sound]) => sound === 'go');
  expect(last.at(-1)).toEqual([240, 'go', 'and done']);
});

test('reps that run on change at once, without a stop between', () => {
  const go = heard(planOf('60s @3k, 30s @easy'), [start(0)]).filter(([, sound]) => sound === 'go');
  expect(go).toEqual([
    [60, 'go', '30 seconds at easy'],
    [90, 'go', 'and done'],
  ]);
});

const CLOCKED = '2x90s @3k / 60s jog';
const BOTH = ['a0', 'a1', 'b0', 'b1'];

test('groups in step are called once and by no name; those out of step by theirs', () => {
  const go = (events: Parameters<typeof replay>[1]) =>
    heard(twoGroups(CLOCKED, CLOCKED), [together, ...events]).filter(([, sound]) => sound !== 'tick');
  const inStep = go([start(0, 0, BOTH)]);
  expect(inStep.slice(-2)).toEqual([
    [140, 'say', '10 seconds'],
    [150, 'go', 'go, 90 seconds at 3k'],
  ]);
  expect(inStep).toHaveLength(5);
  const apart = go([start(0), start(20, 0, ['b0', 'b1'])]);
  expect(apart.filter(([, sound]) => sound === 'go')).toEqual([
    [90, 'go', 'Milers, easy, 60 seconds'],
    [110, 'go', 'Fives, easy, 60 seconds'],
    [150, 'go', 'Milers, go, 90 seconds at 3k'],
    [170, 'go', 'Fives, go, 90 seconds at 3k'],
  ]);
});

test('who goes at the same moment is called together, and a whole group by its name', () => {
  const go = (plan: Parameters<typeof replay>[0], finishes: Parameters<typeof replay>[1]) =>
    heard(plan, [each, start(0, 0, BOTH), ...finishes]).filter(([, sound]) => sound === 'go');
  const plan = twoGroups('2x400 @5k / 60s', '2x400 @5k / 60s');
  expect(go(plan, [pass(90, 'a0', 400), pass(90, 'b1', 400)])).toEqual([[150, 'go', 'Ada and Dov, go']]);
  expect(go(plan, [pass(90, 'a0', 400), pass(90, 'a1', 400)])).toEqual([[150, 'go', 'Milers, go']]);
});

test('a phone that times one group calls that group only', () => {
  const state = replay(twoGroups(CLOCKED, CLOCKED), [together, start(0), start(20, 0, ['b0', 'b1'])]);
  const words = callsBetween(state, T0 + 80_000, T0 + 120_000, new Set(['g1'])).map((call) => call.words);
  expect(words).toEqual(['Fives, 10 seconds', '3', '2', '1', 'Fives, easy, 60 seconds']);
});

test('only what lies between two moments, and never twice', () => {
  const state = replay(planOf('2x400 @5k / 60s'), [start(0), pass(90, 'a0', 400), pass(95, 'a1', 400)]);
  expect(callsBetween(state, T0 + 152_000, T0 + 154_000).map(({ words }) => words)).toEqual(['2', '1']);
});

test('lengths as they are called', () =>
  expect([20, 90, 120, 60, 150, 600].map(spokenLength)).toEqual([
    '20 seconds',
    '90 seconds',
    '2 minutes',
    '60 seconds',
    '2 30',
    '10 minutes',
  ]));
