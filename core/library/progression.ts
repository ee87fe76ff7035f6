/** Steps from one session to the next, one thing at a time, on the item that makes up most of the main part. */
import { itemAt, itemsAt, replaceItem, type ItemPath } from '../session/edit';
import { formatSession } from '../session/formatSession';
import type { Item, Session } from '../session/session';
import { treeTotals } from '../session/treeTotals';
import { GUESSED_MPS } from '../targets/totals';
import type { ChainLink, Lever } from './bookSession';
import { aLittleFaster, LEVER_FACTS, type Depth, type LeverFacts } from './levers';

const lengthM = (item: Item) => {
  const { distanceM, durationS } = treeTotals({ lines: [{ role: 'main', items: [item] }] });
  return distanceM + durationS * GUESSED_MPS;
};

const isOfLike = ({ body }: Item) => body.kind === 'set' && body.items.length === 1;

/** Where the longest item of the main part stands; into a set, the longest in that too as far as `depth` goes. */
export function mainItem(session: Session, depth: Depth): ItemPath | undefined {
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

const formatted = (item: Item) => formatSession({ lines: [{ role: 'main', items: [item] }] });

/** The session with the item of a lever changed; undefined where that changes nothing. */
function withItem(session: Session, { depth }: LeverFacts, change: (item: Item) => Item | undefined) {
  const path = mainItem(session, depth);
  const item = path && itemAt(session, path);
  const changed = item && change(item);
  return changed && formatted(changed) !== formatted(item) ? replaceItem(session, path, [changed]) : undefined;
}

/**
 * The session one step further by this lever, all else as it was; undefined where the lever does not move.
 * @param limits by how much, and how far at most: see ChainLink.
 */
export function nextStep(
  session: Session,
  lever: Lever,
  { by, to }: Pick<ChainLink, 'by' | 'to'> = {},
): Session | undefined {
  const facts = LEVER_FACTS[lever];
  const { change, measure, way } = facts;
  return withItem(session, facts, (item) => {
    const now = measure?.(item);
    if (to === undefined || now === undefined) return change(item, by);
    const isPast = (value: number) => (value - to) * way > 1e-6;
    if (isPast(now) || Math.abs(now - to) < 1e-6) return undefined;
    const changed = change(item, by);
    const value = changed && measure?.(changed);
    // The last step goes as far as is left, no further.
    return value !== undefined && isPast(value) ? change(item, Math.abs(to - now)) : changed;
  });
}

/** A step back: the lever the other way; where that does not move, fewer reps, or a longer rest. Undefined where nothing does. */
export function stepBack(session: Session, lever: Lever): Session | undefined {
  for (const one of [lever, 'more', 'less-rest'] as const) {
    const facts = LEVER_FACTS[one];
    const easier = withItem(session, facts, (item) => facts.back(item));
    if (easier) return easier;
  }
  return undefined;
}

/** The next step of a chain of levers: the first that still moves; undefined where all have come to their end. */
export function nextInChain(
  session: Session,
  chain: readonly ChainLink[],
): { session: Session; lever: Lever } | undefined {
  for (const { lever, ...limits } of chain) {
    const step = nextStep(session, lever, limits);
    if (step) return { session: step, lever };
  }
  return undefined;
}

/** The main part once more, a little faster: what comes when a ladder of steps is done. Undefined where nothing in it has a pace. */
export function againFaster(session: Session): Session | undefined {
  let isFaster = false;
  const faster = (item: Item): Item => {
    const { body } = item;
    if (body.kind === 'set') return { ...item, body: { ...body, items: body.items.map(faster) } };
    if (body.kind !== 'rep' || !body.pace) return item;
    isFaster = true;
    return { ...item, body: { ...body, pace: aLittleFaster(body.pace) } };
  };
  const lines = session.lines.map((line) => (line.role === 'main' ? { ...line, items: line.items.map(faster) } : line));
  return isFaster ? { lines } : undefined;
}

/**
 * Steps by one lever, the given session first; fewer than asked for where the lever comes to its end.
 * @param steps how many sessions in all.
 */
export function proposeSteps(session: Session, lever: Lever, steps: number): Session[] {
  const proposed = [session];
  while (proposed.length < steps) {
    const step = nextStep(proposed.at(-1) ?? session, lever);
    if (!step) break;
    proposed.push(step);
  }
  return proposed;
}
