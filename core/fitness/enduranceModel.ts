import { clamp } from './clamp';
import {
  enduranceSlopes,
  enduranceSpeedFor,
  enduranceTimeFor,
  powerNeeded,
  type EnduranceParameters,
} from './endurance';
import { covarianceFrom, leastSquares } from './leastSquares';
import { scaledByMisfit } from './misfit';
import type { CurveFit, Model } from './model';
import type { Weighed } from './weighing';

/** Priors on the shape, from the spread among trained runners: E/MAP and A/MAP (s). MAP itself has none. */
const PRIOR = { e: { mean: -0.05, sd: 0.012 }, a: { mean: 55, sd: 8 } };
/**
 * Odd marks must not bend the curve into nonsense: E and A stay within three standard deviations of their priors. A lower A
 * would even make a runner faster over a longer distance.
 */
const LN_MAP = { min: Math.log(3), max: Math.log(60) };
const BOUNDS = { e: { min: -0.086, max: -0.014 }, a: { min: 31, max: 79 } };
/** A mark this many standard deviations off is flagged, and its pull is capped (Huber 1964). */
export const OUTLIER_SD = 3;

/** The shape vector (ln MAP, E/MAP, A/MAP) as model parameters, kept inside the bounds. */
function parametersOf(x: readonly number[]): EnduranceParameters {
  const [lnMap = 0, e = PRIOR.e.mean, a = PRIOR.a.mean] = x;
  const mapWkg = Math.exp(clamp(lnMap, LN_MAP));
  return { mapWkg, eWkg: clamp(e, BOUNDS.e) * mapWkg, aJkg: clamp(a, BOUNDS.a) * mapWkg };
}

/** This share of the square remains beyond OUTLIER_SD, so that of two contradicting marks the level stays determined. */
const BEYOND = 0.02;

/** A residual in standard deviations, its square growing almost linearly beyond OUTLIER_SD, so that one wild mark leaves the rest alone. */
function tempered(residual: number): number {
  const off = Math.abs(residual);
  if (off <= OUTLIER_SD) return residual;
  return Math.sign(residual) * Math.sqrt(OUTLIER_SD * (2 * off - OUTLIER_SD) + BEYOND * (off - OUTLIER_SD) ** 2);
}
/** How the tempered residual grows with the plain one. */
function temperedSlope(residual: number): number {
  const off = Math.abs(residual);
  return off <= OUTLIER_SD ? 1 : (OUTLIER_SD + BEYOND * (off - OUTLIER_SD)) / Math.abs(tempered(residual));
}

/** Penalised least squares on ln(time), with priors on the shape and none on MAP: one mark is met exactly, two also bend the curve. */
function fit(marks: readonly Weighed[]): CurveFit {
  // Starting from the power each mark would need in a steady 7 minutes keeps the solver inside a few steps.
  const startMap = Math.max(...marks.map(({ mark, timeS }) => powerNeeded(mark.distanceM / timeS, mark.distanceM)));
  // The solver asks for slopes where it has just asked for residuals: cache the times.
  let cached: { x: readonly number[]; times: number[] } | undefined;
  const timesAt = (x: readonly number[]) => {
    if (cached?.x === x) return cached.times;
    const p = parametersOf(x);
    const timeOver = new Map<number, number>();
    for (const { mark, timeS } of marks)
      if (!timeOver.has(mark.distanceM)) timeOver.set(mark.distanceM, enduranceTimeFor(p, mark.distanceM, timeS));
    const times = marks.map(({ mark, timeS }) => timeOver.get(mark.distanceM) ?? timeS);
    cached = { x, times };
    return times;
  };
  const plain = (curveS: number, { timeS, sd }: Weighed) => Math.log(curveS / timeS) / sd;
  const residuals = (x: readonly number[]) => [
    ...timesAt(x).map((timeS, i) => tempered(plain(timeS, marks[i] as Weighed))),
    ((x[1] ?? 0) - PRIOR.e.mean) / PRIOR.e.sd,
    ((x[2] ?? 0) - PRIOR.a.mean) / PRIOR.a.sd,
  ];
  const slopesBy = (slope: (residual: number) => number) => (x: readonly number[]) => {
    const p = parametersOf(x);
    return [
      ...timesAt(x).map((timeS, i) => {
        const mark = marks[i] as Weighed;
        const [byLevel, byE, byA] = enduranceSlopes(p, mark.mark.distanceM, timeS);
        const scale = slope(plain(timeS, mark)) / mark.sd;
        return [byLevel * scale, byE * scale, byA * scale];
      }),
      [0, 1 / PRIOR.e.sd, 0],
      [0, 0, 1 / PRIOR.a.sd],
    ];
  };
  const { x } = leastSquares(residuals, [Math.log(startMap), PRIOR.e.mean, PRIOR.a.mean], {
    jacobian: slopesBy(temperedSlope),
    bounds: [LN_MAP, BOUNDS.e, BOUNDS.a],
  });
  // Errors use the plain residuals: what tempering takes from a wild mark is counted once, as misfit.
  const covariance = covarianceFrom(slopesBy(() => 1)(x), x.length);
  const untempered = [...timesAt(x).map((timeS, i) => plain(timeS, marks[i] as Weighed)), ...residuals(x).slice(-2)];
  return { x, covariance: scaledByMisfit(covariance, untempered, x.length) };
}

/** The default model (see endurance.ts). The unknowns: ln MAP, E/MAP, A/MAP in seconds. */
export const enduranceModel: Model<EnduranceParameters> = {
  fit,
  parametersOf,
  vectorOf: ({ mapWkg, eWkg, aJkg }) => [Math.log(mapWkg), eWkg / mapWkg, aJkg / mapWkg],
  timeFor: enduranceTimeFor,
  speedFor: enduranceSpeedFor,
  steps: [1e-4, 1e-4, 1e-2],
};
