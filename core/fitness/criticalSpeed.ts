/**
 * Critical speed: the distance that can be covered in T seconds is D = CS·T + D′, for efforts of 2 to 20 minutes.
 * Monod & Scherrer, Ergonomics 8:329–338 (1965); Hughson et al., Int. J. Sports Med. 5:23–25 (1984), for runners.
 */
import { clamp } from './clamp';
import { CurveError, type Fit, type Model } from './model';
import { straightLine } from './straightLine';
import type { Weighed } from './weighing';

/** CS in m/s and D′ in metres. */
export type CriticalSpeedParameters = { criticalMps: number; reserveM: number };

const MEANT_FOR_S = { min: 120, max: 1200 };
/** Nobody runs faster: it keeps extrapolated sprints finite. */
const FASTEST_MPS = 11;
/** D′/CS in seconds: from none to what a sprinter has. Odd marks are met as nearly as this allows. */
const RESERVE_S = { min: 0, max: 150 };

const isInSpan = ({ mark }: Weighed) => mark.timeS >= MEANT_FOR_S.min && mark.timeS <= MEANT_FOR_S.max;
/** A coach's estimate or a session was not run flat out. */
const isFlatOut = ({ mark }: Weighed) => mark.kind === 'race' || mark.kind === 'trial';

function fit(marks: readonly Weighed[]): Fit {
  const flatOut = marks.filter((weighed) => isInSpan(weighed) && isFlatOut(weighed));
  const distances = new Set(flatOut.map(({ mark }) => mark.distanceM));
  if (distances.size < 2)
    throw new CurveError(
      `Critical speed needs two races or trials of 2 to 20 minutes over different distances; there ${distances.size === 1 ? 'is one' : 'are none'}.`,
    );
  // A mark's spread in distance is its share of the distance run.
  const points = flatOut.map(({ mark, sd }) => ({
    x: mark.timeS,
    y: mark.distanceM,
    weight: 1 / (sd * mark.distanceM) ** 2,
  }));
  const { meanX, atMean, slope, sumWeight, sumXX } = straightLine(points);
  // The line goes through (meanX, atMean) whatever its slope: a shape out of bounds only turns it about that point.
  const slowest = atMean / (meanX + RESERVE_S.max);
  const fastest = atMean / (meanX + RESERVE_S.min);
  const criticalMps = clamp(slope, { min: slowest, max: fastest });
  const reserveS = atMean / criticalMps - meanX;
  // Of (atMean, slope), which are independent, to (ln CS, D′/CS).
  const [varMean, varSlope] = [1 / sumWeight, 1 / sumXX];
  const shape = { mean: 1 / criticalMps, slope: -atMean / criticalMps ** 2 };
  const both = (shape.slope * varSlope) / criticalMps;
  return {
    x: [Math.log(criticalMps), reserveS],
    covariance: [
      [varSlope / criticalMps ** 2, both],
      [both, shape.mean ** 2 * varMean + shape.slope ** 2 * varSlope],
    ],
  };
}

/** The unknowns: ln CS, and D′/CS in seconds. */
export const criticalSpeed: Model<CriticalSpeedParameters> = {
  fit,
  parametersOf: ([lnCs = 0, reserveS = 0]) => ({ criticalMps: Math.exp(lnCs), reserveM: reserveS * Math.exp(lnCs) }),
  vectorOf: ({ criticalMps, reserveM }) => [Math.log(criticalMps), reserveM / criticalMps],
  timeFor: ({ criticalMps, reserveM }, distanceM) =>
    Math.max((distanceM - reserveM) / criticalMps, distanceM / FASTEST_MPS),
  speedFor: ({ criticalMps, reserveM }, durationS) => Math.min(criticalMps + reserveM / durationS, FASTEST_MPS),
  steps: [1e-4, 1e-2],
  meantForS: MEANT_FOR_S,
};
