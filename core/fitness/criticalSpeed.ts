/**
 * Critical speed: the distance that can be covered in T seconds is D = CS·T + D′, for efforts of 2 to 20 minutes.
 * Monod & Scherrer, Ergonomics 8:329–338 (1965); Hughson et al., Int. J. Sports Med. 5:23–25 (1984), for runners.
 * A straight line in distance and time gives impossible sprints and endless stamina: outside the times of its own marks the endurance
 * curve of the same marks (endurance.ts), moved to meet the line, takes over. That, the fading of marks and the prior are this project's
 * own.
 */
import { clamp } from './clamp';
import { enduranceSpeedFor, rootOf, type EnduranceParameters } from './endurance';
import { enduranceModel } from './enduranceModel';
import { leastSquares } from './leastSquares';
import { scaledByMisfit } from './misfit';
import { wasFlatOut } from './mark';
import { CurveError, type CurveFit, type Model } from './model';
import type { Leaning } from './shapePrior';
import { straightLine } from './straightLine';
import type { Weighed } from './weighing';

/**
 * CS in m/s and D′ in metres, the times in seconds that the line holds between, and the curve that takes over outside them; only its
 * shape counts.
 */
export type CriticalSpeedParameters = {
  criticalMps: number;
  reserveM: number;
  fromS: number;
  toS: number;
  beyond: EnduranceParameters;
};

const MEANT_FOR_S = { min: 120, max: 1200 };
/** Beyond these times a mark has no weight. */
const FADED_AT_S = { min: 90, max: 1500 };
/** How far single runners are from the D′/CS of their endurance curve, in ln. */
const RESERVE_SD = 0.3;
/** The longest mark must last at least this many times as long as the shortest, or D′ is too uncertain. */
const LEAST_SPREAD = 1.5;
/** Times over which a curve is read for its CS and D′: the span in which distance grows straight with time. */
const READ_AT_S = [120, 240, 480, 720, 900];
/** Search range of `timeFor`: from a sprint to ten days. */
const SOLVER_S = { min: 1, max: 864_000 };

/** The weight of a mark in the line: 1 within 2 to 20 minutes, fading in ln(time) to 0 at 90 s and 25 minutes. */
function weightOfMark(durationS: number): number {
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

function fit(marks: readonly Weighed[], leaning?: Leaning): CurveFit {
  const endurance = enduranceModel.fit(marks, leaning);
  const flatOut = marks.filter((weighed) => wasFlatOut(weighed.mark) && weightOfMark(weighed.timeS) > 0);
  requireSpread(flatOut);
  const shape = enduranceModel.parametersOf(endurance.x);
  const usual = lineThrough((durationS) => enduranceSpeedFor(shape, durationS));
  const lnUsualS = Math.log(usual.reserveM / usual.criticalMps);
  // What is off in distance, as a share of it; a mark's spread in time is its spread in distance.
  const off = ([lnCs = 0, lnReserveS = 0]: readonly number[], { mark, timeS, sd }: Weighed) =>
    (mark.distanceM / (Math.exp(lnCs) * (timeS + Math.exp(lnReserveS))) - 1) / sd;
  const residuals = (x: readonly number[]) => [
    ...flatOut.map((mark) => off(x, mark) * Math.sqrt(weightOfMark(mark.timeS))),
    ((x[1] ?? 0) - lnUsualS) / RESERVE_SD,
  ];
  const { x, covariance } = leastSquares(residuals, [Math.log(usual.criticalMps), lnUsualS]);
  const line = scaledByMisfit(covariance, residuals(x), x.length);
  const times = flatOut.map(({ timeS }) => clamp(timeS, MEANT_FOR_S));
  // The line and the curve beyond it stand on the same marks; their errors are taken as independent, which errs on the large side.
  const zeros = [0, 0, 0, 0, 0];
  const known = [0, 0, 0, 0];
  return {
    x: [...x, Math.log(Math.min(...times)), Math.log(Math.max(...times)), ...endurance.x],
    covariance: [
      ...line.map((row) => [...row, ...zeros]),
      ...[0, 1].map(() => [...known, 0, 0, 0]),
      ...endurance.covariance.map((row) => [...known, ...row]),
    ],
  };
}

const lineSpeed = ({ criticalMps, reserveM }: CriticalSpeedParameters, durationS: number) =>
  criticalMps + reserveM / durationS;

/** The line's speed at an end of its range over that of the curve beyond; cached for each curve. */
const movedBy = new WeakMap<CriticalSpeedParameters, { fromS?: number; toS?: number }>();

function speedFor(p: CriticalSpeedParameters, durationS: number): number {
  if (durationS >= p.fromS && durationS <= p.toS) return lineSpeed(p, durationS);
  const end = durationS < p.fromS ? 'fromS' : 'toS';
  const cached = movedBy.get(p) ?? {};
  const moved = cached[end] ?? lineSpeed(p, p[end]) / enduranceSpeedFor(p.beyond, p[end]);
  movedBy.set(p, { ...cached, [end]: moved });
  return enduranceSpeedFor(p.beyond, durationS) * moved;
}

function timeFor(p: CriticalSpeedParameters, distanceM: number): number {
  const onLineS = (distanceM - p.reserveM) / p.criticalMps;
  if (onLineS >= p.fromS && onLineS <= p.toS) return onLineS;
  return rootOf((timeS) => speedFor(p, timeS) * timeS - distanceM, SOLVER_S.min, SOLVER_S.max);
}

/** The unknowns: ln CS, ln of D′/CS in seconds, (known) ln of the shortest and the longest time, and those of the endurance curve beyond. */
export const criticalSpeed: Model<CriticalSpeedParameters> = {
  fit,
  parametersOf: ([lnCs = 0, lnReserveS = 0, lnFromS = 0, lnToS = 0, ...beyond]) => ({
    criticalMps: Math.exp(lnCs),
    reserveM: Math.exp(lnReserveS + lnCs),
    fromS: Math.exp(lnFromS),
    toS: Math.exp(lnToS),
    beyond: enduranceModel.parametersOf(beyond),
  }),
  vectorOf: ({ criticalMps, reserveM, fromS, toS, beyond }) => [
    Math.log(criticalMps),
    Math.log(reserveM / criticalMps),
    Math.log(fromS),
    Math.log(toS),
    ...enduranceModel.vectorOf(beyond),
  ],
  timeFor,
  speedFor,
  steps: [1e-4, 1e-3, 1e-4, 1e-4, ...enduranceModel.steps],
  meantForS: MEANT_FOR_S,
};
