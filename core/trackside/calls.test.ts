import { callsAhead, callsBetween, groupNow, isByTheClock, spokenLength } from './calls';
import { replay } from './replay';
import { at, only, pass, planOf, start, T0, twoGroups } from './testing';

const heard = (plan: Parameters<typeof replay>[0], events: Parameters<typeof replay>[1]) =>
  callsAhead(replay(plan, events)).map(({ atMs, sound, words }) => [(atMs - T0) / 1000, sound, words]);

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
  const each = at(0, { type: 'sending', sending: 'each' });
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
  const events = [at(0, { type: 'sending', sending: 'together' }), start(0)];
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

test('only what lies between two moments, and never twice', () => {
  const state = replay(planOf('2x400 @5k / 60s'), [start(0), pass(90, 'a0', 400), pass(95, 'a1', 400)]);
  expect(callsBetween(state, T0 + 152_000, T0 + 154_000).map(({ words }) => words)).toEqual(['2', '1']);
});

test('what the group does now, for how long yet, and what comes next', () => {
  const state = replay(planOf('2x90s @3k / 60s jog'), [start(0)]);
  expect(groupNow(state, 'all', T0 - 1)).toBeUndefined();
  expect(groupNow(state, 'all', T0 + 30_000)).toMatchObject({
    words: '@3k',
    isHard: true,
    leftS: 60,
    next: { words: 'easy', lengthS: 60 },
  });
  expect(groupNow(state, 'all', T0 + 100_000)).toMatchObject({
    words: 'easy',
    isHard: false,
    leftS: 50,
    next: { words: '@3k', lengthS: 90 },
  });
});

test('the phone can call all of it only where all of it goes by the clock', () => {
  const by = (text: string) => isByTheClock(only(planOf(text)));
  expect(by('6x90s @3k / 90s jog')).toBe(true);
  expect(by('6x400 @3k / 90s jog')).toBe(false);
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
