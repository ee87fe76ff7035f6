/** Two texts that differ in one count or one rest: what one athlete runs otherwise in the same group. */
import { itemAt, type ItemPath } from '../session/edit';
import { formatItem, formatSession } from '../session/formatSession';
import type { ItemSetting } from '../session/itemSetting';
import type { Item, SessionTree } from '../session/session';
import { changedSession } from './changes';

/** The place that is another, and its setting. */
export type OwnDifference = { path: ItemPath; wrote: string; set: ItemSetting };

/** Settings by which an item becomes like another, as far as one alone may do it. */
function settingsOf(other: Item): ItemSetting[] {
  const { count, recovery } = other;
  const amount = recovery?.amount;
  return [
    ...(count.kind === 'fixed' ? [{ kind: 'count' as const, n: count.n }] : []),
    ...(amount?.kind === 'time' && amount.minS === amount.maxS
      ? [{ kind: 'recovery' as const, durationS: amount.maxS }]
      : []),
    ...(amount?.kind === 'distance' ? [{ kind: 'jog' as const, distanceM: amount.distanceM }] : []),
  ];
}

/** Every item's path, those within sets too. */
function pathsOf(items: readonly Item[], parent: ItemPath): ItemPath[] {
  return items.flatMap(({ body }, i) => {
    const path = [...parent, i];
    return [path, ...(body.kind === 'set' ? pathsOf(body.items, path) : [])];
  });
}

/** The single setting that makes one text of another; undefined if they differ in more, or not at all. */
export function ownDifference(from: SessionTree, to: SessionTree): OwnDifference | undefined {
  const wanted = formatSession(to);
  if (formatSession(from) === wanted) return undefined;
  for (const path of from.lines.flatMap(({ items }, i) => pathsOf(items, [i]))) {
    const [item, other] = [itemAt(from, path), itemAt(to, path)];
    if (!item || !other) continue;
    const wrote = formatItem(item);
    for (const set of settingsOf(other)) {
      const change = { whom: { kind: 'all' as const }, path, wrote, set };
      if (formatSession(changedSession(from, [change])) === wanted) return { path, wrote, set };
    }
  }
  return undefined;
}
