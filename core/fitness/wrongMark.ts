/** The mark that may be wrong, found by asking each time what all the others say: a slip in typing, a short course, a race jogged home. */
import { errorShareFor, refittedTo, timeFor, type Curve, type WeighedMark } from './curve';
import { enduranceSlopes } from './endurance';
import { enduranceModel } from './enduranceModel';
import { covarianceFrom } from './leastSquares';
import { shapePrior } from './shapePrior';

/** A mark, by how much it is off what the others say (ln of time, above 0 is slower), and that in standard deviations. */
export type MarkOff = { weighed: WeighedMark; off: number; sds: number };

/** Beyond so many standard deviations the coach is asked. */
const ASK_SDS = 2.6;
/** By a linear estimate no mark comes near that: refitting without each of them is saved. */
const LOOK_SDS = 2.2;
/** Two that are so nearly as far off each other: either may be the wrong one. */
const ALIKE = 0.9;

/** The largest deviation of any mark from what the others say, in standard deviations, to first order. */
function roughlyMost(marks: readonly WeighedMark[], curve: Curve): number {
  if (curve.model !== 'endurance') return Infinity;
  const { parameters, leaning } = curve;
  const [lnMap = 0] = enduranceModel.vectorOf(parameters);
  const prior = shapePrior(leaning);
  const rows = marks.map(({ mark, timeS, residual, sd }) =>
    enduranceSlopes(parameters, mark.distanceM, timeS / Math.exp(residual)).map((slope) => slope / sd),
  );
  const covariance = covarianceFrom(
    [...rows, [0, 1 / prior.e.sd, 0], [-prior.aSlopeS(lnMap) / prior.aSdS, 0, 1 / prior.aSdS]],
    3,
  );
  const off = marks.map(({ residual, sd }, i) => {
    const row = rows[i] ?? [];
    // The share of the mark in its own fitted time: of its weight that much only bends the curve to it.
    const leverage = row.reduce(
      (sum, a, j) => sum + row.reduce((inner, b, k) => inner + a * b * (covariance[j]?.[k] ?? 0), 0),
      0,
    );
    return Math.abs(residual) / sd / Math.sqrt(Math.max(1e-6, 1 - leverage));
  });
  return Math.max(...off);
}

const cache = new WeakMap<Curve, MarkOff[]>();

/**
 * The mark that fits what the others say least, where that is hardly chance; two where they contradict each other and nothing else tells
 * which is right. Empty otherwise. Each is held against a fit without it (leave one out), both with their errors; cached for each curve.
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
