/**
 * Totals from the tree, without expanding it: a count of a million is refused before anything is built. They equal those of expand(); a
 * property test compares them.
 */
import { lengthOfAmount, recoveryLength, timesOf, type Length } from './lengths';
import type { Item, Recovery, SessionTree } from './session';

/** A session with more reps and recoveries than this is refused. */
export const MAX_LEGS = 500;

/** What the tree adds up to; metres and seconds as written, without what depends on an athlete. */
export type TreeTotals = { reps: number; recoveries: number; distanceM: number; durationS: number };

/** Sums of a stretch, and the recovery it ends with: one that follows from outside takes its place. */
type Stretch = TreeTotals & { tail?: TreeTotals; lastRep?: Length };

const NOTHING: TreeTotals = { reps: 0, recoveries: 0, distanceM: 0, durationS: 0 };

function plus(a: TreeTotals, b: TreeTotals, times = 1): TreeTotals {
  return {
    reps: a.reps + b.reps * times,
    recoveries: a.recoveries + b.recoveries * times,
    distanceM: a.distanceM + b.distanceM * times,
    durationS: a.durationS + b.durationS * times,
  };
}

function withRecovery(stretch: Stretch, recovery: Recovery | undefined): Stretch {
  if (!recovery) return stretch;
  const kept = stretch.tail ? plus(stretch, stretch.tail, -1) : stretch;
  const tail = { ...NOTHING, recoveries: 1, ...recoveryLength(recovery, stretch.lastRep) };
  return { ...plus(kept, tail), tail, ...(stretch.lastRep ? { lastRep: stretch.lastRep } : {}) };
}

function inTurn(stretches: readonly Stretch[]): Stretch {
  const { tail, lastRep }: Partial<Stretch> = stretches.at(-1) ?? {};
  const sum = stretches.reduce<TreeTotals>((total, stretch) => plus(total, stretch), NOTHING);
  return { ...sum, ...(tail ? { tail } : {}), ...(lastRep ? { lastRep } : {}) };
}

function repeated(stretch: Stretch, n: number): Stretch {
  return { ...stretch, ...plus(NOTHING, stretch, n) };
}

function itemTotals(item: Item, counts: 'min' | 'max'): Stretch {
  const { body, recovery } = item;
  const n = timesOf(item.count, counts);
  if (body.kind === 'rep') {
    const each = body.amounts.map((amount) => {
      const length = lengthOfAmount(amount);
      return withRecovery({ ...NOTHING, reps: 1, ...length, lastRep: length }, recovery);
    });
    return repeated(inTurn(each), n);
  }
  const once =
    body.kind === 'set' ? inTurn(body.items.map((inner) => itemTotals(inner, counts))) : { ...NOTHING, reps: 1 };
  return repeated(withRecovery(once, recovery), n);
}

/** Adds a session up from its tree. @param counts which end of a range of counts to take. */
export function treeTotals(session: SessionTree, counts: 'min' | 'max' = 'max'): TreeTotals {
  const all = inTurn(session.lines.flatMap(({ items }) => items.map((item) => itemTotals(item, counts))));
  const { reps, recoveries, distanceM, durationS } = all.tail ? plus(all, all.tail, -1) : all;
  return { reps, recoveries, distanceM, durationS };
}

/** A stretch's legs, and whether it ends with a recovery. */
type Legs = { legs: number; hasTail: boolean };

function legsOf(items: readonly Item[]): Legs {
  let legs = 0;
  let hasTail = false;
  for (const item of items) {
    const ownLegs = itemLegCount(item);
    legs += ownLegs.legs;
    hasTail = ownLegs.hasTail;
  }
  return { legs, hasTail };
}

function itemLegCount(item: Item): Legs {
  const { body, recovery } = item;
  const n = timesOf(item.count, 'max');
  if (body.kind === 'rep') return { legs: n * body.amounts.length * (recovery ? 2 : 1), hasTail: !!recovery };
  const once = body.kind === 'set' ? legsOf(body.items) : { legs: 1, hasTail: false };
  if (!recovery) return { legs: n * once.legs, hasTail: once.hasTail };
  return { legs: n * (once.legs + (once.hasTail ? 0 : 1)), hasTail: true };
}

/** How many legs expand() would lay the session out in; asked with each letter that is typed, so without all the sums. */
export function legCount(session: SessionTree): number {
  let all: Legs = { legs: 0, hasTail: false };
  for (const { items } of session.lines) {
    const { legs, hasTail } = legsOf(items);
    all = { legs: all.legs + legs, hasTail };
  }
  return all.legs - (all.hasTail ? 1 : 0);
}
