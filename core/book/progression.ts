/** Steps from one session to the next by a single lever, on the item that makes up most of the main part. */
import { itemAt, itemsAt, replaceItem, type ItemPath } from '../session/edit';
import { formatSession } from '../session/formatSession';
import type { Amount, Count, Item, Pace, Recovery, RepPace, Session } from '../session/session';
import { isOnce } from '../session/lengths';
import { longerAmount, usualBefore } from '../session/usualAmounts';
import { treeTotals } from '../session/treeTotals';
import { GUESSED_MPS } from '../targets/totals';
import type { Lever } from './bookSession';

const lengthM = (item: Item) => {
  const { distanceM, durationS } = treeTotals({ lines: [{ role: 'main', items: [item] }] });
  return distanceM + durationS * GUESSED_MPS;
};

/** How far into sets the item is looked for: not at all, into sets of like reps only, or to the longest rep in any. */
type Depth = 'top' | 'like' | 'rep';

const isOfLike = ({ body }: Item) => body.kind === 'set' && body.items.length === 1;

/** Where the longest item of the main part stands; into a set, the longest in that too as far as `depth` goes. */
function mainItem(session: Session, depth: Depth): ItemPath | undefined {
  const tops = session.lines.flatMap(({ role, items }, i) =>
    role === 'main' ? items.map((item, j) => ({ path: [i, j] as ItemPath, item })) : [],
  );
  let best = longest(tops);
  while (best?.item.body.kind === 'set' && (depth === 'rep' || (depth === 'like' && isOfLike(best.item)))) {
    const parent = best.path;
    best = longest(itemsAt(session, parent).map((item, i) => ({ path: [...parent, i], item })));
  }
  return best?.path;
}

function longest(items: readonly { path: ItemPath; item: Item }[]) {
  return items.reduce<{ path: ItemPath; item: Item } | undefined>(
    (best, one) => (best && lengthM(best.item) >= lengthM(one.item) ? best : one),
    undefined,
  );
}

const times = (count: Count, change: (n: number) => number): Count => {
  if (count.kind === 'open') return count;
  if (count.kind === 'fixed') return { kind: 'fixed', n: change(count.n) };
  const [min, max] = [change(count.min), change(count.max)];
  return min === max ? { kind: 'fixed', n: min } : { kind: 'range', min, max };
};

const sizeOf = (amounts: readonly Amount[]) =>
  amounts.reduce((sum, one) => sum + (one.kind === 'distance' ? one.distanceM : one.durationS), 0);

/** Longer reps, as many as before. */
function longerSame(item: Item): Item | undefined {
  const { body } = item;
  return body.kind === 'rep' ? { ...item, body: { ...body, amounts: body.amounts.map(longerAmount) } } : undefined;
}

/** How many reps a step is, of so many. */
const sixthOf = (n: number) => Math.max(1, Math.round(n * 0.15));

/** A set more. */
function moreSets(item: Item): Item | undefined {
  const { body, count } = item;
  if (body.kind !== 'set' || count.kind === 'open') return undefined;
  return { ...item, count: times(count, (n) => n + 1) };
}

/** About a sixth more reps; of a set of unlike ones the whole set once more. */
function moreReps(item: Item): Item | undefined {
  const { body, count } = item;
  if (body.kind === 'set') return moreSets(item);
  if (body.kind !== 'rep' || count.kind === 'open') return undefined;
  // One stretch on its own cannot be run more often without a rest: it gets longer.
  if (isOnce(count) && !item.recovery) return longerSame(item);
  return { ...item, count: times(count, (n) => n + sixthOf(n)) };
}

/** About a sixth fewer; of one rep there are none fewer. */
function fewer(item: Item): Item | undefined {
  const { count } = item;
  if (count.kind === 'open' || (count.kind === 'fixed' ? count.n : count.min) < 2) return undefined;
  return { ...item, count: times(count, (n) => n - sixthOf(n)) };
}

/** Longer reps, fewer of them, about as much in all. */
function longerReps(item: Item): Item | undefined {
  const { body } = item;
  if (body.kind !== 'rep') return undefined;
  const amounts = body.amounts.map(longerAmount);
  const by = sizeOf(amounts) / sizeOf(body.amounts);
  return { ...item, count: times(item.count, (n) => Math.max(1, Math.round(n / by))), body: { ...body, amounts } };
}

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

function faster(item: Item): Item | undefined {
  const { body } = item;
  if (body.kind !== 'rep' || !body.pace) return undefined;
  const pace = fasterPace(body.pace);
  return pace && { ...item, body: { ...body, pace } };
}

/** A float gets so many percent quicker at a time. */
const FLOAT_STEP = 3;

const roundTo5 = (timeS: number) => Math.max(15, Math.round(timeS / 5) * 5);

/** About a sixth less; undefined where there is nothing left to take. */
function shorterRest({ amount, ...how }: Recovery): Recovery | undefined {
  const less = (timeS: number) => roundTo5(timeS * 0.83);
  switch (amount.kind) {
    case 'time':
      return less(amount.maxS) < amount.maxS
        ? { ...how, amount: { kind: 'time', minS: Math.min(less(amount.minS), amount.minS), maxS: less(amount.maxS) } }
        : undefined;
    case 'distance': {
      const distanceM = usualBefore('distance', amount.distanceM);
      return distanceM === undefined ? undefined : { ...how, amount: { kind: 'distance', distanceM } };
    }
    case 'equal':
      return { ...how, amount: { kind: 'share', percent: 80 } };
    case 'half':
      return { ...how, amount: { kind: 'share', percent: 40 } };
    case 'share':
      return amount.percent <= 20 ? undefined : { ...how, amount: { kind: 'share', percent: amount.percent - 10 } };
  }
}

function lessRest(item: Item): Item | undefined {
  const recovery = item.recovery && shorterRest(item.recovery);
  return recovery && { ...item, recovery };
}

/** A pace a little quicker, by speed; one that moves with the goal is left alone. */
function quickerPace(pace: Pace): Pace | undefined {
  switch (pace.kind) {
    case 'named':
      return pace.goal || pace.offset ? undefined : { kind: 'share', percent: 100 + FLOAT_STEP, name: pace.name };
    case 'share':
      return { ...pace, percent: pace.percent + FLOAT_STEP };
    case 'absolute':
      return { ...pace, timeS: Math.round(pace.timeS * (1000 - 10 * FLOAT_STEP)) / 1000 };
    case 'effort':
      return undefined;
  }
}

/** A float that is run a little quicker, as long as before. */
function quickerFloat(item: Item): Item | undefined {
  const { recovery } = item;
  const pace = recovery?.pace && quickerPace(recovery.pace);
  return recovery && pace && { ...item, recovery: { ...recovery, pace } };
}

/** Fewer and bigger sets; the last step is one set, which is none. */
function merged(item: Item): Item | undefined {
  const { body, count } = item;
  if (body.kind !== 'set' || count.kind !== 'fixed' || count.n < 2) return undefined;
  const [inner, ...others] = body.items;
  if (!inner || others.length > 0 || inner.count.kind !== 'fixed') return undefined;
  const sets = [...Array(count.n - 1).keys()].map((i) => count.n - 1 - i).find((n) => count.n % n === 0) ?? 1;
  const bigger: Item = { ...inner, count: { kind: 'fixed', n: (inner.count.n * count.n) / sets } };
  return sets === 1 ? bigger : { ...item, count: { kind: 'fixed', n: sets }, body: { kind: 'set', items: [bigger] } };
}

const CHANGES: Record<Lever, { change: (item: Item) => Item | undefined; depth: Depth }> = {
  more: { change: moreReps, depth: 'like' },
  sets: { change: moreSets, depth: 'top' },
  longer: { change: longerReps, depth: 'rep' },
  'longer-same': { change: longerSame, depth: 'rep' },
  faster: { change: faster, depth: 'rep' },
  'less-rest': { change: lessRest, depth: 'rep' },
  float: { change: quickerFloat, depth: 'rep' },
  merged: { change: merged, depth: 'top' },
  fewer: { change: fewer, depth: 'like' },
};

/** The session one step further by this lever, all else as it was; undefined where the lever does not move. */
export function nextStep(session: Session, lever: Lever): Session | undefined {
  const { change, depth } = CHANGES[lever];
  const path = mainItem(session, depth);
  const item = path && itemAt(session, path);
  const changed = item && change(item);
  return changed && replaceItem(session, path, [changed]);
}

/**
 * Steps by one lever, the given session first; fewer than asked for where the lever comes to its end.
 * @param steps how many sessions in all.
 */
export function proposeSteps(session: Session, lever: Lever, steps: number): Session[] {
  const proposed = [session];
  while (proposed.length < steps) {
    const step = nextStep(proposed.at(-1) ?? session, lever);
    if (!step || formatSession(step) === formatSession(proposed.at(-1) ?? session)) break;
    proposed.push(step);
  }
  return proposed;
}
