/** Steps from one session to the next, one lever at a time, on the item that makes up most of the main part. */
import { itemAt, itemsAt, replaceItem, type ItemPath } from '../session/edit';
import { formatSession } from '../session/formatSession';
import type { Item, SessionTree } from '../session/session';
import { treeTotals } from '../session/treeTotals';
import { GUESSED_MPS } from '../targets/totals';
import type { ChainLink, Lever } from './librarySession';
import { aLittleFaster, LEVER_FACTS, type Depth, type LeverFacts } from './levers';

const lengthM = (item: Item) => {
  const { distanceM, durationS } = treeTotals({ lines: [{ role: 'main', items: [item] }] });
  return distanceM + durationS * GUESSED_MPS;
};

const isOfLike = ({ body }: Item) => body.kind === 'set' && body.items.length === 1;

/** The path of the longest item of the main part; within sets down to `depth`. */
export function mainItem(session: SessionTree, depth: Depth): ItemPath | undefined {
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
    (best, candidate) => (best && lengthM(best.item) >= lengthM(candidate.item) ? best : candidate),
    undefined,
  );
}

const formatted = (item: Item) => formatSession({ lines: [{ role: 'main', items: [item] }] });

/** The session with a lever applied to its item; undefined if that changes nothing. */
function withItem(session: SessionTree, { depth }: LeverFacts, change: (item: Item) => Item | undefined) {
  const path = mainItem(session, depth);
  const item = path && itemAt(session, path);
  const changed = item && change(item);
  return changed && formatted(changed) !== formatted(item) ? replaceItem(session, path, [changed]) : undefined;
}

/**
 * The session one step further by this lever, all else unchanged; undefined if the lever cannot move.
 * @param limits its step and its end: see ChainLink.
 */
export function nextStep(
  session: SessionTree,
  lever: Lever,
  { by, to }: Pick<ChainLink, 'by' | 'to'> = {},
): SessionTree | undefined {
  const facts = LEVER_FACTS[lever];
  const { change, measure, way } = facts;
  return withItem(session, facts, (item) => {
    const now = measure?.(item);
    if (to === undefined || now === undefined) return change(item, by);
    const isPast = (value: number) => (value - to) * way > 1e-6;
    if (isPast(now) || Math.abs(now - to) < 1e-6) return undefined;
    const changed = change(item, by);
    const value = changed && measure?.(changed);
    // The last step goes as far as the limit allows.
    return value !== undefined && isPast(value) ? change(item, Math.abs(to - now)) : changed;
  });
}

/** The next step of a chain of levers: by the first that still moves; undefined when all have reached their end. */
export function nextInChain(
  session: SessionTree,
  chain: readonly ChainLink[],
): { session: SessionTree; lever: Lever } | undefined {
  for (const { lever, ...limits } of chain) {
    const step = nextStep(session, lever, limits);
    if (step) return { session: step, lever };
  }
  return undefined;
}

/** The main part again, a little faster: what follows when a ladder is done. Undefined if nothing in it has a pace. */
export function againFaster(session: SessionTree): SessionTree | undefined {
  let isFaster = false as boolean;
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
 * Steps by one lever, starting with the given session; fewer than asked for if the lever reaches its end.
 * @param steps how many sessions in all.
 */
export function proposeSteps(session: SessionTree, lever: Lever, steps: number): SessionTree[] {
  const proposed = [session];
  while (proposed.length < steps) {
    const step = nextStep(proposed.at(-1) ?? session, lever);
    if (!step) break;
    proposed.push(step);
  }
  return proposed;
}
