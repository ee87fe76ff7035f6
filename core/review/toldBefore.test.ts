/** Efforts told in a session before, read from its rows alone. */
import { at, curve, end, pass, planOf, start } from '../run/testing';
import { replay } from '../run/replay';
import { effortPairs } from './effortReading';
import { partOf } from './results';
import { reviewRun } from './review';
import { toldIn } from './toldBefore';

const felt = (repIndex: number, effort: number) =>
  at(9000 + repIndex, { type: 'felt', athleteId: 'a0', repIndex, effort });

function ran(text: string, times: number[]) {
  const plan = planOf(text);
  const events = times.flatMap((timeS, rep) => [
    start(rep * 400, rep),
    ...(plan.groups[0]?.reps[rep]?.distanceM === undefined
      ? []
      : [pass(rep * 400 + timeS, 'a0', plan.groups[0].reps[rep].distanceM, rep)]),
  ]);
  return { plan, events: [...events, end(times.length * 400)] };
}

test.each([
  ['6x800 @5k / 2:00 jog', [6, 8]],
  ['3x800 @5k / 200m jog', [6, 8]],
  // Uphill, and by the clock without metres, nothing is predicted.
  ['8x200 hill @5k / walk back', []],
  ['4x3min @threshold / 60s', []],
])('rows say the same of %s as the log does', (text, reported) => {
  const { plan, events } = ran(text, [177, 178, 176]);
  const state = replay(plan, [...events, felt(0, 6), felt(2, 8)]);
  const cells = reviewRun(state)[0]?.rows[0]?.cells ?? [];
  const told = toldIn({ date: plan.date, rows: partOf(plan, state, 'a0').reps }, curve);
  expect(told).toEqual(effortPairs(cells, curve));
  expect(told.map((pair) => pair.reported)).toEqual(reported);
});

test('a rep that is left out of the reading, or was not finished, tells nothing', () => {
  const { plan, events } = ran('3x800 @5k / 2:00', [177, 178]);
  const out = at(9500, { type: 'excluded', athleteId: 'a0', repIndex: 0, reason: 'fell' });
  const state = replay(plan, [...events, start(1000, 2), felt(0, 6), felt(1, 7), felt(2, 8), out]);
  expect(
    toldIn({ date: plan.date, rows: partOf(plan, state, 'a0').reps }, curve).map(({ reported }) => reported),
  ).toEqual([7]);
});
