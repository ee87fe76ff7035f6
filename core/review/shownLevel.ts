/** Work that the marks call impossible, and the least level that would allow it: evidence without a reported effort. */
import { curveMovedBy, type Curve } from '../fitness/curve';
import { gaugeOf } from '../outlook/gauge';
import { predict, stretchesOf, type Point } from '../outlook/predict';
import { MOST_OF_LIMIT } from '../outlook/outlook';
import type { TargetLeg } from '../targets/targetsFor';

/** Beyond these nobody gets by their marks: less reserve than none, by more than its model may be wrong, or twice a flat-out run. */
const IMPOSSIBLE = { leftShare: -0.1, limitShare: 2 };
/** The most that anybody is fitter than their marks: beyond it, times or distances are wrong. */
const MOST = 0.4;
const STEPS = 12;

/** The most that was used of each gauge after any rep. */
export type MostUsed = { reserve: number; limit: number };

export const mostUsed = (points: readonly Point[]): MostUsed => ({
  reserve: 1 - Math.min(1, ...points.map(({ leftShare }) => leftShare)),
  limit: Math.max(0, ...points.map(({ limitShare }) => limitShare)),
});

export const isImpossible = (points: readonly Point[]): boolean =>
  points.some(({ leftShare, limitShare }) => leftShare < IMPOSSIBLE.leftShare || limitShare > IMPOSSIBLE.limitShare);

/** The share of a flat-out run that reps may come to: a race in pieces more than a session that left something. */
export const allowedLimit = (wasSpent: boolean): number => (wasSpent ? MOST_OF_LIMIT : 1);

/**
 * The least level, as ln(speed) above the curve, that allows the work; undefined if the curve allows it already.
 * @param legs as run. @param wasSpent nothing was left after it.
 */
export function shownLevel(curve: Curve, legs: readonly TargetLeg[], wasSpent: boolean): number | undefined {
  const pointsAt = (shift: number) => {
    const gauge = gaugeOf(shift === 0 ? curve : curveMovedBy(curve, [shift]));
    return predict(gauge, stretchesOf(gauge, legs)).filter(({ isAsked }) => !isAsked);
  };
  if (!isImpossible(pointsAt(0))) return undefined;
  const isEnough = (shift: number) => {
    const { reserve, limit } = mostUsed(pointsAt(shift));
    return reserve <= 1 && limit <= allowedLimit(wasSpent);
  };
  let [low, high] = [0, MOST];
  for (let i = 0; i < STEPS; i++) {
    const middle = (low + high) / 2;
    if (isEnough(middle)) high = middle;
    else low = middle;
  }
  return high;
}
