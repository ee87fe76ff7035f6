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
  /** The curve's model is not meant for efforts as long or as short as this. */
  extrapolated?: true;
};

/** A speed is as sure as the race pace it is nearest to: over these, in metres. */
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

type AtRace = { speedMps: number; error: number; extrapolated: boolean };

const atRaces = (curve: Curve): AtRace[] =>
  RACES_M.map((distanceM) => {
    const timeS = timeFor(curve, distanceM);
    return {
      speedMps: distanceM / timeS,
      error: timeErrorFor(curve, distanceM) / timeS,
      extrapolated: isExtrapolated(curve, distanceM),
    };
  });

const nearest = (races: readonly AtRace[], speedMps: number): AtRace | undefined =>
  races.reduce<AtRace | undefined>(
    (best, race) => (best && Math.abs(best.speedMps - speedMps) <= Math.abs(race.speedMps - speedMps) ? best : race),
    undefined,
  );

/** Every pace of the book for an athlete, now and at their goal, in the order of the book. */
export function paceTable({ curve, goalCurve, paceBook }: PaceSource): PaceRow[] {
  const races = curve ? atRaces(curve) : [];
  return paceBook.entries.map((entry) => {
    const nowMps = curve && speedOfEntry(paceBook, entry.name, curve);
    const goalMps = goalCurve && speedOfEntry(paceBook, entry.name, goalCurve);
    const race = nowMps === undefined ? undefined : nearest(races, nowMps);
    return {
      entry,
      ...(nowMps === undefined ? {} : { nowMps }),
      ...(goalMps === undefined ? {} : { goalMps }),
      ...(race ? { error: race.error } : {}),
      ...(race?.extrapolated ? { extrapolated: true as const } : {}),
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
