import { isExtrapolated, timeErrorFor, timeFor, type Curve } from '../fitness/curve';
import { HALF_MARATHON_M, MARATHON_M, MILE_M } from '../units/distance';
import { speedOfEntry, type PaceBook, type PaceEntry } from './paceBook';
import type { PaceSource } from './paceSpeed';

/** One entry of the book for one athlete. Speeds in m/s; none for an entry run by effort. */
export type PaceRow = {
  entry: PaceEntry;
  nowMps?: number;
  goalMps?: number;
  /** Standard error of the speed of today as a share of it: 0.02 is 2 %. */
  error?: number;
  /** The curve's model does not cover efforts this long or short; the endurance curve stands in. */
  extrapolated?: true;
};

/** A speed is as sure as the nearest of these race paces, in metres. */
const RACES_M = [
  400,
  600,
  800,
  1200,
  1500,
  2000,
  3000,
  4000,
  5000,
  7000,
  10_000,
  15_000,
  HALF_MARATHON_M,
  30_000,
  MARATHON_M,
];

type AtRace = { distanceM: number; speedMps: number; error?: number };

/** Races of a curve, cached; their errors are worked out when asked for, since each takes several times as long. */
const cache = new WeakMap<Curve, AtRace[]>();

function nearestRace(curve: Curve, speedMps: number): AtRace | undefined {
  const races =
    cache.get(curve) ?? RACES_M.map((distanceM) => ({ distanceM, speedMps: distanceM / timeFor(curve, distanceM) }));
  cache.set(curve, races);
  return races.reduce<AtRace | undefined>(
    (best, race) => (best && Math.abs(best.speedMps - speedMps) <= Math.abs(race.speedMps - speedMps) ? best : race),
    undefined,
  );
}

/** Standard error of a speed in m/s as a share of it, by the race pace it is nearest to: 0.02 is 2 %. */
export function speedError(curve: Curve, speedMps: number): number {
  const race = nearestRace(curve, speedMps);
  if (!race) return 0;
  race.error ??= (timeErrorFor(curve, race.distanceM) * race.speedMps) / race.distanceM;
  return race.error;
}

/** Every pace of the book for an athlete, now and at their goal, in the order of the book. */
export function paceTable({ curve, goalCurve, paceBook }: PaceSource): PaceRow[] {
  return paceBook.entries.map((entry) => {
    const nowMps = curve && speedOfEntry(paceBook, entry.name, curve);
    const goalMps = goalCurve && speedOfEntry(paceBook, entry.name, goalCurve);
    const race = curve && nowMps !== undefined ? nearestRace(curve, nowMps) : undefined;
    return {
      entry,
      ...(nowMps === undefined ? {} : { nowMps }),
      ...(goalMps === undefined ? {} : { goalMps }),
      ...(curve && nowMps !== undefined ? { error: speedError(curve, nowMps) } : {}),
      ...(curve && race && isExtrapolated(curve, race.distanceM) ? { extrapolated: true as const } : {}),
    };
  });
}

/** What a pace book's entries can be shown as: a time over so many metres. */
export const PACE_UNITS = ['100', '200', '400', 'lap', 'km', 'mile'] as const;
export type PaceUnit = (typeof PACE_UNITS)[number];

/** Metres of a unit; a lap is that of the venue. */
export function unitM(unit: PaceUnit, lapM: number): number {
  if (unit === 'lap') return lapM;
  if (unit === 'km') return 1000;
  if (unit === 'mile') return MILE_M;
  return Number(unit);
}

/** The speed of one entry for one athlete, for tables of many: see PaceRow. */
export const paceOf = (paces: { curve?: Curve | undefined; paceBook: PaceBook }, name: string): number | undefined =>
  paces.curve && speedOfEntry(paces.paceBook, name, paces.curve);
