import { speedFor, type Curve } from '../fitness/curve';
import { lineThrough } from '../fitness/criticalSpeed';
import { isWork, type TargetLeg } from './targetsFor';

/** What is spent above critical speed and won back below it: CS in m/s and D′ in metres. */
export type ReserveModel = { criticalMps: number; reserveM: number };

/** Time constants of refilling; the form is Skiba et al., MSSE 44:1526 (2012), the values this project's own defaults. */
const REFILL_S = { standing: 300, jogging: 330 };

/** CS and D′ of a curve: the straight line through distance over time (Monod & Scherrer, Ergonomics 8:329, 1965). */
export function reserveModel(curve: Curve): ReserveModel {
  const model = cache.get(curve) ?? lineThrough((durationS) => speedFor(curve, durationS));
  cache.set(curve, model);
  return model;
}

/** Five roots to be found, asked for with every look at a session: kept for as long as the curve is. */
const cache = new WeakMap<Curve, ReserveModel>();

/** Metres of reserve left after `durationS` at `speedMps`, from `leftM`. Standing or walking is any speed under a third of CS. */
export function reserveAfter(model: ReserveModel, leftM: number, speedMps: number, durationS: number): number {
  const { criticalMps, reserveM } = model;
  if (speedMps >= criticalMps) return leftM - (speedMps - criticalMps) * durationS;
  const share = speedMps / criticalMps;
  // Up to an easy jog the refill is nearly that of standing; from there it slows until, at CS, there is none.
  const easy = 0.5;
  const tauS =
    share < 1 / 3
      ? REFILL_S.standing
      : share <= easy
        ? REFILL_S.jogging
        : (REFILL_S.jogging * (1 - easy)) / (1 - share);
  return reserveM - (reserveM - leftM) * Math.exp(-durationS / tauS);
}

/** Speed in m/s of a recovery that is jogged, or in which one keeps moving. */
export const joggedMps = ({ criticalMps }: ReserveModel): number => criticalMps * 0.45;

/** Speed of a leg in m/s: its distance over its time; a recovery by the clock is walked unless it says otherwise. */
export function legSpeed(leg: TargetLeg, model: ReserveModel): number {
  if (leg.distanceM !== undefined && leg.targetS) return leg.distanceM / leg.targetS;
  if (leg.kind === 'recovery' && (leg.manner === 'jog' || leg.manner === 'moving')) return joggedMps(model);
  if (leg.kind === 'recovery' && leg.manner === 'float') return model.criticalMps * 0.85;
  return leg.kind === 'recovery' ? 0 : model.criticalMps;
}

/**
 * Share of the athlete's reserve (D′) left after each rep of the main set and the fast finish: 1 is full, below 0 is more
 * than they have. Legs without a time leave it as it is. The main part is begun with all of it: strides in a warm-up draw on it
 * for a moment, but between them and the first rep there are always some minutes.
 */
export function reserve(curve: Curve, legs: readonly TargetLeg[]): { afterRep: number[] } {
  const model = reserveModel(curve);
  let leftM = model.reserveM;
  const afterRep: number[] = [];
  for (const leg of legs.slice(Math.max(0, legs.findIndex(isWork)))) {
    const durationS = leg.targetS ?? leg.durationS ?? 0;
    leftM = reserveAfter(model, leftM, legSpeed(leg, model), durationS);
    if (leg.kind === 'rep' && isWork(leg)) afterRep.push(leftM / model.reserveM);
  }
  return { afterRep };
}
