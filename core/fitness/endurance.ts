/**
 * The endurance model: how much power a runner can hold for T seconds, and how much power a pace costs.
 * Péronnet & Thibault, "Mathematical analysis of running performance and world running records",
 * J. Appl. Physiol. 67:453–465 (1989).
 */

/** MAP in W/kg, A (anaerobic capacity) in J/kg, E (endurance) in W/kg per unit of ln time, negative. */
export type EnduranceParameters = { mapWkg: number; aJkg: number; eWkg: number };

const BASAL_WKG = 1.2;
const K1_S = 30;
const K2_S = 20;
const T_MAP_S = 420;
const ANAEROBIC_FADE = -0.233;
/** Body surface per kilogram, m²/kg: 1.8 m² and 65 kg, the paper's typical runner. */
const SURFACE_PER_KG = 1.8 / 65;
const RUNNING_COST_JKGM = 3.86;

/** The longest and shortest efforts the solver looks between, in seconds. */
const SOLVER_S = { min: 5, max: 200_000 };

/** Mean metabolic power, W/kg, that can be held for `durationS` seconds. */
export function powerHeldFor(p: EnduranceParameters, durationS: number): number {
  const beyond = durationS > T_MAP_S ? Math.log(durationS / T_MAP_S) : 0;
  const anaerobic = ((p.aJkg * (1 + ANAEROBIC_FADE * beyond)) / durationS) * (1 - Math.exp(-durationS / K2_S));
  const aerobic =
    (p.mapWkg - BASAL_WKG + p.eWkg * beyond) * (1 - (K1_S / durationS) * (1 - Math.exp(-durationS / K1_S)));
  return anaerobic + BASAL_WKG + aerobic;
}

/** Metabolic power, W/kg, needed to cover `distanceM` metres at a mean speed of `speedMps`. */
export function powerNeeded(speedMps: number, distanceM: number): number {
  const airDrag = 0.4 * SURFACE_PER_KG * speedMps ** 3;
  const gettingUpToSpeed = (2 * speedMps ** 3) / distanceM;
  return BASAL_WKG + RUNNING_COST_JKGM * speedMps + airDrag + gettingUpToSpeed;
}

/** The root of an increasing function between `low` and `high`, by bisection in the logarithm with secant steps (Illinois). */
function rootOf(increasing: (x: number) => number, low: number, high: number): number {
  let a = Math.log(low);
  let b = Math.log(high);
  let fa = increasing(low);
  let fb = increasing(high);
  if (fa >= 0) return low;
  if (fb <= 0) return high;
  for (let i = 0; i < 100 && b - a > 1e-12; i++) {
    // Every third step halves the bracket, so that a poor secant cannot stall.
    const x = i % 3 === 2 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
    const fx = increasing(Math.exp(x));
    if (fx === 0) return Math.exp(x);
    if (fx < 0) {
      a = x;
      fa = fx;
      fb /= i % 3 === 2 ? 1 : 2;
    } else {
      b = x;
      fb = fx;
      fa /= i % 3 === 2 ? 1 : 2;
    }
  }
  return Math.exp((a + b) / 2);
}

/** Seconds in which a runner with these parameters covers `distanceM` metres flat out. */
export function enduranceTimeFor(p: EnduranceParameters, distanceM: number): number {
  // Nobody is faster than 15 m/s or slower than 0.5: it keeps the bracket tight and the answer finite.
  const low = Math.max(distanceM / 15, 0.5);
  return rootOf((timeS) => powerHeldFor(p, timeS) - powerNeeded(distanceM / timeS, distanceM), low, distanceM / 0.5);
}

/** Speed in m/s that a runner with these parameters can hold for `durationS` seconds flat out. */
export function enduranceSpeedFor(p: EnduranceParameters, durationS: number): number {
  const timeS = Math.min(Math.max(durationS, SOLVER_S.min), SOLVER_S.max);
  const held = powerHeldFor(p, timeS);
  return rootOf((speedMps) => powerNeeded(speedMps, speedMps * timeS) - held, 0.5, 15);
}
