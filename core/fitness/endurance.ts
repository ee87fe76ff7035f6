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

/** Search range of the solver, in seconds, and in m/s. */
const SOLVER_S = { min: 5, max: 200_000 };
const SPEED_MPS = { min: 0.5, max: 15 };
/** Newton's steps are few: four or five. */
const MOST_STEPS = 30;

/** What of A, MAP and E counts over `durationS`: P(T) = A·ofA + BMR + (MAP − BMR)·ofMap + E·ofE. */
function sharesOver(durationS: number): { ofA: number; ofMap: number; ofE: number } {
  const beyond = durationS > T_MAP_S ? Math.log(durationS / T_MAP_S) : 0;
  const ofA = ((1 + ANAEROBIC_FADE * beyond) / durationS) * (1 - Math.exp(-durationS / K2_S));
  const ofMap = 1 - (K1_S / durationS) * (1 - Math.exp(-durationS / K1_S));
  return { ofA, ofMap, ofE: ofMap * beyond };
}

/** Mean metabolic power, W/kg, that can be held for `durationS` seconds. */
export function powerHeldFor(p: EnduranceParameters, durationS: number): number {
  const { ofA, ofMap, ofE } = sharesOver(durationS);
  return p.aJkg * ofA + BASAL_WKG + (p.mapWkg - BASAL_WKG) * ofMap + p.eWkg * ofE;
}

const AIR_DRAG = 0.4 * SURFACE_PER_KG;

/** Metabolic power, W/kg, needed to cover `distanceM` metres at a mean speed of `speedMps`. */
export function powerNeeded(speedMps: number, distanceM: number): number {
  const airDrag = AIR_DRAG * speedMps ** 3;
  const gettingUpToSpeed = (2 * speedMps ** 3) / distanceM;
  return BASAL_WKG + RUNNING_COST_JKGM * speedMps + airDrag + gettingUpToSpeed;
}

/** A guess is searched this far to either side. */
const NEAR = 1.08;
/** Relative precision of the roots. */
const PRECISION = 1e-11;

/**
 * The root of an increasing function between `low` and `high`, searched in the logarithm: inverse quadratic steps where they are
 * safe, halving where not (Chandrupatla, Adv. Eng. Software 28:145–149, 1997).
 */
export function rootOf(increasing: (x: number) => number, low: number, high: number): number {
  let [near, far] = [Math.log(high), Math.log(low)];
  let [fNear, fFar] = [increasing(high), increasing(low)];
  if (fFar >= 0) return low;
  if (fNear <= 0) return high;
  let share = 0.5;
  for (let i = 0; i < 100; i++) {
    const x = near + share * (far - near);
    const fx = increasing(Math.exp(x));
    const sameSide = fx > 0 === fNear > 0;
    const [old, fOld] = sameSide ? [near, fNear] : [far, fFar];
    if (!sameSide) [far, fFar] = [near, fNear];
    [near, fNear] = [x, fx];
    const best = Math.abs(fNear) < Math.abs(fFar) ? near : far;
    const smallest = PRECISION / Math.abs(far - near);
    if (fx === 0 || smallest > 0.5) return Math.exp(best);
    const xi = (near - far) / (old - far);
    const phi = (fNear - fFar) / (fOld - fFar);
    const isSafe = phi ** 2 < xi && (1 - phi) ** 2 < 1 - xi;
    share = isSafe
      ? (fNear / (fFar - fNear)) * (fOld / (fFar - fOld)) +
        ((old - near) / (far - near)) * (fNear / (fOld - fNear)) * (fFar / (fOld - fFar))
      : 0.5;
    share = Math.min(1 - smallest, Math.max(smallest, share));
  }
  return Math.exp(near);
}

/** Power left over, W/kg, when `distanceM` metres are to be covered in `timeS`: below 0 it is too fast. */
const powerLeft = (p: EnduranceParameters, distanceM: number, timeS: number) =>
  powerHeldFor(p, timeS) - powerNeeded(distanceM / timeS, distanceM);

/**
 * Seconds in which a runner with these parameters covers `distanceM` metres flat out.
 * @param nearS a time it is likely near: only makes it quicker to find.
 */
export function enduranceTimeFor(p: EnduranceParameters, distanceM: number, nearS?: number): number {
  const left = (timeS: number) => powerLeft(p, distanceM, timeS);
  if (nearS !== undefined && left(nearS / NEAR) < 0 && left(nearS * NEAR) > 0)
    return rootOf(left, nearS / NEAR, nearS * NEAR);
  // Nobody is faster than 15 m/s or slower than 0.5: keeps the bracket tight and the answer finite.
  return rootOf(left, Math.max(distanceM / 15, 0.5), distanceM / 0.5);
}

/**
 * How ln(time) over `distanceM` changes with ln MAP (E/MAP and A/MAP kept), with E/MAP and with A/MAP (s), where the time is
 * `timeS`: the implicit derivative of powerLeft = 0.
 */
export function enduranceSlopes(p: EnduranceParameters, distanceM: number, timeS: number): [number, number, number] {
  const { ofA, ofMap, ofE } = sharesOver(timeS);
  const step = 1e-4;
  const alongTime =
    (powerLeft(p, distanceM, timeS * (1 + step)) - powerLeft(p, distanceM, timeS * (1 - step))) / (2 * step);
  const byLevel = p.aJkg * ofA + p.mapWkg * ofMap + p.eWkg * ofE;
  return [-byLevel / alongTime, (-p.mapWkg * ofE) / alongTime, (-p.mapWkg * ofA) / alongTime];
}

/** Speed in m/s that a runner with these parameters can hold for `durationS` seconds flat out. */
export function enduranceSpeedFor(p: EnduranceParameters, durationS: number): number {
  const timeS = Math.min(Math.max(durationS, SOLVER_S.min), SOLVER_S.max);
  const heldW = powerHeldFor(p, timeS) - BASAL_WKG;
  // powerNeeded() over speed × time, which is convex: Newton's steps come down from the speed that drag and start would cost nothing at.
  let speedMps = Math.max(SPEED_MPS.min, heldW / RUNNING_COST_JKGM);
  for (let i = 0; i < MOST_STEPS; i++) {
    const over = RUNNING_COST_JKGM * speedMps + AIR_DRAG * speedMps ** 3 + (2 * speedMps ** 2) / timeS - heldW;
    const step = over / (RUNNING_COST_JKGM + 3 * AIR_DRAG * speedMps ** 2 + (4 * speedMps) / timeS);
    speedMps -= step;
    if (Math.abs(step) <= PRECISION * speedMps) break;
  }
  return Math.min(SPEED_MPS.max, Math.max(SPEED_MPS.min, speedMps));
}
