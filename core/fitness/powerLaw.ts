/**
 * Power law: the time grows with distance to a fixed power, t2 = t1·(d2/d1)^k, k = 1.06.
 * Riegel, "Athletic records and human endurance", American Scientist 69:285–290 (1981).
 */
import { clamp } from './clamp';
import type { Fit, Model } from './model';
import { straightLine } from './straightLine';
import type { Weighed } from './weighing';

/** `speedMps` over `atM` metres, and the power k that time grows with. */
export type PowerLawParameters = { atM: number; speedMps: number; exponent: number };

const USUAL_EXPONENT = 1.06;
/** Powers seen among runners; marks that ask for another are met as nearly as this allows. */
const EXPONENTS = { min: 1.03, max: 1.12 };
/** How far single runners are from the usual power: what is not known without marks far apart. */
const EXPONENT_SD = 0.02;

function fit(marks: readonly Weighed[]): Fit {
  const points = marks.map(({ mark, sd }) => ({
    x: Math.log(mark.distanceM),
    y: Math.log(mark.timeS),
    weight: 1 / sd ** 2,
  }));
  const { meanX, atMean, slope, sumWeight, sumXX } = straightLine(points);
  const exponent = sumXX > 0 ? clamp(slope, EXPONENTS) : USUAL_EXPONENT;
  return {
    x: [meanX - atMean, exponent, meanX],
    covariance: [
      [1 / sumWeight, 0, 0],
      [0, 1 / (sumXX + 1 / EXPONENT_SD ** 2), 0],
      [0, 0, 0],
    ],
  };
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
