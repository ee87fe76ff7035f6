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
import { shapePrior, WIDEST, type Leaning } from './shapePrior';
import type { Weighed } from './weighing';

const LN_MAP = { min: Math.log(3), max: Math.log(60) };
/** The pull of a mark this many standard deviations off is capped (Huber 1964). */
const OUTLIER_SD = 3;

/** The shape vector (ln MAP, E/MAP, A/MAP) as model parameters, kept inside the bounds. */
function parametersOf(x: readonly number[]): EnduranceParameters {
  const [lnMap = 0, e = 0, aS = 0] = x;
  const mapWkg = Math.exp(clamp(lnMap, LN_MAP));
  return { mapWkg, eWkg: clamp(e, WIDEST.e) * mapWkg, aJkg: clamp(aS, WIDEST.a) * mapWkg };
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

/**
 * Spread of the rates at which runners get quicker or slower, as a share of time a week, and the weeks after which a mark drifts no
 * further. This project's own values.
 */
const DRIFT = { sd: 0.0012, mostWeeks: 26 };

/**
 * Penalised least squares on ln(time), with priors on the shape and none on MAP: one mark is met exactly, two also bend the curve. Beside
 * them goes a drift: older marks were run at another level. It ends with the newest mark, so that nobody's paces change by waiting.
 */
function fit(marks: readonly Weighed[], leaning?: Leaning): CurveFit {
  const prior = shapePrior(leaning);
  // Starting from the power each mark would need in a steady 7 minutes keeps the solver inside a few steps.
  const levels = marks
    .map(({ mark, timeS }) => Math.log(powerNeeded(mark.distanceM / timeS, mark.distanceM)))
    .sort((a, b) => a - b);
  const startLnMap = levels.at(-1) ?? 0;
  // The bounds hang on the middle mark: no wild one moves them.
  const bounds = prior.boundsAt(levels[(levels.length - 1) >> 1] ?? 0);
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
  const plain = (curveS: number, { timeS, driftedSd }: Weighed) => Math.log(curveS / timeS) / driftedSd;
  const newestDays = Math.min(...marks.map(({ ageDays }) => ageDays));
  const weeksOf = ({ ageDays }: Weighed) => Math.min(DRIFT.mostWeeks, (ageDays - newestDays) / 7);
  const off = (x: readonly number[], curveS: number, mark: Weighed) =>
    plain(curveS, mark) + ((x[3] ?? 0) * weeksOf(mark)) / mark.driftedSd;
  const residuals = (x: readonly number[]) => [
    ...timesAt(x).map((timeS, i) => tempered(off(x, timeS, marks[i] as Weighed))),
    (x[3] ?? 0) / DRIFT.sd,
    ...prior.residuals(x[0] ?? 0, x[1] ?? 0, x[2] ?? 0),
  ];
  const slopesBy = (slope: (residual: number) => number) => (x: readonly number[]) => {
    const p = parametersOf(x);
    return [
      ...timesAt(x).map((timeS, i) => {
        const mark = marks[i] as Weighed;
        const [byLevel, byE, byA] = enduranceSlopes(p, mark.mark.distanceM, timeS);
        const scale = slope(off(x, timeS, mark)) / mark.driftedSd;
        return [byLevel * scale, byE * scale, byA * scale, weeksOf(mark) * scale];
      }),
      [0, 0, 0, 1 / DRIFT.sd],
      ...prior.slopes(x[0] ?? 0).map((row) => [...row, 0]),
    ];
  };
  const { x } = leastSquares(residuals, [startLnMap, prior.e.mean, prior.aMeanS(startLnMap), 0], {
    jacobian: slopesBy(temperedSlope),
    bounds: [LN_MAP, bounds.e, bounds.a],
  });
  // Errors use the plain residuals: what tempering takes from a wild mark is counted once, as misfit.
  const covariance = covarianceFrom(slopesBy(() => 1)(x), x.length);
  const untempered = [...timesAt(x).map((timeS, i) => off(x, timeS, marks[i] as Weighed)), ...residuals(x).slice(-3)];
  const scaled = scaledByMisfit(covariance, untempered, x.length);
  return { x: x.slice(0, 3), covariance: scaled.slice(0, 3).map((row) => row.slice(0, 3)) };
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
