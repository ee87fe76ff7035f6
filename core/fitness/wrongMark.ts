/** Finds a mark that the others contradict: a slip in typing, a short course, a race jogged home. */
import { errorShareFor, refittedTo, timeFor, type Curve, type WeighedMark } from './curve';
import { enduranceSlopes } from './endurance';
import { enduranceModel } from './enduranceModel';
import { covarianceFrom, varianceAlong } from './leastSquares';
import { shapePrior } from './shapePrior';

/** A mark with its distance from the fit of the others: in ln of time, above 0 is slower, and in standard deviations. */
export type MarkOff = { weighed: WeighedMark; off: number; sds: number };

/** Standard deviations from which the app asks the coach. */
const ASK_SDS = 2.6;
/** Below this first-order estimate the search refits nothing. */
const LOOK_SDS = 2.2;
/** Two marks whose deviations differ by less than a tenth: either may be wrong. */
const ALIKE = 0.9;

/** First-order estimate of the largest deviation of any mark from the others, in standard deviations. */
function roughlyMost(marks: readonly WeighedMark[], curve: Curve): number {
  if (curve.model !== 'endurance') return Infinity;
  const { parameters, leaning } = curve;
  const [lnMap = 0] = enduranceModel.vectorOf(parameters);
  const rows = marks.map(({ mark, timeS, residual, sd }) =>
    enduranceSlopes(parameters, mark.distanceM, timeS / Math.exp(residual)).map((slope) => slope / sd),
  );
  const covariance = covarianceFrom([...rows, ...shapePrior(leaning).slopes(lnMap)], 3);
  const off = marks.map(({ residual, sd }, i) => {
    // The share of the mark in its own fitted time: by so much it bends the curve towards itself.
    const leverage = varianceAlong(rows[i] ?? [], covariance);
    return Math.abs(residual) / sd / Math.sqrt(Math.max(1e-6, 1 - leverage));
  });
  return Math.max(...off);
}

const cache = new WeakMap<Curve, MarkOff[]>();

/**
 * Returns the mark that contradicts the others most, if chance hardly explains it; two if they contradict each other and nothing tells
 * which is right; else none. Compares each mark with a fit without it (leave one out), both with their errors. Cached for each curve.
 */
export function wrongMarksIn(curve: Curve): MarkOff[] {
  const known = cache.get(curve) ?? searched(curve);
  cache.set(curve, known);
  return known;
}

function searched(curve: Curve): MarkOff[] {
  const counted = curve.marks.filter(({ weight }) => weight > 0);
  if (counted.length < 2 || roughlyMost(counted, curve) < LOOK_SDS) return [];
  const found = counted
    .map((weighed): MarkOff => {
      const { distanceM } = weighed.mark;
      const others = refittedTo(
        curve,
        counted.filter((other) => other !== weighed),
      );
      const off = Math.log(weighed.timeS / timeFor(others, distanceM));
      return { weighed, off, sds: Math.abs(off) / Math.hypot(weighed.sd, errorShareFor(others, distanceM)) };
    })
    .sort((a, b) => b.sds - a.sds);
  const [first, second] = found;
  if (!first || first.sds <= ASK_SDS) return [];
  return second && second.sds >= ALIKE * first.sds && second.sds > ASK_SDS ? [first, second] : [first];
}

/** True of a mark that the coach is asked about. */
export const mayBeWrong = (curve: Curve, weighed: WeighedMark): boolean =>
  wrongMarksIn(curve).some((wrong) => wrong.weighed === weighed);
