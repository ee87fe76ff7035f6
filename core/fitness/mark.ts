import { formatDistance } from '../units/distance';
import { formatMarkTime } from '../units/time';

/** How a mark came about; it decides how far the mark is trusted. */
export const MARK_KINDS = ['race', 'trial', 'session', 'estimate'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** One dated performance: `distanceM` metres in `timeS` seconds on `date` (YYYY-MM-DD). */
export type Mark = {
  distanceM: number;
  timeS: number;
  date: string;
  kind: MarkKind;
  /** Where it was and what it was like: wind, heat, a hilly road. */
  note?: string;
  /** The coach does not want it in the curve. */
  leftOut?: true;
};

/**
 * Mean speeds no human has yet held, in m/s by distance in metres: a little above the best ever run.
 * Common knowledge of the sport, rounded up; used only to ask "really?".
 */
const BEYOND_BEST_MPS: readonly (readonly [number, number])[] = [
  [100, 10.6],
  [200, 10.6],
  [400, 9.4],
  [800, 8.0],
  [1500, 7.35],
  [3000, 6.9],
  [5000, 6.65],
  [10000, 6.4],
  [21097.5, 6.2],
  [42195, 5.9],
];

/** Slower than this over any distance (m/s) is walking. */
const WALKING_MPS = 1.7;

function bestSpeedMps(distanceM: number): number {
  const [first] = BEYOND_BEST_MPS;
  if (!first || distanceM <= first[0]) return 10.6;
  for (let i = 1; i < BEYOND_BEST_MPS.length; i++) {
    const [nearM, nearMps] = BEYOND_BEST_MPS[i - 1] ?? first;
    const [farM, farMps] = BEYOND_BEST_MPS[i] ?? first;
    if (distanceM <= farM) {
      const share = Math.log(distanceM / nearM) / Math.log(farM / nearM);
      return nearMps + share * (farMps - nearMps);
    }
  }
  return 5.9;
}

/**
 * A question for the coach when a mark is hardly believable (a 5000 in 8 minutes, an 800 in 40), else undefined.
 * It never refuses: the coach may know better.
 */
export function doubtAboutMark(mark: Pick<Mark, 'distanceM' | 'timeS'>): string | undefined {
  const speedMps = mark.distanceM / mark.timeS;
  const what = `${formatDistance(mark.distanceM)} in ${formatMarkTime(mark.timeS)}`;
  if (speedMps > bestSpeedMps(mark.distanceM)) return `Really? ${what} is faster than anyone has run it.`;
  if (speedMps < WALKING_MPS) return `Really? ${what} is walking pace.`;
  return undefined;
}
