/**
 * Critical speed: the distance that can be covered in T seconds is D = CS·T + D′, for efforts of 2 to 20 minutes.
 * Monod & Scherrer, Ergonomics 8:329–338 (1965); Hughson et al., Int. J. Sports Med. 5:23–25 (1984), for runners.
 * A straight line in distance and time gives impossible sprints and endless stamina: outside that range the endurance curve of
 * the same marks (endurance.ts), moved to meet the line, takes over. That, the fading of marks and the prior are this project's own.
 */
import { enduranceSpeedFor, rootOf, type EnduranceParameters } from './endurance';
import { enduranceModel } from './enduranceModel';
import { leastSquares } from './leastSquares';
import { scaledByMisfit } from './misfit';
import { CurveError, type CurveFit, type Model } from './model';
import { straightLine } from './straightLine';
import type { Weighed } from './weighing';

/** CS in m/s and D′ in metres, and the curve that takes over outside 2 to 20 minutes; only its shape counts. */
export type CriticalSpeedParameters = { criticalMps: number; reserveM: number; beyond: EnduranceParameters };

const MEANT_FOR_S = { min: 120, max: 1200 };
/** Where the endurance curve takes over completely, and marks no longer count. */
const FADED_AT_S = { min: 90, max: 1500 };
/** How far single runners are from the D′/CS of their endurance curve, in ln. */
const RESERVE_SD = 0.3;
/** The longest mark must last at least this many times as long as the shortest, or D′ is too uncertain. */
const LEAST_SPREAD = 1.5;
/** Times over which a curve is read for its CS and D′: the span in which distance grows straight with time. */
const READ_AT_S = [120, 240, 480, 720, 900];
/** Search range of `timeFor`: from a sprint to ten days. */
const SOLVER_S = { min: 1, max: 864_000 };

/** How much the straight line counts at a duration: 1 within 2 to 20 minutes, fading in ln(time) to 0 at 90 s and 25 minutes. */
export function weightOfLine(durationS: number): number {
  const { min, max } = MEANT_FOR_S;
  if (durationS < min) return Math.max(0, Math.log(durationS / FADED_AT_S.min) / Math.log(min / FADED_AT_S.min));
  if (durationS > max) return Math.max(0, Math.log(FADED_AT_S.max / durationS) / Math.log(FADED_AT_S.max / max));
  return 1;
}

/** CS (m/s) and D′ (m) of a curve given as speed held: the line through distance over time at 2 to 15 minutes. */
export function lineThrough(speedFor: (durationS: number) => number): { criticalMps: number; reserveM: number } {
  const points = READ_AT_S.map((t) => ({ x: t, y: speedFor(t) * t, weight: 1 }));
  const { slope, meanX, atMean } = straightLine(points);
  return { criticalMps: slope, reserveM: atMean - slope * meanX };
}

/** A coach's estimate or a session was not run flat out. */
const isFlatOut = ({ mark }: Weighed) => mark.kind === 'race' || mark.kind === 'trial';

function requireSpread(flatOut: readonly Weighed[]) {
  const needs = 'Critical speed needs two races or trials of 2 to 20 minutes over different distances';
  const distances = new Set(flatOut.map(({ mark }) => mark.distanceM));
  if (distances.size < 2) throw new CurveError(`${needs}; there ${distances.size === 1 ? 'is one' : 'are none'}.`);
  const times = flatOut.map(({ timeS }) => timeS);
  if (Math.max(...times) < LEAST_SPREAD * Math.min(...times))
    throw new CurveError(
      `${needs}, the longest at least one and a half times as long as the shortest: these are too much alike.`,
    );
}

function fit(marks: readonly Weighed[]): CurveFit {
  const endurance = enduranceModel.fit(marks);
  const flatOut = marks.filter((weighed) => isFlatOut(weighed) && weightOfLine(weighed.timeS) > 0);
  requireSpread(flatOut);
  const shape = enduranceModel.parametersOf(endurance.x);
  const usual = lineThrough((durationS) => enduranceSpeedFor(shape, durationS));
  const lnUsualS = Math.log(usual.reserveM / usual.criticalMps);
  // What is off in distance, as a share of it; a mark's spread in time is its spread in distance.
  const off = ([lnCs = 0, lnReserveS = 0]: readonly number[], { mark, timeS, sd }: Weighed) =>
    (mark.distanceM / (Math.exp(lnCs) * (timeS + Math.exp(lnReserveS))) - 1) / sd;
  const residuals = (x: readonly number[]) => [
    ...flatOut.map((mark) => off(x, mark) * Math.sqrt(weightOfLine(mark.timeS))),
    ((x[1] ?? 0) - lnUsualS) / RESERVE_SD,
  ];
  const { x, covariance } = leastSquares(residuals, [Math.log(usual.criticalMps), lnUsualS]);
  const line = scaledByMisfit(covariance, residuals(x), x.length);
  // The line and the curve beyond it stand on the same marks; their errors are taken as independent, which errs on the large side.
  const zeros = [0, 0, 0];
  return {
    x: [...x, ...endurance.x],
    covariance: [...line.map((row) => [...row, ...zeros]), ...endurance.covariance.map((row) => [0, 0, ...row])],
  };
}

/** Nodes and weights of Gauss and Legendre's quadrature over three points, on 0 to 1. */
const GAUSS = [
  { at: 0.5 - Math.sqrt(0.15), weight: 5 / 18 },
  { at: 0.5, weight: 8 / 18 },
  { at: 0.5 + Math.sqrt(0.15), weight: 5 / 18 },
];

const lnLineSpeed = ({ criticalMps, reserveM }: CriticalSpeedParameters, durationS: number) =>
  Math.log(criticalMps + reserveM / durationS);
const lnBeyondSpeed = ({ beyond }: CriticalSpeedParameters, durationS: number) =>
  Math.log(enduranceSpeedFor(beyond, durationS));

/** Mean of ln(line speed / curve speed) between two durations, over ln(time). */
function meanLnRatio(p: CriticalSpeedParameters, fromS: number, toS: number): number {
  const ln = Math.log(toS / fromS);
  return GAUSS.reduce((sum, { at, weight }) => {
    const durationS = fromS * Math.exp(at * ln);
    return sum + weight * (lnLineSpeed(p, durationS) - lnBeyondSpeed(p, durationS));
  }, 0);
}

/** The shift of the outer curve in ln(speed), on the short and the long side; cached for each curve. */
const movedBy = new WeakMap<CriticalSpeedParameters, { min?: number; max?: number }>();

/**
 * ln of the speed held: in a fading band the *slopes* of line and curve are mixed by their weights, not the values, so that further
 * always takes longer and longer is always slower. Integrated by parts, since the weight is straight in ln(time).
 */
function lnSpeed(p: CriticalSpeedParameters, durationS: number): number {
  const weight = weightOfLine(durationS);
  if (weight === 1) return lnLineSpeed(p, durationS);
  const side = durationS < MEANT_FOR_S.min ? 'min' : 'max';
  if (weight > 0) {
    const moved = (1 - weight) * meanLnRatio(p, MEANT_FOR_S[side], durationS);
    return weight * lnLineSpeed(p, durationS) + (1 - weight) * lnBeyondSpeed(p, durationS) + moved;
  }
  const cached = movedBy.get(p) ?? {};
  const moved = cached[side] ?? meanLnRatio(p, MEANT_FOR_S[side], FADED_AT_S[side]);
  movedBy.set(p, { ...cached, [side]: moved });
  return lnBeyondSpeed(p, durationS) + moved;
}

const speedFor = (p: CriticalSpeedParameters, durationS: number) => Math.exp(lnSpeed(p, durationS));

function timeFor(p: CriticalSpeedParameters, distanceM: number): number {
  const onLineS = (distanceM - p.reserveM) / p.criticalMps;
  if (onLineS >= MEANT_FOR_S.min && onLineS <= MEANT_FOR_S.max) return onLineS;
  return rootOf((timeS) => speedFor(p, timeS) * timeS - distanceM, SOLVER_S.min, SOLVER_S.max);
}

/** The unknowns: ln CS, ln of D′/CS in seconds, and those of the endurance curve beyond. */
export const criticalSpeed: Model<CriticalSpeedParameters> = {
  fit,
  parametersOf: ([lnCs = 0, lnReserveS = 0, ...beyond]) => ({
    criticalMps: Math.exp(lnCs),
    reserveM: Math.exp(lnReserveS + lnCs),
    beyond: enduranceModel.parametersOf(beyond),
  }),
  vectorOf: ({ criticalMps, reserveM, beyond }) => [
    Math.log(criticalMps),
    Math.log(reserveM / criticalMps),
    ...enduranceModel.vectorOf(beyond),
  ],
  timeFor,
  speedFor,
  steps: [1e-4, 1e-3, ...enduranceModel.steps],
  meantForS: MEANT_FOR_S,
};
