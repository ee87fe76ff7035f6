import { replay } from '../run/replay';
import { at, pass, planOf, start, twoGroups } from '../run/testing';
import { reviewRun } from './review';
import { resultsOf } from './results';

test('reads actual, target, early or late, mean and spread', () => {
  const plan = planOf('2x400 @5k / 60s, 200 @mile');
  const taken = [start(0), pass(87, 'a0', 400), start(160, 1), pass(249, 'a0', 400, 1), start(400, 2)];
  const [review] = reviewRun(replay(plan, taken));
  expect(review?.meanOver).toBe('400');
  const [ada, bo] = review?.rows ?? [];
  expect(ada?.cells[0]).toMatchObject({ actualS: 87, verdict: 'early', deltaS: expect.closeTo(-1.8, 3) });
  expect(ada?.cells[1]).toMatchObject({ actualS: 89, verdict: 'on' });
  expect(ada?.cells[2]).toMatchObject({ unfinished: true });
  expect(ada).toMatchObject({
    finished: 2,
    meanS: expect.closeTo(88, 6),
    meanDeltaS: expect.closeTo(-0.8, 3),
    spreadS: expect.closeTo(Math.SQRT2, 3),
  });
  expect(bo?.finished).toBe(0);
  expect(bo?.meanS).toBeUndefined();
});

test('what was planned and what was run are both there: dropped, added, cut, moved to another group', () => {
  const plan = twoGroups('2x400 @5k / 60s', '2x600 @10k / 90s');
  const decide = (atS: number, decision: object, ids = ['a0']) =>
    at(atS, { type: 'decided', athleteIds: ids, decision: decision as { kind: 'stop' } });
  const events = [
    start(0, 0, ['a0', 'a1']),
    pass(88, 'a0', 400),
    pass(88, 'a1', 400),
    decide(100, { kind: 'drop', repIndex: 1 }),
    decide(100, { kind: 'distance', distanceM: 300 }, ['a1']),
    start(160, 1, ['a0', 'a1']),
    pass(226, 'a1', 300, 1),
    at(240, { type: 'moved', athleteIds: ['a1'], groupId: 'g1' }),
  ];
  const state = replay(plan, events);
  const [milers, fives] = reviewRun(state);
  expect(milers?.rows.map(({ athleteId }) => athleteId)).toEqual(['a0', 'a1']);
  expect(milers?.rows[0]?.cells[1]).toMatchObject({ leftOut: true });
  expect(milers?.rows[1]?.cells[1]).toMatchObject({ rep: { distanceM: 300 }, actualS: 66 });
  expect(fives?.rows.map(({ athleteId }) => athleteId)).toEqual(['b0', 'b1']);
  expect(resultsOf({ plan, events }, state).summary).toMatchObject({ athletes: 4, planned: 7, finished: 3 });
});

test('who was away and ran nothing is not read', () => {
  const state = replay(planOf('400 @5k'), [at(0, { type: 'came', athleteId: 'a1', presence: 'absent' })]);
  expect(reviewRun(state)[0]?.rows.map(({ athleteId }) => athleteId)).toEqual(['a0']);
});

test('groups that ran the same reps are read together', () => {
  const reviews = reviewRun(replay(twoGroups('2x400 @5k / 60s', '2x400 @5k / 75s'), []));
  expect(reviews.map(({ name, rows }) => [name, rows.length])).toEqual([['Milers, Fives', 4]]);
});

test('work by the clock that was ended before its time is read as it was really run, with its surges', () => {
  const plan = planOf('20min free @effort 6');
  const surge = (atS: number, isOn: boolean) => at(atS, { type: 'surged', groupId: 'all', isOn });
  const events = [
    start(0),
    surge(10, true),
    surge(22, false),
    surge(30, true),
    surge(31, true),
    at(44, { type: 'ended' }),
  ];
  const [review] = reviewRun(replay(plan, events));
  expect(review?.rows[0]?.cells[0]).toMatchObject({ actualS: 44, plannedS: 1200 });
  expect(review?.surges).toEqual([
    { fromS: 10, lengthS: 12 },
    { fromS: 30, lengthS: 14 },
  ]);
  // Undone, the end has cut nothing short.
  const end = events.at(-1);
  const again = replay(plan, [...events, at(60, { type: 'undone', eventId: end?.id ?? '' })]);
  expect(reviewRun(again)[0]?.rows[0]?.cells[0]).toMatchObject({ actualS: 1200 });
  expect(reviewRun(again)[0]?.rows[0]?.cells[0]).not.toHaveProperty('plannedS');
});

test('of reps that run on by the clock, those that had still to begin when it was ended were not run', () => {
  const plan = planOf('3x(60s @5k, 60s @easy)');
  const [review] = reviewRun(replay(plan, [start(0), at(90, { type: 'ended' })]));
  const times = review?.rows[0]?.cells.map(({ actualS, plannedS }) => [actualS, plannedS]);
  expect(times?.slice(0, 3)).toEqual([
    [60, undefined],
    [30, 60],
    [undefined, undefined],
  ]);
});
