import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { enduranceSpeedFor, enduranceTimeFor, powerNeeded, type EnduranceParameters } from './endurance';
import { leastSquares } from './leastSquares';
import type { Mark } from './mark';

/** A mark as the fit saw it. */
export type WeighedMark = {
  mark: Mark;
  /** Standard deviation of ln(time) it was given: 0.012 is 1.2 %. */
  sd: number;
  /** ln(run time / curve time): positive is slower than the curve. */
  residual: number;
  /** True when it sits more than three standard deviations from the curve. */
  outlier: boolean;
};

/**
 * One athlete's fitness curve: how fast they can run for how long, with how sure that is.
 * Everything the app computes about an athlete comes from one of these.
 */
export type Curve = {
  model: 'endurance';
  parameters: EnduranceParameters;
  /** Covariance of (ln MAP, E/MAP, A/MAP). */
  covariance: number[][];
  marks: WeighedMark[];
};

/** Thrown by fitCurve when there is no mark to stand on; the message is for the coach. */
export class CurveError extends Error {
  override name = 'CurveError';
}

/** Priors on the shape, from the spread among trained runners: E/MAP and A/MAP (s). MAP itself has none. */
const PRIOR = { e: { mean: -0.05, sd: 0.012 }, a: { mean: 55, sd: 8 } };
/**
 * Odd marks must not bend the curve into nonsense: E and A stay within three standard deviations of their priors. A lower A
 * would even make a runner faster over a longer distance.
 */
const BOUNDS = { e: { min: -0.086, max: -0.014 }, a: { min: 31, max: 79 } };
/** A mark this many standard deviations off is flagged, and pulls no harder than one that is just so far off (Huber 1964). */
const OUTLIER_SD = 3;
const SD_OF_KIND: Record<Mark['kind'], number> = { race: 0.012, trial: 0.02, session: 0.03, estimate: 0.03 };
const SD_PER_DAY = 0.005 / 28;
/** Marks shorter or slower than this say nothing about endurance. */
const USABLE = { minM: 200, maxM: 200_000, minMps: 0.8, maxMps: 12 };

const clamp = (x: number, { min, max }: { min: number; max: number }) => Math.min(Math.max(x, min), max);

function isUsable(mark: Mark): boolean {
  const speedMps = mark.distanceM / mark.timeS;
  return (
    mark.distanceM >= USABLE.minM &&
    mark.distanceM <= USABLE.maxM &&
    speedMps >= USABLE.minMps &&
    speedMps <= USABLE.maxMps &&
    !Number.isNaN(parseISO(mark.date).getTime())
  );
}

/** The shape vector (ln MAP, E/MAP, A/MAP) as model parameters, kept inside the bounds. */
function parametersOf(x: readonly number[]): EnduranceParameters {
  const [lnMap = 0, e = PRIOR.e.mean, a = PRIOR.a.mean] = x;
  const mapWkg = Math.exp(clamp(lnMap, { min: Math.log(3), max: Math.log(60) }));
  return { mapWkg, eWkg: clamp(e, BOUNDS.e) * mapWkg, aJkg: clamp(a, BOUNDS.a) * mapWkg };
}

const lnTimeFor = (x: readonly number[], distanceM: number) => Math.log(enduranceTimeFor(parametersOf(x), distanceM));

/** A residual in standard deviations, its square growing only linearly beyond OUTLIER_SD: one wild mark leaves the rest alone. */
function tempered(residual: number): number {
  const off = Math.abs(residual);
  return off <= OUTLIER_SD ? residual : Math.sign(residual) * Math.sqrt(OUTLIER_SD * (2 * off - OUTLIER_SD));
}

/** A mark's own standard deviation of ln(time): by its kind, and 0.5 % more for each four weeks of age. */
function sdOf(mark: Mark, asOf: string): number {
  const ageDays = Math.max(0, differenceInCalendarDays(parseISO(asOf), parseISO(mark.date)));
  return SD_OF_KIND[mark.kind] + ageDays * SD_PER_DAY;
}

/**
 * Fits the athlete's curve to their marks: penalised least squares on ln(time), with priors on the shape (E/MAP and A/MAP)
 * and none on MAP, so that one mark is met exactly and two marks far apart also bend the curve.
 * Model: Péronnet & Thibault, J. Appl. Physiol. 67:453–465 (1989).
 * @param options.asOf the day the marks are looked at from, YYYY-MM-DD: older marks count less.
 * @throws CurveError when no mark is usable (200 m or more, at a running speed).
 */
export function fitCurve(marks: readonly Mark[], options: { asOf: string; model?: 'endurance' }): Curve {
  const usable = marks.filter(isUsable);
  if (usable.length === 0)
    throw new CurveError('There is no race or trial of 200 m or more to work the paces out from.');
  const sds = usable.map((mark) => sdOf(mark, options.asOf));

  // Starting from the power each mark would need in a steady 7 minutes keeps the solver inside a few steps.
  const startMap = Math.max(...usable.map((mark) => powerNeeded(mark.distanceM / mark.timeS, mark.distanceM)));
  const residuals = (x: readonly number[]) => [
    ...usable.map((mark, i) => tempered((lnTimeFor(x, mark.distanceM) - Math.log(mark.timeS)) / (sds[i] ?? 1))),
    ((x[1] ?? 0) - PRIOR.e.mean) / PRIOR.e.sd,
    ((x[2] ?? 0) - PRIOR.a.mean) / PRIOR.a.sd,
  ];
  const { x, covariance } = leastSquares(residuals, [Math.log(startMap), PRIOR.e.mean, PRIOR.a.mean]);

  return {
    model: 'endurance',
    parameters: parametersOf(x),
    covariance,
    marks: usable.map((mark, i) => {
      const sd = sds[i] ?? 1;
      const residual = Math.log(mark.timeS) - lnTimeFor(x, mark.distanceM);
      return { mark, sd, residual, outlier: Math.abs(residual) > OUTLIER_SD * sd };
    }),
  };
}

/** Seconds in which the athlete should cover `distanceM` metres flat out. */
export function timeFor(curve: Curve, distanceM: number): number {
  return enduranceTimeFor(curve.parameters, distanceM);
}

/** Speed in m/s that the athlete should hold for `durationS` seconds flat out. */
export function speedFor(curve: Curve, durationS: number): number {
  return enduranceSpeedFor(curve.parameters, durationS);
}

/** Standard error of `timeFor(curve, distanceM)` in seconds, from the spread of the marks and the priors. */
export function timeErrorFor(curve: Curve, distanceM: number): number {
  const { mapWkg, eWkg, aJkg } = curve.parameters;
  const x = [Math.log(mapWkg), eWkg / mapWkg, aJkg / mapWkg];
  const at = lnTimeFor(x, distanceM);
  const gradient = [1e-4, 1e-4, 1e-2].map((step, i) => {
    const moved = x.map((value, j) => (i === j ? value + step : value));
    return (lnTimeFor(moved, distanceM) - at) / step;
  });
  let variance = 0;
  gradient.forEach((gi, i) => gradient.forEach((gj, j) => (variance += gi * (curve.covariance[i]?.[j] ?? 0) * gj)));
  return Math.exp(at) * Math.sqrt(Math.max(0, variance));
}

/** The same athlete at another level: only MAP is moved, so that `distanceM` metres come out at `timeS` seconds. */
export function curveMovedTo(curve: Curve, distanceM: number, timeS: number): Curve {
  const { mapWkg, eWkg, aJkg } = curve.parameters;
  const shapeAt = (map: number) => ({ mapWkg: map, eWkg: (eWkg / mapWkg) * map, aJkg: (aJkg / mapWkg) * map });
  let low = mapWkg / 3;
  let high = mapWkg * 3;
  for (let i = 0; i < 60; i++) {
    const middle = Math.sqrt(low * high);
    if (enduranceTimeFor(shapeAt(middle), distanceM) > timeS) low = middle;
    else high = middle;
  }
  return { ...curve, parameters: shapeAt(Math.sqrt(low * high)) };
}
