/**
 * Mean speeds no human has yet held, in m/s by distance in metres: a little above the best ever run.
 * Common knowledge of the sport, rounded up; used only to choose between readings, and to ask "really?".
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

/** Whether a person can have run `distanceM` metres in `timeS` seconds: `too-fast` for anyone, or no faster than walking. */
export function runnable(distanceM: number, timeS: number): 'yes' | 'too-fast' | 'walking' {
  const speedMps = distanceM / timeS;
  if (speedMps > bestSpeedMps(distanceM)) return 'too-fast';
  return speedMps < WALKING_MPS ? 'walking' : 'yes';
}
