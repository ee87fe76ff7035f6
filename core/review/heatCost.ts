/** The cost of heat, taken off before anybody is judged: this project's own figures, to be fitted as more is known. */
import type { Conditions } from '../run/events';
import { feltC, USUAL_HEAT_LIMITS, type HeatLimits } from '../squad/heat';

/** Nothing below these, nothing more above the last. */
const FROM_C = { time: 20, effort: 18, most: 40 };
/** Per degree felt: a share of a rep's time if it is longer than `longS` seconds, and points of effort. */
const TIME_SHARE = { rep: 0.003, tempo: 0.004 };
const LONG_REP_S = 180;
/** From so long on it is a tempo or a long run. */
const TEMPO_S = 900;
const EFFORT = 0.08;
/** Assumed if no humidity is known. */
const USUAL_HUMIDITY_PCT = 50;

/** Felt temperature (°C); undefined if no temperature is known. */
export function feltOn({ temperatureC, humidityPct }: Conditions): number | undefined {
  if (temperatureC === undefined || !Number.isFinite(temperatureC)) return undefined;
  return Math.min(FROM_C.most, feltC({ temperatureC, humidityPct: humidityPct ?? USUAL_HUMIDITY_PCT }));
}

/** The share by which heat slows a rep of `timeS` seconds; 0 for a short one, more for a tempo or a long run. */
export function slowedBy(felt: number | undefined, timeS: number): number {
  if (felt === undefined || !(timeS > LONG_REP_S)) return 0;
  return TIME_SHARE[timeS >= TEMPO_S ? 'tempo' : 'rep'] * Math.max(0, felt - FROM_C.time);
}

/** Points of effort that heat adds. */
export const effortAdded = (felt: number | undefined): number =>
  felt === undefined ? 0 : EFFORT * Math.max(0, felt - FROM_C.effort);

/** A day above one of the club's limits: the air, what it felt like, and whether nothing hard was to be run. */
export type HotDay = { airC: number; feltC: number; isOverHard: boolean };

/** The day's heat from the club's caution level on; undefined below it. */
export function hotDay(conditions: Conditions, limits: HeatLimits = USUAL_HEAT_LIMITS): HotDay | undefined {
  const felt = feltOn(conditions);
  const { temperatureC: airC } = conditions;
  if (felt === undefined || airC === undefined || felt < limits.careC) return undefined;
  return { airC, feltC: felt, isOverHard: felt >= limits.hardC };
}
