/** How often an item comes and how long things are, as written: the rules that laying out and adding up share. */
import type { Amount, Count, Recovery } from './session';

/** A length as written: metres or seconds, or neither where it depends on an athlete. */
export type Length = { distanceM?: number; durationS?: number };

/** How often an item is run: one end of a range; work until it tires once. */
export function timesOf(count: Count, counts: 'min' | 'max'): number {
  if (count.kind === 'fixed') return count.n;
  return count.kind === 'open' ? 1 : count[counts];
}

/** True of what is run a single time, as written. */
export const isOnce = (count: Count): boolean => count.kind === 'fixed' && count.n === 1;

/** Of a range one end of it: the most, if left out. */
export function lengthOfAmount(amount: Amount, end: 'min' | 'max' = 'max'): Length {
  if (amount.kind === 'distance')
    return { distanceM: end === 'min' ? (amount.leastM ?? amount.distanceM) : amount.distanceM };
  return { durationS: end === 'min' ? (amount.leastS ?? amount.durationS) : amount.durationS };
}

/** The share of the rep that a recovery is: `equal` is all of it. Undefined where it has a length of its own. */
export function shareOfRep({ amount }: Recovery): number | undefined {
  if (amount.kind === 'equal') return 1;
  if (amount.kind === 'half') return 0.5;
  return amount.kind === 'share' ? amount.percent / 100 : undefined;
}

/** How long a recovery is after a rep of this length: a range its longer end; as distance when jogged after a distance rep. */
export function recoveryLength(recovery: Recovery, after: Length | undefined): Length {
  const { amount, manner } = recovery;
  if (amount.kind === 'time') return { durationS: amount.maxS };
  if (amount.kind === 'distance') return { distanceM: amount.distanceM };
  // As long as it takes: until a tap says so.
  if (amount.kind === 'ready') return {};
  const share = shareOfRep(recovery) ?? 1;
  const moves = manner === 'jog' || manner === 'float' || manner === 'moving';
  if (amount.kind !== 'share' && moves && after?.distanceM !== undefined) return { distanceM: after.distanceM * share };
  return after?.durationS === undefined ? {} : { durationS: after.durationS * share };
}
