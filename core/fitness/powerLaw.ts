/**
 * Power law: the time grows with distance to a fixed power, t2 = t1·(d2/d1)^k, k = 1.06.
 * Riegel, "Athletic records and human endurance", American Scientist 69:285–290 (1981).
 */
import { clamp } from './clamp';
import { scaledByMisfit } from './misfit';
import type { CurveFit, Model } from './model';
import { straightLine } from './straightLine';
import type { Weighed } from './weighing';

/** `speedMps` over `atM` metres, and the power k that time grows with. */
export type PowerLawParameters = { atM: number; speedMps: number; exponent: number };

const USUAL_EXPONENT = 1.06;
/** Powers seen among runners; marks that ask for another are met as nearly as this allows. */
const EXPONENTS = { min: 1.03, max: 1.12 };
/** How far single runners are from the usual power: this project's own prior. */
const EXPONENT_SD = 0.02;

/**
 * The straight line of ln(time) over ln(distance), with a prior on its slope: marks over one distance, or nearly one, leave it at
 * the usual one. The exponent stands beside the level alone, so that a bound it meets leaves that as it is.
 */
function fit(marks: readonly Weighed[]): CurveFit {
  const points = marks.map(({ mark, timeS, sd }) => ({
    x: Math.log(mark.distanceM),
    y: Math.log(timeS),
    weight: 1 / sd ** 2,
  }));
  const { meanX, atMean, slope, sumWeight, sumXX } = straightLine(points);
  const ofPrior = 1 / EXPONENT_SD ** 2;
  const exponent = clamp((slope * sumXX + USUAL_EXPONENT * ofPrior) / (sumXX + ofPrior), EXPONENTS);
  const covariance = [
    [1 / sumWeight, 0, 0],
    [0, 1 / (sumXX + ofPrior), 0],
    [0, 0, 0],
  ];
  const residuals = [
    ...points.map(({ x, y, weight }) => (y - atMean - exponent * (x - meanX)) * Math.sqrt(weight)),
    (exponent - USUAL_EXPONENT) / EXPONENT_SD,
  ];
  return { x: [meanX - atMean, exponent, meanX], covariance: scaledByMisfit(covariance, residuals, 2) };
}

/** The unknowns: ln of the speed at the marks' mean distance, the exponent, and (known) ln of that distance. */
export const powerLaw: Model<PowerLawParameters> = {
  fit,
  parametersOf: ([lnSpeed = 0, exponent = USUAL_EXPONENT, lnAt = 0]) => ({
    atM: Math.exp(lnAt),
    speedMps: Math.exp(lnSpeed),
    exponent,
  }),
  vectorOf: ({ atM, speedMps, exponent }) => [Math.log(speedMps), exponent, Math.log(atM)],
  timeFor: ({ atM, speedMps, exponent }, distanceM) => (atM / speedMps) * (distanceM / atM) ** exponent,
  speedFor: ({ atM, speedMps, exponent }, durationS) =>
    (atM * (durationS / (atM / speedMps)) ** (1 / exponent)) / durationS,
  steps: [1e-4, 1e-4, 1e-4],
};
