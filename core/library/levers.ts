/** Levers of a progression, each as it takes an item a step on. */
import type { Amount, Count, Item, Pace, Recovery, RepPace } from '../session/session';
import { isOnce, timesOf } from '../session/lengths';
import { amountOf, lengthOf, longerAmount, usualBefore } from '../session/usualAmounts';
import type { Lever } from './librarySession';

/** The changed item; undefined where nothing is left to change. @param by the step, if the coach has set it: see ChainLink. */
type Change = (item: Item, by?: number) => Item | undefined;

/** How deep in sets the item is looked for: not at all, in sets of like reps only, or the longest rep of any. */
export type Depth = 'top' | 'like' | 'rep';

const times = (count: Count, change: (n: number) => number): Count => {
  if (count.kind === 'open') return count;
  if (count.kind === 'fixed') return { kind: 'fixed', n: change(count.n) };
  const [min, max] = [change(count.min), change(count.max)];
  return min === max ? { kind: 'fixed', n: min } : { kind: 'range', min, max };
};

const sizeOf = (amounts: readonly Amount[]) => amounts.reduce((sum, amount) => sum + lengthOf(amount), 0);

/** The number of reps in one step. */
const sixthOf = (n: number) => Math.max(1, Math.round(n * 0.15));

/** With this many metres or seconds more; to the next usual amount if not given. */
const grown = (by: number | undefined) => (amount: Amount) =>
  by === undefined ? longerAmount(amount) : amountOf(amount.kind, Math.max(1, lengthOf(amount) + by));

/** Longer reps, the same count. */
const sameCount: Change = (item, by) => {
  const { body } = item;
  if (body.kind !== 'rep') return undefined;
  const amounts = body.amounts.map(grown(by));
  return sizeOf(amounts) === sizeOf(body.amounts) ? undefined : { ...item, body: { ...body, amounts } };
};

/** Longer reps, with a count that keeps about the same total. */
const sameInAll: Change = (item, by) => {
  const { body } = item;
  const changed = sameCount(item, by);
  if (!changed || body.kind !== 'rep' || changed.body.kind !== 'rep') return undefined;
  const share = sizeOf(changed.body.amounts) / sizeOf(body.amounts);
  return { ...changed, count: times(item.count, (n) => Math.max(1, Math.round(n / share))) };
};

const moreSets: Change = (item, by = 1) => {
  const { body, count } = item;
  if (body.kind !== 'set' || count.kind === 'open') return undefined;
  return { ...item, count: times(count, (n) => n + by) };
};

/** About a sixth more reps; a set of unlike ones is repeated once more. */
const moreReps: Change = (item, by) => {
  const { body, count } = item;
  if (body.kind === 'set') return moreSets(item, by);
  if (body.kind !== 'rep' || count.kind === 'open') return undefined;
  // One stretch on its own cannot be run more often without a rest: it gets longer.
  if (isOnce(count) && !item.recovery) return sameCount(item);
  return { ...item, count: times(count, (n) => n + (by ?? sixthOf(n))) };
};

/** About a sixth fewer; a single rep has none fewer. */
const fewer: Change = (item, by) => {
  const { count } = item;
  if (count.kind === 'open' || timesOf(count, 'min') < 2) return undefined;
  return { ...item, count: times(count, (n) => Math.max(1, n - (by ?? sixthOf(n)))) };
};

const isSame = (a: Pace, b: Pace) => JSON.stringify(a) === JSON.stringify(b);

/** From the pace of now to that of the goal, half way first; a time or a share a little faster. */
function fasterPace({ from, to = from }: RepPace): RepPace | undefined {
  if (from.kind === 'named' && !from.offset) {
    const goal: Pace = { ...from, goal: true };
    if (isSame(from, goal)) return undefined;
    return isSame(to, from) ? { from, to: goal } : { from: goal };
  }
  if (from.kind === 'absolute') return { from: { ...from, timeS: Math.round(from.timeS * 9.9) / 10 } };
  if (from.kind === 'share') return { from: { ...from, percent: from.percent + 1 } };
  if (from.kind === 'effort' && from.max < 9) return { from: { ...from, min: from.min + 0.5, max: from.max + 0.5 } };
  return undefined;
}

const withPace =
  (change: (pace: RepPace) => RepPace | undefined): Change =>
  (item) => {
    const { body } = item;
    if (body.kind !== 'rep' || !body.pace) return undefined;
    const pace = change(body.pace);
    return pace && { ...item, body: { ...body, pace } };
  };

/** Seconds a lap by which a ladder gets faster each time it is done. */
const AGAIN = { offsetS: -1, perM: 400 };

/** A little faster than before, beyond the goal's own pace too. */
export function aLittleFaster(pace: RepPace): RepPace {
  const quicker = (pace: Pace): Pace => {
    if (pace.kind === 'absolute') return { ...pace, timeS: Math.round(pace.timeS * 9.9) / 10 };
    if (pace.kind === 'share') return { ...pace, percent: pace.percent + 1 };
    if (pace.kind === 'effort')
      return { ...pace, min: Math.min(10, pace.min + 0.5), max: Math.min(10, pace.max + 0.5) };
    const { offset } = pace;
    if (!offset) return { ...pace, offset: AGAIN };
    return { ...pace, offset: { ...offset, offsetS: offset.offsetS + (AGAIN.offsetS * offset.perM) / AGAIN.perM } };
  };
  return {
    from: quicker(pace.from),
    ...(pace.to ? { to: quicker(pace.to) } : {}),
    ...(pace.band ? { band: quicker(pace.band) } : {}),
  };
}

const SHORTEST_S = 15;
const roundTo5 = (timeS: number) => Math.max(SHORTEST_S, Math.round(timeS / 5) * 5);

/** About a sixth less, or less by so many seconds, metres or percent; undefined where there is nothing left to take. */
function shorterRest({ amount, ...how }: Recovery, by: number | undefined): Recovery | undefined {
  const less = (timeS: number) =>
    by === undefined ? roundTo5(timeS * 0.83) : Math.max(Math.min(SHORTEST_S, timeS), timeS - by);
  switch (amount.kind) {
    case 'time':
      return less(amount.maxS) < amount.maxS
        ? { ...how, amount: { kind: 'time', minS: Math.min(less(amount.minS), amount.minS), maxS: less(amount.maxS) } }
        : undefined;
    case 'distance': {
      const distanceM = by === undefined ? usualBefore('distance', amount.distanceM) : amount.distanceM - by;
      return distanceM === undefined || distanceM <= 0
        ? undefined
        : { ...how, amount: { kind: 'distance', distanceM } };
    }
    case 'equal':
      return { ...how, amount: { kind: 'share', percent: 80 } };
    case 'half':
      return { ...how, amount: { kind: 'share', percent: 40 } };
    case 'share':
      return amount.percent <= 20
        ? undefined
        : { ...how, amount: { kind: 'share', percent: Math.max(10, amount.percent - (by ?? 10)) } };
    case 'ready':
      return undefined;
  }
}

const withRest =
  (change: (recovery: Recovery, by: number | undefined) => Recovery | undefined): Change =>
  (item, by) => {
    const recovery = item.recovery && change(item.recovery, by);
    return recovery && { ...item, recovery };
  };

/** A float gets so many percent quicker at a time. */
const FLOAT_STEP = 3;

/** A pace so many percent quicker, by speed; one that moves with the goal is left alone. */
function quickerFloat(pace: Pace, by: number): Pace | undefined {
  switch (pace.kind) {
    case 'named':
      return pace.goal || pace.offset ? undefined : { kind: 'share', percent: 100 + by, name: pace.name };
    case 'share':
      return { ...pace, percent: pace.percent + by };
    case 'absolute':
      return { ...pace, timeS: Math.round(pace.timeS * (1000 - 10 * by)) / 1000 };
    case 'effort':
      return undefined;
  }
}

/** A float that is run a little quicker, as long as before. */
const withFloat: Change = (item, by = FLOAT_STEP) => {
  const { recovery } = item;
  const pace = recovery?.pace && quickerFloat(recovery.pace, by);
  return recovery && pace && { ...item, recovery: { ...recovery, pace } };
};

/** Fewer and bigger sets; the last step is a single set, which is none. */
const merged: Change = (item) => {
  const { body, count } = item;
  if (body.kind !== 'set' || count.kind !== 'fixed' || count.n < 2) return undefined;
  const [inner, ...others] = body.items;
  if (!inner || others.length > 0 || inner.count.kind !== 'fixed') return undefined;
  const sets = [...Array(count.n - 1).keys()].map((i) => count.n - 1 - i).find((n) => count.n % n === 0) ?? 1;
  const bigger: Item = { ...inner, count: { kind: 'fixed', n: (inner.count.n * count.n) / sets } };
  return sets === 1 ? bigger : { ...item, count: { kind: 'fixed', n: sets }, body: { kind: 'set', items: [bigger] } };
};

const countOf = ({ count }: Item) => (count.kind === 'open' ? undefined : timesOf(count, 'max'));
const longestOf = ({ body }: Item) => (body.kind === 'rep' ? Math.max(...body.amounts.map(lengthOf)) : undefined);
function restOf({ recovery }: Item): number | undefined {
  const amount = recovery?.amount;
  if (amount?.kind === 'time') return amount.maxS;
  if (amount?.kind === 'distance') return amount.distanceM;
  return amount?.kind === 'share' ? amount.percent : undefined;
}

/** What a lever moves: its current value, and its direction. */
export type LeverFacts = {
  change: Change;
  depth: Depth;
  /** Where it stands, in reps, sets, metres, or seconds (a rest may be in metres or percent too); undefined where it is no number. */
  measure?: (item: Item) => number | undefined;
  way: 1 | -1;
};

export const LEVER_FACTS: Record<Lever, LeverFacts> = {
  more: { change: moreReps, depth: 'like', measure: countOf, way: 1 },
  sets: { change: moreSets, depth: 'top', measure: countOf, way: 1 },
  longer: { change: sameInAll, depth: 'rep', measure: longestOf, way: 1 },
  'longer-same': { change: sameCount, depth: 'rep', measure: longestOf, way: 1 },
  faster: { change: withPace(fasterPace), depth: 'rep', way: 1 },
  'less-rest': { change: withRest(shorterRest), depth: 'rep', measure: restOf, way: -1 },
  float: { change: withFloat, depth: 'rep', way: 1 },
  merged: { change: merged, depth: 'top', measure: countOf, way: -1 },
  fewer: { change: fewer, depth: 'like', measure: countOf, way: -1 },
};
