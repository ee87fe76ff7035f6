import type { Leaning } from './shapePrior';
import type { Weighed } from './weighing';

/** Thrown by fitCurve without a usable mark; the message is for the coach. */
export class CurveError extends Error {
  override name = 'CurveError';
}

/** The result of a fit: parameters and their covariance. */
export type CurveFit = { x: number[]; covariance: number[][] };

/**
 * One school of how speed falls with distance. Its unknowns are a vector whose first component is the logarithm of a speed or
 * power, the athlete's level: raising it alone makes them faster everywhere and keeps the shape. The others are the shape.
 */
export type Model<P> = {
  /**
   * @param leaning what the athlete runs best, by which a shape is expected.
   * @throws CurveError when these marks cannot carry this model.
   */
  fit(marks: readonly Weighed[], leaning?: Leaning): CurveFit;
  parametersOf(x: readonly number[]): P;
  vectorOf(parameters: P): number[];
  /** Seconds for `distanceM` metres flat out. */
  timeFor(parameters: P, distanceM: number): number;
  /** Speed in m/s that can be held for `durationS` seconds flat out. */
  speedFor(parameters: P, durationS: number): number;
  /** Step of each unknown for a numerical derivative. */
  steps: readonly number[];
  /** Durations in seconds the model is meant for; outside it extrapolates. All of them if left out. */
  meantForS?: { min: number; max: number };
};
