import { timeFor } from '../fitness/curve';
import { reviewRun } from '../review/review';
import { resultsOf } from '../review/results';
import { replay } from '../run/replay';
import { simulateRun } from './simulate';
import { chance, curve, planOf, T0, twoGroups } from '../run/testing';

const habits = { curve, rush: 0.03, unevenness: 0.001 };
const everyone = Object.fromEntries(['a0', 'a1', 'b0', 'b1'].map((id) => [id, habits]));
function simulate(seed: number, plan = planOf('warm: 800 @easy\n6x800 @3k / 60s walk')) {
  let n = 0;
  const idAt = () => `x${String(n++).padStart(4, '0')}`;
  return simulateRun({ plan, startAtMs: T0, deviceId: 'd', idAt, random: chance(seed), athletes: everyone });
}

test('is the same for the same seed and another for another', () => {
  expect(simulate(7)).toEqual(simulate(7));
  expect(simulate(7)).not.toEqual(simulate(8));
});

test('runs every rep, the first too fast and the last ones fading', () => {
  const run = { plan: planOf('warm: 800 @easy\n6x800 @3k / 60s walk'), events: simulate(7) };
  const state = replay(run.plan, run.events);
  expect(state.unplaced).toEqual([]);
  expect(resultsOf(run, state).summary).toMatchObject({ athletes: 2, planned: 12, finished: 12, startedAtMs: T0 });
  const deltas = reviewRun(state)[0]?.rows[0]?.cells.map((cell) => cell.deltaS ?? 0) ?? [];
  expect(deltas[0]).toBeLessThan(deltas[1] ?? 0);
  expect(deltas[5]).toBeGreaterThan((deltas[1] ?? 0) + 1);
});

test('a trial is run as fast as their curve allows', () => {
  const plan = planOf('3000 @max');
  const state = replay(plan, simulate(7, plan));
  const [cell] = reviewRun(state)[0]?.rows[0]?.cells ?? [];
  const ableS = timeFor(curve, 3000);
  expect(Math.abs((cell?.actualS ?? 0) / ableS - 1)).toBeLessThan(0.06);
});

test('groups start by their gap, each through its own reps', () => {
  const plan = twoGroups('2x400 @5k / 60s', '3x600 @10k / 90s', 20);
  const events = simulate(3, plan);
  const state = replay(plan, events);
  expect(state.unplaced).toEqual([]);
  expect(state.groups.map(({ startedAtMs }) => (startedAtMs ?? 0) - T0)).toEqual([0, 20_000]);
  expect(resultsOf({ plan, events }, state).summary).toMatchObject({ planned: 10, finished: 10 });
});
