/** A session as a coach reads it: what matters, habits, differences, effort. */
import fc from 'fast-check';
import { INTENT_FACTS } from '../session/intent';
import type { Happening, RunEvent } from '../run/events';
import { replay } from '../run/replay';
import { at, curve, end, pass, planOf, start, twoGroups } from '../run/testing';
import { decisionsOf, differencesOf } from './differences';
import { nextTime, readEffort } from './effortReading';
import { habitsOf, openingOf } from './habits';
import { kindsOf } from './kinds';
import { reviewRun } from './review';

const REST = 60;
/** Reps of two athletes, each with their own times, one after the other with so much rest. */
function ran(text: string, times: { a0: number[]; a1?: number[] }, more: RunEvent[] = [], restS = REST) {
  const plan = planOf(text);
  const [group] = plan.groups;
  const events: RunEvent[] = [];
  let atS = 0;
  times.a0.forEach((timeS, rep) => {
    const finishM = group?.reps[rep]?.distanceM ?? 400;
    events.push(start(atS, rep), pass(atS + timeS, 'a0', finishM, rep));
    const other = times.a1?.[rep];
    if (other !== undefined) events.push(pass(atS + other, 'a1', finishM, rep));
    atS += Math.max(timeS, other ?? 0) + restS;
  });
  const all = [...events, end(atS + 100), ...more];
  return { plan, state: replay(plan, all), events: all };
}
const reviewsOf = (...args: Parameters<typeof ran>) => reviewRun(ran(...args).state);
const cellsOf = (...args: Parameters<typeof ran>) => reviewsOf(...args)[0]?.rows[0]?.cells ?? [];
const felt = (repIndex: number, effort: number, athleteId = 'a0') =>
  at(5000 + repIndex, { type: 'felt', athleteId, repIndex, effort });

test('a rep that does not count changes nothing that is read, and is still there', () => {
  const slow = [88.8, 88.6, 120, 88.7, 88.8, 88.9];
  const out = at(6000, { type: 'excluded', athleteId: 'a0', repIndex: 2, reason: 'fell' });
  const [with_, without] = [cellsOf('6x400 @5k / 60s', { a0: slow }), cellsOf('6x400 @5k / 60s', { a0: slow }, [out])];
  expect(without[2]).toMatchObject({ actualS: 120, excluded: { reason: 'fell' } });
  expect(kindsOf(with_)[0]?.cells).toHaveLength(6);
  expect(kindsOf(without)[0]?.cells).toHaveLength(5);
  expect(reviewsOf('6x400 @5k / 60s', { a0: slow }, [out])[0]?.rows[0]?.finished).toBe(5);
});

describe('habits', () => {
  const opened = (openings: number[]) => {
    const plan = planOf('6x800 @5k / 60s');
    const events = openings.flatMap((openS, rep) => {
      const atS = rep * 300;
      return [start(atS, rep), pass(atS + openS, 'a0', 200, rep), pass(atS + 176, 'a0', 800, rep)];
    });
    return reviewRun(replay(plan, events))[0]?.rows[0]?.cells ?? [];
  };
  test('what is done on nearly every rep, against an even run to the same finish', () => {
    expect(habitsOf(opened([42.8, 42.9, 43, 42.7]))).toEqual([
      { distanceM: 800, atM: 200, reps: 4, deltaS: expect.closeTo(42.85 - 44, 6) },
    ]);
    expect(habitsOf(opened([42, 46, 42, 46]))).toEqual([]);
    expect(habitsOf(opened([42.8, 42.9]))).toEqual([]);
  });
  test('an even rep has an opening of nothing, whatever its time', () => {
    fc.assert(
      fc.property(fc.double({ min: 30, max: 80, noNaN: true }), (openS) => {
        const plan = planOf('400 @5k');
        const events = [start(0), pass(openS, 'a0', 200), pass(2 * openS, 'a0', 400)];
        const [cell] = reviewRun(replay(plan, events))[0]?.rows[0]?.cells ?? [];
        expect(cell && openingOf(cell)?.deltaS).toBeCloseTo(0, 2);
      }),
    );
  });
});

describe('other than planned', () => {
  test('not run, added, cut, moved; decisions with who, when, and whether they were refused', () => {
    const plan = twoGroups('3x400 @5k / 60s', '3x600 @10k / 90s');
    const decided = (atS: number, happening: Omit<Happening & { type: 'decided' }, 'type'>) =>
      at(atS, { type: 'decided', ...happening });
    const state = replay(plan, [
      start(0, 0, ['a0', 'a1']),
      pass(88, 'a0', 400),
      pass(88, 'a1', 400),
      decided(100, { athleteIds: ['a0'], decision: { kind: 'distance', distanceM: 300 }, rule: 'slipping' }),
      decided(101, { athleteIds: ['a1'], decision: { kind: 'stop' }, rule: 'spent', refused: true }),
      at(110, { type: 'moved', athleteIds: ['a1'], groupId: 'g1' }),
      start(160, 1, ['a0']),
      pass(226, 'a0', 300, 1),
      start(300, 1, ['a1']),
      pass(430, 'a1', 600, 1),
      end(600),
    ]);
    const differences = reviewRun(state).flatMap((review) => differencesOf(review, true));
    expect(differences).toContainEqual(
      expect.objectContaining({ name: 'Ada Brindlecote', kind: 'not-run', reps: [3] }),
    );
    expect(differences).toContainEqual(
      expect.objectContaining({ name: 'Ada Brindlecote', kind: 'cut', reps: [2], fromM: 400, toM: 300 }),
    );
    expect(differences).toContainEqual(
      expect.objectContaining({ name: 'Bo Tarrowby', kind: 'moved', from: 'Milers', to: 'Fives' }),
    );
    expect(decisionsOf(state)).toMatchObject([
      { names: ['Ada Brindlecote'], rule: 'slipping', isRefused: false, afterReps: 1 },
      { names: ['Bo Tarrowby'], rule: 'spent', isRefused: true },
    ]);
    expect(decisionsOf(state, 'a1')).toHaveLength(1);
  });
  test('in a session under way what is still to come is no difference', () => {
    const { state } = ran('6x400 @5k / 60s', { a0: [88.8] });
    const [review] = reviewRun(state);
    expect(review && differencesOf(review, false)).not.toContainEqual(expect.objectContaining({ kind: 'not-run' }));
  });
});

describe('effort', () => {
  const { arc } = INTENT_FACTS['aerobic-power'];
  const text = '6x800 @5k / 2:00';
  const times = Array.from({ length: 6 }, () => 177.6);
  const read = (efforts: [number, number][], restS = 120) => {
    const cells = cellsOf(
      text,
      { a0: times },
      efforts.map(([rep, effort]) => felt(rep, effort)),
      restS,
    );
    return { cells, reading: readEffort(cells, arc, curve) };
  };
  test('meant, predicted from what was run, and told stand beside each other', () => {
    const { reading } = read([[5, 9]]);
    expect(reading.points).toHaveLength(6);
    expect(reading.points[0]).toMatchObject({ meant: arc.first, predicted: expect.any(Number) });
    expect(reading.points[5]).toMatchObject({ meant: arc.last, reported: 9 });
  });
  test.each<[string, [number, number][], string]>([
    [
      'as meant',
      [
        [1, 6],
        [5, 9],
      ],
      'as-meant',
    ],
    [
      'easy all through',
      [
        [1, 4],
        [3, 5],
        [5, 6],
      ],
      'easy',
    ],
    [
      'the end before half way',
      [
        [1, 9],
        [5, 10],
      ],
      'early',
    ],
    [
      'harder at the end',
      [
        [1, 6],
        [5, 10],
      ],
      'hard',
    ],
  ])('%s is said so', (_, efforts, verdict) => expect(read(efforts).reading).toMatchObject({ verdict }));
  test('an effort of the first rep alone says nothing of the end; where none was told the times speak, and it is said', () => {
    expect(read([[0, 5]]).reading.verdict).toBeUndefined();
    expect(read([]).reading).toMatchObject({ isPredicted: true, verdict: expect.any(String) });
  });
  test('who always tells one lower found it as meant where they tell one less, and is not told to take shorter rests', () => {
    const { cells, reading } = read([
      [1, 5],
      [3, 5.5],
      [5, 6.5],
    ]);
    const theirs = readEffort(cells, arc, curve, { a: -1.5, g: 1 });
    expect(reading.verdict).toBe('easy');
    expect(theirs).toMatchObject({ verdict: 'as-meant', at: { rep: 6, effort: 6.5 } });
    expect(theirs.points[5]?.meant).toBe(arc.last - 1.5);
    const [before, after] = [reading, theirs].map(({ points }) => points[5]?.predicted ?? 0);
    expect((before ?? 0) - (after ?? 0)).toBeCloseTo(1.5, 9);
    expect(nextTime(cells, theirs, arc, curve, { a: -1.5, g: 1 })).toEqual([]);
  });
  test('without an arc or a curve less is said', () => {
    const { cells } = read([[5, 9]]);
    expect(readEffort(cells, undefined, curve)).toEqual({ points: [] });
    expect(readEffort(cells, arc, undefined).points[0]).not.toHaveProperty('predicted');
    expect(readEffort([], arc, curve).points).toEqual([]);
  });
  test('next time: more rest where it was too hard, less or more of it where it was easy, nothing where it was as meant', () => {
    const of = (efforts: [number, number][], restS?: number) => {
      const { cells, reading } = read(efforts, restS);
      return nextTime(cells, reading, arc, curve);
    };
    const [rest] = of(
      [
        [1, 7],
        [5, 10],
      ],
      60,
    );
    expect(rest).toMatchObject({ lever: 'recovery' });
    expect(rest?.to).toBeGreaterThan(rest?.from ?? 0);
    const [less] = of(
      [
        [1, 3],
        [3, 4],
        [5, 4],
      ],
      240,
    );
    expect(less).toMatchObject({ lever: 'recovery' });
    expect(less?.to).toBeLessThan(less?.from ?? 0);
    expect(
      of([
        [1, 6],
        [5, 9],
      ]),
    ).toEqual([]);
  });
  test('everybody at ten, everybody at one, any rests: it always reads', () => {
    const effort = fc.integer({ min: 1, max: 10 });
    fc.assert(
      fc.property(
        fc.array(effort, { minLength: 6, maxLength: 6 }),
        fc.integer({ min: 5, max: 600 }),
        (efforts, restS) => {
          const { cells, reading } = read(
            efforts.map((value, rep): [number, number] => [rep, value]),
            restS,
          );
          for (const { from, to } of nextTime(cells, reading, arc, curve)) expect(to).not.toBe(from);
        },
      ),
      { numRuns: 40 },
    );
  });
});
