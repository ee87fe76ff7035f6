/** Work that the marks call impossible, and the least level that would allow it: evidence without a reported effort. */
import { curveMovedBy, errorShareFor, type Curve } from '../fitness/curve';
import { gaugeOf } from '../outlook/gauge';
import { predict, stretchesOf, type Point } from '../outlook/predict';
import { MOST_OF_LIMIT } from '../outlook/outlook';
import type { TargetLeg } from '../targets/targetsFor';

/** Beyond these nobody gets by their marks: less reserve than none, by more than its model may be wrong, or twice a flat-out run. */
const IMPOSSIBLE = { leftShare: -0.1, limitShare: 2 };
/** The most that anybody is fitter than their marks: beyond it, times or distances are wrong. */
const MOST = 0.4;
/** Close enough: a fifth of a percent of speed, about 2 s over 5000 m. */
const CLOSE = 0.002;
const FIRST_STEP = 0.03;
const MOST_STEPS = 12;

/** The distance by whose error a curve is judged, and the standard errors beyond which a level is reported plainly. */
const PLAIN = { overM: 5000, ses: 3 };
/** Levels up to this, as ln(speed) above the curve, may be no more than its error. */
export const plainFrom = (curve: Curve): number => PLAIN.ses * errorShareFor(curve, PLAIN.overM);

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
 * @param legs as run. @param wasSpent nothing was left after it. @param least levels up to this are of no interest, and undefined too.
 */
export function shownLevel(curve: Curve, legs: readonly TargetLeg[], wasSpent: boolean, least = 0): number | undefined {
  const pointsAt = (shift: number) => {
    const gauge = gaugeOf(shift === 0 ? curve : curveMovedBy(curve, [shift]));
    return predict(gauge, stretchesOf(gauge, legs)).filter(({ isAsked }) => !isAsked);
  };
  if (!isImpossible(pointsAt(0))) return undefined;
  const allowed = allowedLimit(wasSpent);
  /** Overuse at a level; 0 or below means that the level allows the work. */
  const overAt = (shift: number) => {
    const { reserve, limit } = mostUsed(pointsAt(shift));
    return Math.max(reserve - 1, limit - allowed);
  };
  return rootAbove(overAt, least);
}

/**
 * The least value from which a falling function is 0 or below, to within `CLOSE`, at most `MOST`; undefined if it is at `from`. False
 * position with the mend of Dowell & Jarratt (BIT 11:168, 1971): each value takes a gauge of its own.
 */
function rootAbove(overAt: (shift: number) => number, from: number): number | undefined {
  let [low, lowOver] = [from, overAt(from)];
  if (lowOver <= 0) return undefined;
  let high = Math.min(MOST, from + FIRST_STEP);
  let highOver = overAt(high);
  while (highOver > 0 && high < MOST) {
    [low, lowOver] = [high, highOver];
    high = Math.min(MOST, high + 2 * (high - from));
    highOver = overAt(high);
  }
  for (let i = 0; i < MOST_STEPS && high - low > CLOSE; i++) {
    const between = low + ((high - low) * lowOver) / (lowOver - highOver);
    const shift = Math.min(high - CLOSE / 2, Math.max(low + CLOSE / 2, between));
    const over = overAt(shift);
    if (over <= 0) {
      [high, highOver] = [shift, over];
      lowOver /= 2;
    } else {
      [low, lowOver] = [shift, over];
      highOver /= 2;
    }
  }
  return high;
}
