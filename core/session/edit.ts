/**
 * Changes to the tree, as the builder makes them: each returns a new session and shares what it does not touch. Empty sets and lines are
 * removed.
 */
import type { Item, Line, Role, SessionTree } from './session';
import { ROLES } from './session';

/** Where an item stands: the line, the item in it, and so on into sets. Counted from 0. */
export type ItemPath = readonly number[];

const parentOf = (path: ItemPath): ItemPath => path.slice(0, -1);
const placeOf = (path: ItemPath): number => path.at(-1) ?? 0;

const itemsOf = (item: Item | undefined): readonly Item[] => (item?.body.kind === 'set' ? item.body.items : []);

/** The items of a line or, for a longer path, of the set there; none if there is no such set. */
export function itemsAt({ lines }: SessionTree, parent: ItemPath): readonly Item[] {
  const [line = 0, ...inner] = parent;
  return inner.reduce<readonly Item[]>((items, place) => itemsOf(items[place]), lines[line]?.items ?? []);
}

export const itemAt = (session: SessionTree, path: ItemPath): Item | undefined =>
  itemsAt(session, parentOf(path))[placeOf(path)];

type ChangeItems = (items: readonly Item[]) => Item[];

/** Changes the items of the set at `inner` inside these; sets left empty go. */
function changeWithin(items: readonly Item[], inner: ItemPath, change: ChangeItems): Item[] {
  const [place, ...deeper] = inner;
  if (place === undefined) return change(items);
  return items.flatMap((item, i) => {
    if (i !== place || item.body.kind !== 'set') return [item];
    const changed = changeWithin(item.body.items, deeper, change);
    return changed.length > 0 ? [{ ...item, body: { ...item.body, items: changed } }] : [];
  });
}

function changeItems({ lines }: SessionTree, parent: ItemPath, change: ChangeItems): SessionTree {
  const [at = 0, ...inner] = parent;
  return {
    lines: lines.flatMap((line, i) => {
      if (i !== at) return [line];
      const items = changeWithin(line.items, inner, change);
      return items.length > 0 ? [{ ...line, items }] : [];
    }),
  };
}

/** Puts items in front of what stands at `path`; past the last one they come to the end. */
export const insertItems = (session: SessionTree, path: ItemPath, inserted: readonly Item[]): SessionTree =>
  changeItems(session, parentOf(path), (items) => [
    ...items.slice(0, placeOf(path)),
    ...inserted,
    ...items.slice(placeOf(path)),
  ]);

/** Puts these items in the place of the one at `path`; none takes it away. */
export const replaceItem = (session: SessionTree, path: ItemPath, by: readonly Item[]): SessionTree =>
  changeItems(session, parentOf(path), (items) => items.flatMap((item, i) => (i === placeOf(path) ? by : [item])));

export const removeItem = (session: SessionTree, path: ItemPath): SessionTree => replaceItem(session, path, []);

/** The same once more, right behind. */
export function duplicateItem(session: SessionTree, path: ItemPath): SessionTree {
  const item = itemAt(session, path);
  return item ? replaceItem(session, path, [item, item]) : session;
}

/** True if both are the path of the same item. */
export const samePath = (a: ItemPath, b: ItemPath): boolean => a.length === b.length && isWithin(a, b);

/** True if `path` is that of something inside what stands at `outer`, or that itself. */
export const isWithin = (path: ItemPath, outer: ItemPath): boolean => outer.every((place, i) => path[i] === place);

/**
 * Moves an item in front of what stands at `to` (as the paths are before the move), into a set, out of one, or to another
 * line. An item cannot be moved into itself.
 */
export function moveItem(session: SessionTree, from: ItemPath, to: ItemPath): SessionTree {
  const item = itemAt(session, from);
  if (!item || isWithin(to, from)) return session;
  // What stands behind the new place, in the same items, is one further on.
  const depth = to.length - 1;
  const isShifted = isWithin(from, parentOf(to)) && from.length > depth && (from[depth] ?? 0) >= placeOf(to);
  const fromAfter = isShifted ? from.map((place, i) => (i === depth ? place + 1 : place)) : from;
  return removeItem(insertItems(session, to, [item]), fromAfter);
}

/** Makes a set of one item, to be repeated as a whole; its recovery stays inside. */
export function wrapItem(session: SessionTree, path: ItemPath): SessionTree {
  const item = itemAt(session, path);
  return item
    ? replaceItem(session, path, [{ count: { kind: 'fixed', n: 2 }, body: { kind: 'set', items: [item] } }])
    : session;
}

/** Takes an item out of its set, to stand behind it. In no set it stays where it is. */
export function liftItem(session: SessionTree, path: ItemPath): SessionTree {
  if (path.length < 3) return session;
  const set = parentOf(path);
  return moveItem(session, path, [...parentOf(set), placeOf(set) + 1]);
}

/** Puts the items of a set in its place. */
export function openSet(session: SessionTree, path: ItemPath): SessionTree {
  const item = itemAt(session, path);
  return item?.body.kind === 'set' ? replaceItem(session, path, item.body.items) : session;
}

/** Says what a line is for. */
export const setRole = ({ lines }: SessionTree, at: number, role: Role): SessionTree => ({
  lines: lines.map((line, i) => (i === at ? { ...line, role } : line)),
});

/** Puts a line one place up (-1) or down (1). */
export function moveLine({ lines }: SessionTree, at: number, by: -1 | 1): SessionTree {
  const moved = lines[at];
  const other = lines[at + by];
  if (!moved || !other) return { lines };
  return { lines: lines.map((line, i) => (i === at ? other : i === at + by ? moved : line)) };
}

/**
 * Adds a part where it belongs: at the end of the last line for it, else as a line of its own in the order warm-up, main
 * part, fast finish, cool-down. @returns the session and the path of the first item added.
 */
export function addPart({ lines }: SessionTree, { role, items }: Line): { session: SessionTree; path: ItemPath } {
  const lastOfRole = lines.findLastIndex((line) => line.role === role);
  if (lastOfRole >= 0) {
    const path = [lastOfRole, lines[lastOfRole]?.items.length ?? 0];
    return { session: insertItems({ lines }, path, items), path };
  }
  const rank = (of: Role) => ROLES.indexOf(of);
  const after = lines.findIndex((line) => rank(line.role) > rank(role));
  const at = after < 0 ? lines.length : after;
  return { session: { lines: [...lines.slice(0, at), { role, items }, ...lines.slice(at)] }, path: [at, 0] };
}
