import fc from 'fast-check';
import { arrivals, finishBefore, guessNames, markTapped, tooSoon } from './arrivals';
import type { RunEvent } from './events';
import { replay } from './replay';
import { at, pass, planOf, start, T0 } from './testing';

const NAMES = ['Ada Brindlecote', 'Bo Tarrowby', 'Cleo Wexmoor', 'Dov Marlish'];
/** Four athletes of unlike speed: targets of 80, 84, 88 and 92 s. */
function ladder() {
  const plan = planOf('2x400 @5k / 60s', NAMES);
  const groups = plan.groups.map((group) => ({
    ...group,
    athletes: group.athletes.map((athlete, i) => ({
      ...athlete,
      targets: athlete.targets.map((target) => ({ ...target, targetS: 80 + 4 * i })),
    })),
  }));
  return { ...plan, groups };
}
const plan = ladder();
const all = ['a0', 'a1', 'a2', 'a3'];
const begun = start(0, 0, all);
const line = (atS: number) => at(atS, { type: 'crossed' });
const guessed = (events: RunEvent[]) => guessNames(replay(plan, events)).map(({ arrival }) => arrival?.athleteId);

test('who comes next, the soonest first', () => {
  const coming = arrivals(replay(plan, [begun, pass(39, 'a0', 200)]), T0 + 40_000);
  expect(coming.map(({ athleteId, atM }) => [athleteId, atM])).toEqual([
    ['a1', 200],
    ['a2', 200],
    ['a3', 200],
    ['a0', 400],
  ]);
  expect(coming[0]?.dueAtMs).toBe(T0 + 42_000);
});

test('a tap that nobody can have run is said to be so: counted from the mark before, or from the start', () => {
  const doubt = (events: RunEvent[], id: string, atS: number) => {
    const state = replay(plan, [begun, ...events]);
    const arrival = markTapped(state, id, T0 + atS * 1000);
    return arrival && tooSoon(state, arrival, T0 + atS * 1000);
  };
  expect(doubt([], 'a0', 2.9)).toEqual({ name: 'Ada', tookS: 2.9, overM: 200 });
  expect(doubt([], 'a0', 20)).toBeUndefined();
  expect(doubt([pass(39, 'a0', 200)], 'a0', 45)).toMatchObject({ tookS: 6, overM: 200 });
  expect(doubt([pass(39, 'a0', 200)], 'a0', 75)).toBeUndefined();
});

test('a tap takes the next mark; none before the start, and none of a thumb that bounces', () => {
  const state = replay(plan, [begun, pass(39, 'a0', 200)]);
  expect(markTapped(state, 'a1', T0 - 1000)).toBeUndefined();
  expect(markTapped(state, 'a0', T0 + 40_000)).toBeUndefined();
  expect(markTapped(state, 'a0', T0 + 78_000)).toMatchObject({ athleteId: 'a0', atM: 400 });
  expect(markTapped(state, 'nobody', T0)).toBeUndefined();
});

test('times without a name are named in the order they are expected in', () => {
  expect(guessed([begun, line(40), line(42), line(44.2), line(45.8)])).toEqual(['a0', 'a1', 'a2', 'a3']);
  // The first was tapped by name: the line is for the others.
  expect(guessed([begun, pass(40, 'a0', 200), line(42), line(44)])).toEqual(['a1', 'a2']);
  // Nobody took the third; the times are nearest to the first, second and last.
  expect(guessed([begun, line(40), line(42), line(46)])).toEqual(['a0', 'a1', 'a3']);
});

test('more finishes than athletes: those too many stay without a name, and are kept', () => {
  const marks = [40, 42, 44, 46, 80, 84, 88, 92];
  const events = [begun, ...[...marks, 93, 94].map(line)];
  const names = guessed(events);
  expect(names.filter(Boolean)).toHaveLength(8);
  expect(names).toHaveLength(10);
  expect(guessed([line(-10)])).toEqual([undefined]);
});

test('a chip that nobody wears keeps its number, so that it can be found', () => {
  const stray = at(41, { type: 'crossed', chip: 'STRAY' });
  expect(guessNames(replay(plan, [begun, stray]))).toMatchObject([{ chip: 'STRAY', arrival: { atM: 200 } }]);
});

test('nobody is guessed twice for one mark, and the order of names is that of the times', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 120 }), { maxLength: 12 }), (timesS) => {
      const guesses = guessNames(replay(plan, [begun, ...timesS.map(line)]));
      const marks = guesses.flatMap(({ arrival }) => (arrival ? [`${arrival.athleteId} ${arrival.atM}`] : []));
      expect(new Set(marks).size).toBe(marks.length);
      const due = guesses.flatMap(({ arrival }) => arrival?.dueAtMs ?? []);
      expect(due).toEqual([...due].sort((a, b) => a - b));
    }),
  );
});

describe('a rep without a target', () => {
  const byEffort = planOf('2x600, 2x400', ['Newcomer One', 'Newcomer Two']);
  const unknown = {
    ...byEffort,
    groups: byEffort.groups.map((group) => ({
      ...group,
      athletes: group.athletes.map(({ reserve: _reserve, ...athlete }) => athlete),
    })),
  };
  const tap = (events: RunEvent[], id: string, atS: number) =>
    markTapped(replay(unknown, events), id, T0 + atS * 1000)?.atM;
  const in400 = [start(0, 2)];
  test('is timed at its finish: a pace that anybody may run decides which mark a tap is', () => {
    expect(unknown.groups[0]?.reps[2]?.callM).toEqual([200, 400]);
    expect(tap(in400, 'a0', 80)).toBe(400);
    expect(tap(in400, 'a0', 45)).toBe(200);
  });
  test('goes by what they ran before, and by what the others ran', () => {
    // At walking pace: the first 400 in 2:40, so 1:20 is half of the next.
    const slow = [start(0, 2), pass(160, 'a0', 400, 2), start(300, 3)];
    expect(tap(slow, 'a0', 380)).toBe(200);
    expect(tap(slow, 'a1', 380)).toBe(400);
    expect(tap([start(0, 2), pass(160, 'a0', 400, 2)], 'a1', 80)).toBe(200);
  });
  test('a second tap sooner than anyone can run the rest says that the first was the finish', () => {
    const state = replay(unknown, [start(0, 0), pass(100, 'a0', 400)]);
    const again = markTapped(state, 'a0', T0 + 104_000);
    expect(again).toMatchObject({ atM: 600 });
    if (!again) throw new Error();
    expect(tooSoon(state, again, T0 + 104_000)).toBeDefined();
    expect(finishBefore(state, again)).toMatchObject({ athleteId: 'a0', repIndex: 0, atM: 600, tookS: 100 });
    // 200 m in 28 s are no 600 in 28 s.
    const early = replay(unknown, [start(0, 0), pass(28, 'a0', 200)]);
    expect(finishBefore(early, { athleteId: 'a0', repIndex: 0, atM: 400 })).toBeUndefined();
  });
  test('with a target nobody’s mark becomes a finish by a second tap', () => {
    const state = replay(plan, [begun, pass(39, 'a0', 200)]);
    expect(finishBefore(state, { athleteId: 'a0', repIndex: 0, atM: 400 })).toBeUndefined();
  });
});

test('finishes only: every tap is one, and nobody is due before', () => {
  const finishesOnly = at(-1, { type: 'marks', finishesOnly: true });
  const state = replay(plan, [finishesOnly, begun]);
  expect(markTapped(state, 'a0', T0 + 30_000)).toMatchObject({ atM: 400 });
  expect(arrivals(state, T0 + 1000).map(({ atM }) => atM)).toEqual([400, 400, 400, 400]);
  expect(guessed([finishesOnly, begun, line(40)])).toEqual(['a0']);
  const both = replay(plan, [finishesOnly, begun, at(5, { type: 'marks', finishesOnly: false })]);
  expect(markTapped(both, 'a0', T0 + 30_000)).toMatchObject({ atM: 200 });
});

test('who has stopped is not expected', () => {
  const stop = at(20, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' }, repIndex: 0 });
  expect(guessed([begun, stop, line(42), line(44.1), line(46)])).toEqual(['a1', 'a2', 'a3']);
});

test('whose tile was pressed stands before who is expected', () => {
  const tapped = at(41, { type: 'crossed', tappedId: 'a3' });
  expect(guessed([begun, tapped, line(42)])).toEqual(['a3', 'a1']);
  const stop = at(20, { type: 'decided', athleteIds: ['a3'], decision: { kind: 'stop' }, repIndex: 0 });
  expect(guessed([begun, stop, tapped])).toEqual(['a0']);
});
