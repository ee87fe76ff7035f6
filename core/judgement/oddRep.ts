/** A first rep that was too quick, or a last one that was raced: beyond chance, by how evenly this athlete usually runs. */
import { mean } from '../units/mean';
import type { PaceReading } from './paceAsked';

/** An athlete's usual spread over reps of one kind: a standard deviation in percent, and its number of reps. */
export type UsualSpread = { percent: number; reps: number };

/** The spread assumed until this many like reps are known: this project's own figure. */
export const UNKNOWN_SPREAD: UsualSpread = { percent: 1.2, reps: 12 };

/** The fewest like reps to judge from. */
const LEAST_REPS = 4;
const CONFIDENCE = 0.95;

/** The standard normal quantile (Abramowitz & Stegun 26.2.23, 1964), within 0.0005. @param tail above a half of nothing. */
function normalQuantile(tail: number): number {
  const t = Math.sqrt(-2 * Math.log(tail));
  return t - (2.515517 + 0.802853 * t + 0.010328 * t ** 2) / (1 + 1.432788 * t + 0.189269 * t ** 2 + 0.001308 * t ** 3);
}

/** Student's t from the normal quantile (Abramowitz & Stegun 26.7.5). */
function studentQuantile(tail: number, degrees: number): number {
  const z = normalQuantile(tail);
  return (
    z +
    (z ** 3 + z) / (4 * degrees) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * degrees ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * degrees ** 3)
  );
}

/** Percent that a rep has to differ from those between, with this many athletes tested at once (Šidák). */
export function oddLimitPercent(reps: number, { percent, reps: known }: UsualSpread, people: number): number {
  const tail = (1 - CONFIDENCE ** (1 / Math.max(1, people))) / 2;
  return studentQuantile(tail, Math.max(3, known - 1)) * percent * Math.sqrt(1 + 1 / (reps - 2));
}

/** A rep that stands out: seconds against its own target, below 0 is early; and its kind's place. */
export type OddRep = { which: 'first' | 'last'; deltaS: number };

/**
 * The first rep of an item run too quick, or its last one raced; undefined where neither is beyond tolerance and beyond chance.
 * @param people how many of the squad are looked at.
 */
export function oddRepOf({ reps }: PaceReading, usual: UsualSpread, people: number): OddRep | undefined {
  const kinds = new Map<string, typeof reps>();
  for (const rep of reps) kinds.set(rep.kind, [...(kinds.get(rep.kind) ?? []), rep]);
  const spread = usual.reps < UNKNOWN_SPREAD.reps ? UNKNOWN_SPREAD : usual;
  for (const alike of kinds.values()) {
    const [first, last] = [alike[0], alike.at(-1)];
    if (!first || !last || alike.length < LEAST_REPS) continue;
    const between = mean(alike.slice(1, -1).map(({ share }) => share));
    const limit = oddLimitPercent(alike.length, spread, people) / 100;
    const isOdd = ({ share, tolerances }: typeof first) => tolerances < -1 && between - share > limit;
    // If the others were late, this rep was not quick.
    if (isOdd(first)) return { which: 'first', deltaS: first.deltaS };
    if (isOdd(last)) return { which: 'last', deltaS: last.deltaS };
  }
  return undefined;
}
