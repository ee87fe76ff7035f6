/** Lengths that reps and recoveries are given in, as coaches choose them: what a step up or down goes to. */
import type { Amount } from './session';

const USUAL: Record<Amount['kind'], readonly number[]> = {
  distance: [
    50, 60, 80, 100, 120, 150, 200, 250, 300, 400, 500, 600, 800, 1000, 1200, 1600, 2000, 2400, 3000, 4000, 5000, 6000,
    8000, 10_000,
  ],
  duration: [
    15, 20, 30, 40, 45, 60, 75, 90, 120, 150, 180, 240, 300, 360, 480, 600, 720, 900, 1200, 1500, 1800, 2400, 3000,
    3600,
  ],
};
const A_HAIR = 1e-6;

/** The next longer usual metres or seconds; beyond the last a quarter more. */
export const usualAfter = (kind: Amount['kind'], value: number): number =>
  USUAL[kind].find((usual) => usual > value + A_HAIR) ?? Math.round(value * 1.25);

/** The next shorter; undefined below the shortest. */
export const usualBefore = (kind: Amount['kind'], value: number): number | undefined =>
  USUAL[kind].findLast((usual) => usual < value - A_HAIR);

export const lengthOf = (amount: Amount): number => (amount.kind === 'distance' ? amount.distanceM : amount.durationS);

/** So many metres or seconds. */
export const amountOf = (kind: Amount['kind'], length: number): Amount =>
  kind === 'distance' ? { kind, distanceM: length } : { kind, durationS: length };

/** The next longer amount of the same kind. */
export const longerAmount = (amount: Amount): Amount =>
  amountOf(amount.kind, usualAfter(amount.kind, lengthOf(amount)));

/** The next shorter amount of the same kind; the same where there is none. */
export const shorterAmount = (amount: Amount): Amount =>
  amountOf(amount.kind, usualBefore(amount.kind, lengthOf(amount)) ?? lengthOf(amount));
