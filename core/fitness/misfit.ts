/**
 * How much less sure a fit is when its marks disagree more than their own spread explains: standard errors grow by
 * √max(1, χ²/dof), the usual scale factor of averaged measurements (Birge, Phys. Rev. 40:207–227, 1932).
 */

/**
 * A covariance scaled by the misfit.
 * @param residuals of marks and priors, in standard deviations of each; untempered.
 * @param unknowns how many the fit has; as many residuals say nothing about the misfit, and the covariance stays as it is.
 */
export function scaledByMisfit(
  covariance: readonly (readonly number[])[],
  residuals: readonly number[],
  unknowns: number,
): number[][] {
  const dof = residuals.length - unknowns;
  const chiSquared = residuals.reduce((sum, r) => sum + r * r, 0);
  const scale = dof > 0 ? Math.max(1, chiSquared / dof) : 1;
  return covariance.map((row) => row.map((value) => value * scale));
}
