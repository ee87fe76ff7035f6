/**
 * The prior of a runner's shape: endurance E and anaerobic capacity A against MAP. This project's own values, fitted to published tables of equivalent times from 1500 m to the half marathon.
 */
import { clamp } from './clamp';
import type { Bounds } from './leastSquares';

/** Events an athlete runs best, as coaches sort them. */
export const LEANINGS = ['400-800', '800-1500', '1500-3k', '5k-10k'] as const;
export type Leaning = (typeof LEANINGS)[number];

/** Mean of E/MAP; of A/MAP in seconds, at a MAP of 22 W/kg and by how much more for each unit of ln MAP. */
const GENERAL = { e: { mean: -0.048, sd: 0.012 }, a: { meanS: 55, perLnMap: 20, sdS: 8 } };
const AT_MAP_WKG = 22;
/** Added to both means for who is known to run some distances best; the spread among those is smaller. */
const BY_LEANING: Record<Leaning, { e: number; aS: number }> = {
  '400-800': { e: -0.003, aS: 7 },
  '800-1500': { e: -0.012, aS: -1 },
  '1500-3k': { e: -0.01, aS: -6 },
  '5k-10k': { e: 0.007, aS: -5 },
};
const LEANING_SD = { e: 0.01, aS: 7 };

/** With less anaerobic capacity a longer race would be run faster. */
const LEAST_A_S = 31;
/** Means end here: below a MAP of about 8 W/kg, which is hardly running, and above 31, which nobody has. */
const MEAN_A_S = { min: 35, max: 62 };
const BOUND_SDS = 3;
/** The widest bounds of any prior. */
export const WIDEST = { e: { min: -0.09, max: -0.011 }, a: { min: LEAST_A_S, max: 93 } } as const;

export type ShapePrior = {
  e: { mean: number; sd: number };
  aSdS: number;
  /** Mean of A/MAP in seconds at a level. */
  aMeanS: (lnMap: number) => number;
  /** How far E/MAP and A/MAP are from it at a level, in standard deviations. */
  residuals: (lnMap: number, e: number, aS: number) => number[];
  /** Derivatives of the residuals by ln MAP, E/MAP and A/MAP. */
  slopes: (lnMap: number) => number[][];
  /** Three standard deviations to either side: odd marks must not bend a curve into nonsense. */
  boundsAt: (lnMap: number) => { e: Bounds; a: Bounds };
};

export function shapePrior(leaning: Leaning | undefined): ShapePrior {
  const added = leaning ? BY_LEANING[leaning] : { e: 0, aS: 0 };
  const e = { mean: GENERAL.e.mean + added.e, sd: leaning ? LEANING_SD.e : GENERAL.e.sd };
  const aSdS = leaning ? LEANING_SD.aS : GENERAL.a.sdS;
  const { meanS, perLnMap } = GENERAL.a;
  const unlimited = (lnMap: number) => meanS + perLnMap * (lnMap - Math.log(AT_MAP_WKG));
  const general = (lnMap: number) => clamp(unlimited(lnMap), MEAN_A_S);
  const aMeanS = (lnMap: number) => general(lnMap) + added.aS;
  return {
    e,
    aSdS,
    aMeanS,
    residuals: (lnMap, ofE, aS) => [(ofE - e.mean) / e.sd, (aS - aMeanS(lnMap)) / aSdS],
    slopes: (lnMap) => [
      [0, 1 / e.sd, 0],
      [general(lnMap) === unlimited(lnMap) ? -perLnMap / aSdS : 0, 0, 1 / aSdS],
    ],
    boundsAt: (lnMap) => ({
      e: { min: e.mean - BOUND_SDS * e.sd, max: e.mean + BOUND_SDS * e.sd },
      a: {
        min: Math.max(LEAST_A_S, aMeanS(lnMap) - BOUND_SDS * aSdS),
        max: aMeanS(lnMap) + BOUND_SDS * aSdS,
      },
    }),
  };
}
