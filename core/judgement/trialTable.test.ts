/** After a trial or an indicator: what it was worth, and the goal. */
import { reviewRun } from '../review/review';
import { askedOf, readFitness } from '../review/fitnessReading';
import { at, curve, DAY, end, pass, planOf, start } from '../run/testing';
import { replay } from '../run/replay';
import type { Curve } from '../fitness/curve';
import type { Happening } from '../run/events';
import type { Intent } from '../session/intent';
import { factsOf } from './facts';
import { trialTable } from './trialTable';

const goal = { distanceM: 5000, timeS: 1080, date: '2027-05-01' };

function rowOf(
  text: string,
  intent: Intent,
  times: number[],
  more: Happening[] = [],
  known: { curve?: Curve } = { curve },
) {
  const plan = { ...planOf(text, ['Ada']), intent };
  const [group] = plan.groups;
  let atS = 0;
  const events = times.flatMap((timeS, rep) => {
    const from = atS;
    atS += timeS + 60;
    return [start(from, rep, ['a0']), pass(from + timeS, 'a0', group?.reps[rep]?.distanceM ?? 0, rep)];
  });
  const state = replay(plan, [...events, end(atS), ...more.map((happening) => at(atS, happening))]);
  const reviews = reviewRun(state);
  const facts = factsOf({ plan, state, reviews, knownOf: () => known });
  const [row] = reviews.flatMap(({ rows }) => rows);
  const reading =
    row && known.curve && readFitness(askedOf(row, intent, goal, { curve: known.curve, conditions: state.conditions }));
  return trialTable(facts, () => ({ ...known, goal, ...(reading ? { reading } : {}) }))[0];
}

test('a trial: expected by the marks, run, worth, and a mark to keep', () => {
  const row = rowOf('3000 @max', 'test', [640]);
  expect(row).toMatchObject({ distanceM: 3000, goal, marks: [{ distanceM: 3000, kind: 'trial', date: DAY }] });
  expect(row?.expectedS ?? 0).toBeGreaterThan(630);
  expect(row?.ranS).toBeCloseTo(640, 0);
  expect(row?.worth?.fiveKS ?? 0).toBeGreaterThan(1000);
});

test('a first trial is all there is to go by: its worth, and the goal', () => {
  const row = rowOf('3000 @max', 'test', [640], [], {});
  expect(row?.expectedS).toBeUndefined();
  expect(row?.worth?.fiveKS ?? 0).toBeGreaterThan(1090);
  expect(row?.worth?.fiveKS ?? 0).toBeLessThan(1130);
  expect(row?.verdict).toMatchObject({ kind: 'short' });
  expect(rowOf('3000 @max', 'test', [600], [], {})?.verdict).toEqual({ kind: 'there' });
});

test('nothing is kept of a hot day, a niggle or a stop', () => {
  expect(
    rowOf('3000 @max', 'test', [640], [{ type: 'conditions', conditions: { temperatureC: 31, humidityPct: 60 } }])
      ?.marks,
  ).toEqual([]);
  expect(
    rowOf('3000 @max', 'test', [640], [{ type: 'flagged', athleteId: 'a0', repIndex: 0, flag: 'niggle' }])?.marks,
  ).toEqual([]);
});

test('reps at the goal’s pace: there, so many seconds a kilometre short, or too early to say', () => {
  // 1000 at a goal that is the same as now: 3:42 each.
  const on = rowOf('5x1000 @goal 5k / 60s', 'indicator', [222, 222, 222, 222, 222]);
  expect(on).toMatchObject({ reps: { held: 5, of: 5 }, verdict: { kind: 'there' } });
  const short = rowOf('5x1000 @goal 5k / 60s', 'indicator', [222, 224, 226, 228, 230]);
  expect(short?.verdict).toMatchObject({ kind: 'short', sPerKm: expect.closeTo(4, 0) });
});

test('the quickest stands first, whatever the order of the plan', () => {
  const plan = { ...planOf('1500 @max', ['Ada', 'Bo', 'Cleo']), intent: 'test' as const };
  const state = replay(plan, [
    start(0, 0, ['a0', 'a1', 'a2']),
    pass(290, 'a2', 1500, 0),
    pass(305, 'a0', 1500, 0),
    pass(310, 'a1', 1500, 0),
    end(400),
  ]);
  const facts = factsOf({ plan, state, reviews: reviewRun(state), knownOf: () => ({ curve }) });
  expect(trialTable(facts, () => ({})).map(({ name }) => name)).toEqual(['Cleo', 'Ada', 'Bo']);
});
