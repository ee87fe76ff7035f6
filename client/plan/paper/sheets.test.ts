import { fitCurve } from '@core/fitness/curve';
import { curveBook } from '@core/paces/shippedPaceBooks';
import type { AthletePlan } from '@core/planning/athletePlans';
import { read } from '@core/session/testing';
import { targetsFor } from '@core/targets/targetsFor';
import { standardTrack } from '@core/venue/venue';
import { blocksOf, blockTarget, boxesOf, inParts, timedReps } from './sheets';

/** What somebody with that time over 5 km runs; of a plan only what the sheets look at. */
function planFor(text: string, timeS: number): AthletePlan {
  const curve = fitCurve([{ distanceM: 5000, timeS, date: '2026-11-01', kind: 'race' }], { asOf: '2026-11-20' });
  const legs = targetsFor(read(text), { curve, paceBook: curveBook, venue: standardTrack });
  return { legs } as unknown as AthletePlan;
}

test('reps are cut to what a page takes, as evenly as can be', () => {
  const reps = Array.from({ length: 12 }, (_, i) => i);
  expect(inParts(reps, 9).map(({ length }) => length)).toEqual([6, 6]);
  expect(inParts(reps, 12).map(({ length }) => length)).toEqual([12]);
  expect(inParts(reps, 5).flat()).toEqual(reps);
  expect(inParts([], 9)).toEqual([[]]);
});

test('a card has a box for every rep', () => {
  expect(
    boxesOf([
      { times: 8, what: '400', passes: [] },
      { times: 4, what: '200', passes: [] },
    ]),
  ).toBe(12);
});

describe('targets on the sheets', () => {
  const blocks = (...texts: string[]) => {
    const plans = texts.map((text, i) => planFor(text, 1000 + i * 60));
    const [first] = plans;
    return { plans, blocks: blocksOf(plans, timedReps(first?.legs ?? [])) };
  };
  test('stand once for as long as they hold', () => {
    const { plans, blocks: found } = blocks(
      '8x400 @5k / 75s jog, 4x200 @mile / 200m jog',
      '8x400 @5k / 75s jog, 4x200 @mile / 200m jog',
    );
    expect(found.map(({ from, times }) => [from, times])).toEqual([
      [0, 8],
      [8, 4],
    ]);
    const [quick, slow] = plans.map((plan) => found.map((block) => blockTarget(plan, block, 0.1)));
    expect(quick?.[0]).toMatch(/^1:20\.\d$/);
    expect(slow?.[0]).not.toBe(quick?.[0]);
    expect(slow?.[1]).toMatch(/^\d\d\.\d$/);
  });
  test('stand anew where one of them changes, though the rep is called the same', () => {
    const { blocks: found } = blocks('4x400 @5k / 60s', '2x400 @5k / 60s, 2x400 @3k / 60s');
    expect(found.map(({ from, times }) => [from, times])).toEqual([
      [0, 2],
      [2, 2],
    ]);
  });
  test('there is none where a rep is run by effort', () => {
    const { plans, blocks: found } = blocks('3x400 @effort 8 / 60s');
    expect(found).toHaveLength(1);
    expect(plans.map((plan) => found.map((block) => blockTarget(plan, block, 0.1)))).toEqual([['']]);
  });
});
