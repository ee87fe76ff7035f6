import { criticalSpeed, type CriticalSpeedParameters } from './criticalSpeed';
import { rootOf, type EnduranceParameters } from './endurance';
import { enduranceModel } from './enduranceModel';
import { varianceAlong } from './leastSquares';
import { isOnTrack, type Mark } from './mark';
import { CurveError, type Model } from './model';
import { powerLaw, type PowerLawParameters } from './powerLaw';
import type { Leaning } from './shapePrior';
import { isDate } from '../units/dayNumber';
import { aboveZero } from '../units/door';
import { usableBy, weigh, weighAll, type CourseOffsets, type Weighed } from './weighing';

export { CurveError };

/** A mark as the fit saw it. */
export type WeighedMark = Weighed & {
  /** Its share of all the marks' weight (1/variance), 0 to 1. */
  weight: number;
  /** ln(run time / curve time): positive is slower than the curve. */
  residual: number;
};

/** A level set by the coach: `distanceM` metres in `timeS` seconds, as of `date` (YYYY-MM-DD). */
export type Nudge = { distanceM: number; timeS: number; date: string };

/** The schools of how speed falls with distance, the default first. */
export const MODEL_NAMES = ['endurance', 'power-law', 'critical-speed'] as const;
export type ModelName = (typeof MODEL_NAMES)[number];

export type EnduranceCurve = CurveBy<'endurance', EnduranceParameters>;
type CurveBy<Name extends ModelName, P> = {
  model: Name;
  parameters: P;
  /** Covariance of the model's unknowns. */
  covariance: number[][];
  /** The marks it was fitted to. */
  marks: WeighedMark[];
  /** Decides the expected shape; unknown if left out. */
  leaning?: Leaning;
  /** Set if the coach overruled the level. */
  nudge?: Nudge;
};

/**
 * One athlete's fitness curve: how fast they can run for how long, and how sure that is. Everything computed about an athlete starts from
 * it.
 */
export type Curve =
  | EnduranceCurve
  | CurveBy<'power-law', PowerLawParameters>
  | CurveBy<'critical-speed', CriticalSpeedParameters>;

/** A model with its parameters. */
type Bound = {
  x: number[];
  steps: readonly number[];
  meantForS: { min: number; max: number } | undefined;
  timeFor: (distanceM: number) => number;
  speedFor: (durationS: number) => number;
  /** ln of the time for a distance with other parameters. */
  lnTimeAt: (x: readonly number[], distanceM: number) => number;
  /** The same curve with other parameters. */
  curveAt: (x: readonly number[]) => Curve;
};

function bound<P>(model: Model<P>, parameters: P, curveWith: (parameters: P) => Curve): Bound {
  return {
    x: model.vectorOf(parameters),
    steps: model.steps,
    meantForS: model.meantForS,
    timeFor: (distanceM) => model.timeFor(parameters, distanceM),
    speedFor: (durationS) => model.speedFor(parameters, durationS),
    lnTimeAt: (x, distanceM) => Math.log(model.timeFor(model.parametersOf(x), distanceM)),
    curveAt: (x) => curveWith(model.parametersOf(x)),
  };
}

const bounds = new WeakMap<Curve, Bound>();

/** The curve's model with its parameters; cached for each curve. */
function modelOf(curve: Curve): Bound {
  const known = bounds.get(curve) ?? boundTo(curve);
  bounds.set(curve, known);
  return known;
}

function boundTo(curve: Curve): Bound {
  switch (curve.model) {
    case 'endurance':
      return bound(enduranceModel, curve.parameters, (parameters) => ({ ...curve, parameters }));
    case 'power-law':
      return bound(powerLaw, curve.parameters, (parameters) => ({ ...curve, parameters }));
    case 'critical-speed':
      return bound(criticalSpeed, curve.parameters, (parameters) => ({ ...curve, parameters }));
  }
}

/** A fitted model whose marks are not yet judged. */
function fittedBy<P>(model: Model<P>, marks: readonly Weighed[], leaning: Leaning | undefined) {
  const { x, covariance } = model.fit(marks, leaning);
  return { parameters: model.parametersOf(x), covariance, marks: [], ...(leaning ? { leaning } : {}) };
}

function unjudged(model: ModelName, marks: readonly Weighed[], leaning: Leaning | undefined): Curve {
  switch (model) {
    case 'endurance':
      return { model, ...fittedBy(enduranceModel, marks, leaning) };
    case 'power-law':
      return { model, ...fittedBy(powerLaw, marks, leaning) };
    case 'critical-speed':
      return { model, ...fittedBy(criticalSpeed, marks, leaning) };
  }
}

/** Options of a fit: the day (YYYY-MM-DD) to judge from, the model, and the courses and the athlete's events where known. */
export type FitOptions<M extends ModelName = ModelName> = {
  asOf: string;
  model?: M;
  courses?: CourseOffsets;
  leaning?: Leaning | undefined;
};

/**
 * The marks that count. Off the track only those faster than the track marks predict: a slow course, headwind or long measurement explains
 * the others, and they never slow the paces. Without a mark on a track all count.
 */
function withoutSlowCourses(weighed: readonly Weighed[], leaning: Leaning | undefined): Weighed[] {
  const onTrack = weighed.filter(({ mark }) => isOnTrack(mark));
  if (onTrack.length === 0 || onTrack.length === weighed.length) return [...weighed];
  const { x } = enduranceModel.fit(onTrack, leaning);
  const parameters = enduranceModel.parametersOf(x);
  return weighed.filter(
    ({ mark, timeS }) => isOnTrack(mark) || timeS < enduranceModel.timeFor(parameters, mark.distanceM),
  );
}

/**
 * Fits the athlete's curve to their marks. Marks left out by the coach, later than `asOf`, shorter than 200 m or not at a running
 * speed are passed over. Models: 'endurance', Péronnet & Thibault, J. Appl. Physiol. 67:453–465 (1989), penalised least squares
 * on ln(time); 'power-law', Riegel (1981); 'critical-speed', Monod & Scherrer (1965). Standard errors grow where marks disagree.
 * @param options.asOf the day the marks are looked at from, YYYY-MM-DD: older marks count less.
 * @param options.leaning what the athlete runs best, by which a shape is expected.
 * @param options.courses offsets of named courses off the track, see courseOffsets().
 * @throws CurveError when `asOf` is no day or no mark is usable, or for 'critical-speed' when there are not two of about 2 to 20 minutes, different enough.
 */
export function fitCurve(marks: readonly Mark[], options: FitOptions<'endurance'>): EnduranceCurve;
export function fitCurve(marks: readonly Mark[], options: FitOptions): Curve;
export function fitCurve(marks: readonly Mark[], { asOf, model = 'endurance', courses, leaning }: FitOptions): Curve {
  // A date that is still being typed is a question without an answer, not a fault.
  if (!isDate(asOf.slice(0, 10))) throw new CurveError('There is no such day to look at the marks from.');
  const weighed = weighAll(usableBy(marks, asOf), asOf, courses);
  if (weighed.length === 0)
    throw new CurveError('There is no race or trial of 200 m or more to work the paces out from.');
  const counted = withoutSlowCourses(weighed, leaning);
  const curve = unjudged(model, counted, leaning);
  const { timeFor: curveTime } = modelOf(curve);
  const total = counted.reduce((sum, { sd }) => sum + 1 / sd ** 2, 0);
  const judged = weighed.map((mark): WeighedMark => ({
    ...mark,
    weight: counted.includes(mark) ? 1 / mark.sd ** 2 / total : 0,
    residual: Math.log(mark.timeS / curveTime(mark.mark.distanceM)),
  }));
  return { ...curve, marks: judged };
}

/** The curve of the default model through some of a curve's marks only, as it would be without the others; it names no marks. */
export const refittedTo = ({ leaning }: Curve, marks: readonly Weighed[]): Curve =>
  unjudged('endurance', marks, leaning);

/** Seconds in which the athlete should cover `distanceM` metres flat out. @throws RangeError for no distance. */
export function timeFor(curve: Curve, distanceM: number): number {
  return modelOf(curve).timeFor(aboveZero(distanceM, 'A distance in metres'));
}

/** Speed in m/s that the athlete should hold for `durationS` seconds flat out. @throws RangeError for no time. */
export function speedFor(curve: Curve, durationS: number): number {
  return modelOf(curve).speedFor(aboveZero(durationS, 'A time in seconds'));
}

/** Search range of `heldFor` in seconds: from a sprint to ten hours. */
const HELD_S = { shortest: 5, longest: 36_000 };

/** For how many seconds the athlete should be able to hold a speed in m/s flat out; from 5 s to 10 h. @throws RangeError for no speed. */
export function heldFor(curve: Curve, speedMps: number): number {
  aboveZero(speedMps, 'A speed in m/s');
  let low = Math.log(HELD_S.shortest);
  let high = Math.log(HELD_S.longest);
  // 30 bisections of that range are exact to a thousandth of a second in any rep.
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (speedFor(curve, Math.exp(middle)) > speedMps) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}

/** True if the model is not meant for an effort as long as this distance takes (critical speed: 2 to 20 minutes). */
export function isExtrapolated(curve: Curve, distanceM: number): boolean {
  const { meantForS, timeFor: curveTime } = modelOf(curve);
  if (!meantForS) return false;
  const timeS = curveTime(distanceM);
  return timeS < meantForS.min || timeS > meantForS.max;
}

/** How ln(time) over a distance changes with each unknown. */
function gradientAt({ x, steps, lnTimeAt }: Bound, distanceM: number): number[] {
  const at = lnTimeAt(x, distanceM);
  return x.map((value, i) => {
    const step = steps[i] ?? 1e-4;
    const moved = x.map((other, j) => (i === j ? value + step : other));
    return (lnTimeAt(moved, distanceM) - at) / step;
  });
}

const sum = (n: number, term: (i: number) => number) =>
  Array.from({ length: n }, (_, i) => term(i)).reduce((a, b) => a + b, 0);

/** Standard error of `timeFor(curve, distanceM)` in seconds, from the spread of the marks and the priors. */
export function timeErrorFor(curve: Curve, distanceM: number): number {
  aboveZero(distanceM, 'A distance in metres');
  const model = modelOf(curve);
  const variance = varianceAlong(gradientAt(model, distanceM), curve.covariance);
  return model.timeFor(distanceM) * Math.sqrt(Math.max(0, variance));
}

/** That error as a share of the time: 0.02 is 2 %. */
export const errorShareFor = (curve: Curve, distanceM: number): number =>
  timeErrorFor(curve, distanceM) / timeFor(curve, distanceM);

/** The same athlete at another level, the shape kept: `distanceM` metres come out at `timeS` seconds. */
export function curveMovedTo<C extends Curve>(curve: C, distanceM: number, timeS: number): C {
  aboveZero(distanceM, 'A distance in metres');
  aboveZero(timeS, 'A time in seconds');
  const { x, lnTimeAt, curveAt } = modelOf(curve);
  const [level = 0, ...shape] = x;
  // The level is a logarithm; it is searched up to three times as good, and as bad.
  const quickerBy = (factor: number) => Math.log(timeS) - lnTimeAt([level + Math.log(factor), ...shape], distanceM);
  const factor = rootOf(quickerBy, 1 / 3, 3);
  // The model stays the same.
  return curveAt([level + Math.log(factor), ...shape]) as C;
}

/** The same curve with its unknowns (see Model) moved by so much: one that the marks would also allow. */
export function curveMovedBy(curve: Curve, by: readonly number[]): Curve {
  const { x, curveAt } = modelOf(curve);
  return curveAt(x.map((value, i) => value + (by[i] ?? 0)));
}

/**
 * The curve after the coach has set the level ("5k equals 18:20 now"): moved there, as sure as a coach's estimate of that age
 * at that distance; the shape is as sure as it was.
 */
export function curveNudged<C extends Curve>(curve: C, nudge: Nudge, asOf: string): C {
  const moved = curveMovedTo(curve, nudge.distanceM, nudge.timeS);
  const { sd } = weigh({ ...nudge, kind: 'estimate' }, asOf);
  // With the time at one distance given, the level follows from the shape: Δlevel = −(g·Δshape)/g₀ + (its own error)/g₀.
  const g = gradientAt(modelOf(moved), nudge.distanceM);
  const n = g.length;
  const slope = (i: number) => -(g[i] ?? 0) / (g[0] ?? 1);
  const shape = (i: number, j: number) => (i > 0 && j > 0 ? (curve.covariance[i]?.[j] ?? 0) : 0);
  const withLevel = (j: number) => sum(n, (i) => slope(i) * shape(i, j));
  const level = sum(n, (j) => slope(j) * withLevel(j)) + (sd / (g[0] ?? 1)) ** 2;
  const covariance = g.map((_, i) =>
    g.map((__, j) => (i === 0 && j === 0 ? level : i === 0 ? withLevel(j) : j === 0 ? withLevel(i) : shape(i, j))),
  );
  return { ...moved, covariance, nudge };
}
