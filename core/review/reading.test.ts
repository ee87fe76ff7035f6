/** A session as a coach reads it: what matters, habits, differences, effort. */
import fc from 'fast-check';
import { INTENT_FACTS } from '../session/intent';
import type { Happening, RunEvent } from '../run/events';
import { replay } from '../run/replay';
import { at, curve, end, pass, planOf, start, twoGroups } from '../run/testing';
import { decisionsOf, differencesOf } from './differences';
import { nextTime, readEffort, squadEffort } from './effortReading';
import { findingsOf } from './findings';
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

const ON = [88.8, 88.6, 88.9, 88.7, 88.8, 88.9];

describe('what matters', () => {
  const kinds = (...args: Parameters<typeof ran>) => findingsOf(reviewsOf(...args)).findings.map(({ kind }) => kind);
  test('nothing, where all is well', () => {
    const read = findingsOf(reviewsOf('6x400 @5k / 60s', { a0: ON, a1: ON }));
    expect(read).toMatchObject({ findings: [], judged: 12, on: 12, finished: 12 });
  });
  test('late and early by name, the furthest off first', () => {
    const late = (s: number) => ON.map((timeS) => timeS + s);
    expect(findingsOf(reviewsOf('6x400 @5k / 60s', { a0: late(2), a1: late(3) })).findings[0]).toMatchObject({
      kind: 'late',
      people: [
        { name: 'Bo Tarrowby', value: expect.closeTo(2.98, 1) },
        { name: 'Ada Brindlecote', value: expect.closeTo(1.98, 1) },
      ],
    });
    expect(kinds('6x400 @5k / 60s', { a0: late(-2), a1: ON })).toEqual(['early']);
  });
  test('a fade only where it is sure, a first rep too quick, a last one raced', () => {
    expect(kinds('6x400 @5k / 60s', { a0: [87.9, 88.3, 88.8, 89.1, 89.4, 89.6], a1: ON })).toContain('faded');
    expect(kinds('6x400 @5k / 60s', { a0: [86.6, 88.8, 88.7, 88.9, 88.8, 88.6], a1: ON })).toEqual(['first-early']);
    expect(kinds('6x400 @5k / 60s', { a0: [88.8, 88.7, 88.9, 88.8, 88.6, 86], a1: ON })).toContain('last-fast');
  });
  test('who stopped or was not well comes first; rests that came out longer are of nobody by name', () => {
    const stop = at(200, { type: 'decided', athleteIds: ['a1'], decision: { kind: 'stop' } });
    const stitch = at(300, { type: 'flagged', athleteId: 'a0', repIndex: 1, flag: 'stitch' });
    const read = findingsOf(reviewsOf('6x400 @5k / 60s', { a0: ON, a1: [88.8] }, [stop, stitch], 90));
    expect(read.findings.map(({ kind }) => kind)).toEqual(['stopped', 'unwell', 'rest-off']);
    expect(read.findings[0]?.people).toEqual([expect.objectContaining({ name: 'Bo Tarrowby' })]);
    expect(read.findings[2]?.value).toBeCloseTo(30, 0);
  });
  test('at most three things, from any times whatever', () => {
    const time = fc.double({ min: 70, max: 120, noNaN: true });
    fc.assert(
      fc.property(fc.array(time, { minLength: 1, maxLength: 6 }), fc.array(time, { maxLength: 6 }), (a0, a1) => {
        const read = findingsOf(reviewsOf('6x400 @5k / 60s', { a0, a1 }));
        expect(read.findings.length).toBeLessThanOrEqual(3);
        expect(read.on).toBeLessThanOrEqual(read.judged);
      }),
      { numRuns: 60 },
    );
  });
  test('one athlete, one rep, no targets, nobody there', () => {
    const single = planOf('400', ['Ada']);
    const read = (events: RunEvent[]) => findingsOf(reviewRun(replay(single, events)));
    expect(read([start(0, 0, ['a0']), pass(70, 'a0', 400), end(100)])).toEqual({
      findings: [],
      judged: 0,
      on: 0,
      finished: 1,
    });
    expect(read([]).finished).toBe(0);
  });
});

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
    const theirs = readEffort(cells, arc, curve, { a: -2, g: 1 });
    expect(reading.verdict).toBe('easy');
    expect(theirs).toMatchObject({ verdict: 'as-meant', at: { rep: 6, effort: 6.5 } });
    expect(theirs.points[5]?.meant).toBe(arc.last - 2);
    const [before, after] = [reading, theirs].map(({ points }) => points[5]?.predicted ?? 0);
    expect((before ?? 0) - (after ?? 0)).toBeCloseTo(2, 9);
    expect(nextTime(cells, theirs, arc, curve, { a: -2, g: 1 })).toEqual([]);
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
  test('of a squad: how many found it as meant, who did not, and what most would have needed', () => {
    const tooHard = read(
      [
        [1, 7],
        [5, 10],
      ],
      60,
    );
    const fine = read([
      [1, 6],
      [5, 9],
    ]);
    const someone = (name: string, { cells, reading }: typeof fine) => ({
      name,
      reading,
      change: () => nextTime(cells, reading, arc, curve),
    });
    expect(squadEffort([someone('Ada', tooHard), someone('Bo', tooHard), someone('Cleo', fine)])).toMatchObject({
      told: 3,
      asMeant: 1,
      hard: ['Ada', 'Bo'],
      easy: [],
      change: { lever: 'recovery' },
    });
    expect(squadEffort([someone('Ada', tooHard), someone('Cleo', fine)])).not.toHaveProperty('change');
    expect(squadEffort([])).toEqual({ told: 0, asMeant: 0, easy: [], hard: [] });
  });
});
