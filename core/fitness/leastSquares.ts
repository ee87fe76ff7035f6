/**
 * Small dense non-linear least squares: Levenberg–Marquardt (Marquardt, J. SIAM 11:431–441, 1963) with bounds on the unknowns,
 * by projected steps on those that are free (Bertsekas, SIAM J. Control Optim. 20:221–246, 1982). Meant for a handful of unknowns.
 */
import { clamp } from './clamp';

function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | undefined {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0]);
  for (let col = 0; col < n; col++) {
    let pivot = col;
    for (let r = col + 1; r < n; r++) if (Math.abs(rows[r]?.[col] ?? 0) > Math.abs(rows[pivot]?.[col] ?? 0)) pivot = r;
    const pivotRow = rows[pivot];
    const swapped = rows[col];
    if (!pivotRow || !swapped || Math.abs(pivotRow[col] ?? 0) < 1e-14) return undefined;
    rows[pivot] = swapped;
    rows[col] = pivotRow;
    for (let r = 0; r < n; r++) {
      const row = rows[r];
      if (r === col || !row) continue;
      const factor = (row[col] ?? 0) / (pivotRow[col] ?? 1);
      for (let c = col; c <= n; c++) row[c] = (row[c] ?? 0) - factor * (pivotRow[c] ?? 0);
    }
  }
  return rows.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1));
}

const sumOfSquares = (values: readonly number[]) => values.reduce((sum, v) => sum + v * v, 0);

type Problem = (x: readonly number[]) => number[];

function numericalJacobian(residuals: Problem, x: readonly number[], at: readonly number[]): number[][] {
  const columns = x.map((value, j) => {
    const step = 1e-6 * Math.max(1, Math.abs(value));
    const moved = residuals(x.map((v, k) => (k === j ? v + step : v)));
    return moved.map((r, i) => (r - (at[i] ?? 0)) / step);
  });
  return at.map((_, i) => columns.map((column) => column[i] ?? 0));
}

function normalMatrix(jacobian: readonly (readonly number[])[], n: number): number[][] {
  return Array.from({ length: n }, (_, a) =>
    Array.from({ length: n }, (__, b) => jacobian.reduce((sum, row) => sum + (row[a] ?? 0) * (row[b] ?? 0), 0)),
  );
}

/** (JᵀJ)⁻¹ of `n` unknowns, from the derivatives of residuals in standard deviations; zeros where they say nothing. */
export function covarianceFrom(jacobian: readonly (readonly number[])[], n: number): number[][] {
  const normal = normalMatrix(jacobian, n);
  return Array.from({ length: n }, (_, a) => {
    const unit = Array.from({ length: n }, (__, i) => (i === a ? 1 : 0));
    return solve(normal, unit) ?? unit.map(() => 0);
  });
}

/** gᵀ·C·g: the variance of what changes by `gradient` with unknowns of that covariance. */
export const varianceAlong = (gradient: readonly number[], covariance: readonly (readonly number[])[]): number =>
  gradient.reduce(
    (sum, a, i) => sum + gradient.reduce((inner, b, j) => inner + a * b * (covariance[i]?.[j] ?? 0), 0),
    0,
  );

/** Least and most of an unknown. */
export type Bounds = { min: number; max: number };

/** True where a parameter sits on a bound and the descent points outside: it is held there for this step. */
const isHeld = (value: number, descent: number, bounds: Bounds | undefined) =>
  bounds !== undefined && ((value <= bounds.min && descent <= 0) || (value >= bounds.max && descent >= 0));

/**
 * Finds the x that makes the sum of squares of `residuals(x)` least, starting at `start`.
 * @param options.jacobian the residuals' derivatives, one row a residual; worked out numerically if left out.
 * @param options.bounds least and most of each unknown; none where left out. The least sum *within* them is found.
 * @returns x and the covariance (JᵀJ)⁻¹, which is that of x when the residuals are in standard deviations. A bound that is met
 *   does not make it smaller: it is no measurement.
 */
export function leastSquares(
  residuals: Problem,
  start: readonly number[],
  {
    jacobian,
    bounds = [],
  }: { jacobian?: (x: readonly number[]) => number[][]; bounds?: readonly (Bounds | undefined)[] } = {},
): { x: number[]; covariance: number[][] } {
  const n = start.length;
  const within = (x: readonly number[]) =>
    x.map((value, i) => {
      const limits = bounds[i];
      return limits ? clamp(value, limits) : value;
    });
  let x = within(start);
  let at = residuals(x);
  let cost = sumOfSquares(at);
  let damping = 1e-3;
  for (let iteration = 0; iteration < 100; iteration++) {
    const slopes = jacobian?.(x) ?? numericalJacobian(residuals, x, at);
    const normal = normalMatrix(slopes, n);
    const descent = Array.from({ length: n }, (_, a) =>
      slopes.reduce((sum, row, i) => sum - (row[a] ?? 0) * (at[i] ?? 0), 0),
    );
    const atBound = x.map((value, i) => isHeld(value, descent[i] ?? 0, bounds[i]));
    const damped = normal.map((row, a) =>
      row.map((v, b) => (a === b ? (atBound[a] ? 1 : v * (1 + damping)) : atBound[a] || atBound[b] ? 0 : v)),
    );
    const step = solve(
      damped,
      descent.map((value, a) => (atBound[a] ? 0 : value)),
    );
    if (!step) break;
    const next = within(x.map((v, i) => v + (step[i] ?? 0)));
    const nextAt = residuals(next);
    const nextCost = sumOfSquares(nextAt);
    if (nextCost < cost) {
      const gained = cost - nextCost;
      x = next;
      at = nextAt;
      cost = nextCost;
      damping = Math.max(damping / 10, 1e-12);
      if (gained < 1e-12 * (1 + cost)) break;
    } else {
      damping *= 10;
      if (damping > 1e12) break;
    }
  }
  return { x, covariance: covarianceFrom(jacobian?.(x) ?? numericalJacobian(residuals, x, at), n) };
}
