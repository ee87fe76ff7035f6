/** Findings in the order of reasons, from any times whatever; and what the efforts of a squad ask for. */
import fc from 'fast-check';
import { reviewRun } from '../review/review';
import type { RunEvent } from '../run/events';
import { replay } from '../run/replay';
import { at, curve, end, pass, planOf, start } from '../run/testing';
import { INTENT_FACTS } from '../session/intent';
import { factsOf } from './facts';
import { FINDING_KINDS, findingsOf } from './findings';
import { small, squadLever } from './lever';

const ON = [88.8, 88.6, 88.9, 88.7, 88.8, 88.9];
const TEXT = '6x400 @5k / 60s';

/** Reps of two athletes, one after the other with so much rest. */
function factsAfter(times: { a0: number[]; a1?: number[] }, more: RunEvent[] = [], restS = 60, text = TEXT) {
  const plan = { ...planOf(text), arc: INTENT_FACTS['aerobic-power'].arc };
  const events: RunEvent[] = [];
  let atS = 0;
  times.a0.forEach((timeS, rep) => {
    events.push(start(atS, rep), pass(atS + timeS, 'a0', 400, rep));
    const other = times.a1?.[rep];
    if (other !== undefined) events.push(pass(atS + other, 'a1', 400, rep));
    atS += Math.max(timeS, other ?? 0) + restS;
  });
  const state = replay(plan, [...events, end(atS + 100), ...more]);
  return factsOf({ plan, state, reviews: reviewRun(state), knownOf: () => ({ curve }) });
}
const kinds = (...args: Parameters<typeof factsAfter>) =>
  findingsOf(factsAfter(...args)).findings.map(({ kind }) => kind);
const felt = (repIndex: number, effort: number, athleteId = 'a0') =>
  at(5000 + repIndex, { type: 'felt', athleteId, repIndex, effort });

test('nothing, where all is well', () => {
  expect(findingsOf(factsAfter({ a0: ON, a1: ON }))).toMatchObject({ findings: [], judged: 12, on: 12, finished: 12 });
});

test('late and early by name, the furthest off first', () => {
  const late = (s: number) => ON.map((timeS) => timeS + s);
  expect(findingsOf(factsAfter({ a0: late(2), a1: late(3) })).findings[0]).toMatchObject({
    kind: 'late',
    people: [
      { name: 'Bo Tarrowby', value: expect.closeTo(2.98, 1) },
      { name: 'Ada Brindlecote', value: expect.closeTo(1.98, 1) },
    ],
  });
  expect(kinds({ a0: late(-2), a1: ON })).toEqual(['early']);
});

test('a trial is all they have, whatever they tell of it', () => {
  const facts = factsAfter({ a0: ON, a1: ON }, [felt(5, 3), felt(5, 3, 'a1')]);
  expect(findingsOf(facts).findings.map(({ kind }) => kind)).toEqual(['easier']);
  expect(findingsOf({ ...facts, intent: 'test' }).findings).toEqual([]);
});

test('who stops in the first rep, with no time at all, is named', () => {
  const plan = planOf(TEXT);
  const stop = at(40, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' }, repIndex: 0 });
  const why = at(41, { type: 'stopReason', athleteId: 'a0', reason: 'pain' });
  const state = replay(plan, [start(0, 0), stop, why, end(60)]);
  expect(findingsOf(factsOf({ plan, state, reviews: reviewRun(state) })).findings).toEqual([
    { kind: 'pain', people: [expect.objectContaining({ name: 'Ada Brindlecote', value: 1, isMid: true })] },
  ]);
});

test('reps without a target say why: flat out, or no pace asked', () => {
  const read = (text: string) => findingsOf(factsAfter({ a0: [88, 88] }, [], 60, text));
  expect(read('2x400 @max / 60s').untargeted).toBe('flat-out');
  expect(read('2x400 / 60s').untargeted).toBe('no-pace');
  expect(read(TEXT).untargeted).toBeUndefined();
});

test('a fade within tolerance only where it is sure; from a rep on for good it is another thing', () => {
  expect(kinds({ a0: [88, 88.3, 88.7, 88.9, 89.2, 89.6], a1: ON })).toEqual(['faded']);
  expect(kinds({ a0: [88.8, 88.8, 88.8, 91, 91, 91], a1: ON })).toEqual(['fell-behind']);
});

test('care first, then rests of nobody by name; who was not well is not blamed for anything', () => {
  const stop = at(200, { type: 'decided', athleteIds: ['a1'], decision: { kind: 'stop' } });
  const niggle = at(300, { type: 'flagged', athleteId: 'a0', repIndex: 1, flag: 'niggle' });
  const late = ON.map((timeS) => timeS + 4);
  const read = findingsOf(factsAfter({ a0: late, a1: [88.8] }, [stop, niggle], 90));
  expect(read.findings.map(({ kind }) => kind)).toEqual(['niggle', 'stopped', 'rest-off']);
  expect(read.findings[1]?.people).toEqual([expect.objectContaining({ name: 'Bo Tarrowby' })]);
  expect(read.findings[2]?.value).toBeGreaterThan(25);
});

test('at most three things in the order of reasons, each naming somebody or telling a number, from any times whatever', () => {
  const time = fc.double({ min: 70, max: 120, noNaN: true });
  const told = fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 1, max: 10 })), { maxLength: 4 });
  fc.assert(
    fc.property(
      fc.array(time, { minLength: 1, maxLength: 6 }),
      fc.array(time, { maxLength: 6 }),
      told,
      (a0, a1, efforts) => {
        const read = findingsOf(
          factsAfter(
            { a0, a1 },
            efforts.map(([rep, effort]) => felt(rep, effort)),
          ),
        );
        const order = read.findings.map(({ kind }) => FINDING_KINDS.indexOf(kind));
        expect(order.length).toBeLessThanOrEqual(3);
        expect([...order].sort((a, b) => a - b)).toEqual(order);
        for (const { people, value } of read.findings) expect(people.length > 0 || value !== undefined).toBe(true);
        expect(read.on).toBeLessThanOrEqual(read.judged);
      },
    ),
    { numRuns: 60 },
  );
});

test('one athlete, one rep, no targets, nobody there', () => {
  const plan = planOf('400', ['Ada']);
  const read = (events: RunEvent[]) => {
    const state = replay(plan, events);
    return findingsOf(factsOf({ plan, state, reviews: reviewRun(state) }));
  };
  expect(read([start(0, 0, ['a0']), pass(70, 'a0', 400), end(100)])).toEqual({
    findings: [],
    judged: 0,
    on: 0,
    finished: 1,
    untargeted: 'no-pace',
  });
  expect(read([]).finished).toBe(0);
});

describe('what the efforts of most ask for', () => {
  const both = (efforts: [number, number][]) =>
    efforts.flatMap(([rep, effort]) => [felt(rep, effort), felt(rep, effort, 'a1')]);
  const hard = both([
    [1, 7],
    [5, 10],
  ]);
  test('more rest where it was run as asked and was too hard, by a quarter at most', () => {
    expect(squadLever(factsAfter({ a0: ON, a1: ON }, hard))).toMatchObject({ lever: 'recovery', from: 60, to: 75 });
  });
  test('nothing where it was run too fast, or late, or was as meant', () => {
    const off = (s: number) => ON.map((timeS) => timeS + s);
    expect(squadLever(factsAfter({ a0: off(-3), a1: off(-3) }, hard))).toBeUndefined();
    expect(squadLever(factsAfter({ a0: off(3), a1: off(3) }, hard))).toBeUndefined();
    expect(squadLever(factsAfter({ a0: ON, a1: ON }, both([[5, 9]])))).toBeUndefined();
  });
});

test('what efforts ask for is made small', () => {
  const change = { path: [0, 0], from: 8, to: 12, lever: 'count' as const, set: { kind: 'count' as const, n: 12 } };
  expect(small(change, undefined)).toMatchObject({ to: 9, set: { n: 9 } });
  const rest = {
    ...change,
    from: 60,
    to: 200,
    lever: 'recovery' as const,
    set: { kind: 'recovery' as const, durationS: 200 },
  };
  expect(small(rest, undefined)).toMatchObject({ to: 75, set: { durationS: 75 } });
  expect(small({ ...rest, from: 120 }, 'threshold')).toBeUndefined();
  const pace = { ...change, from: 1, to: 0.9, lever: 'pace' as const, set: { kind: 'pace' as const, share: 0.9 } };
  expect(small(pace, undefined)).toMatchObject({ to: 0.97 });
});
