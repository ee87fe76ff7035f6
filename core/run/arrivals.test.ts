import fc from 'fast-check';
import { arrivals, guessNames, markTapped, tooSoon } from './arrivals';
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
