import { formatItem, formatRecovery, formatRepPace } from '@core/session/formatSession';
import type { ItemPath } from '@core/session/edit';
import type { Item, Role, SessionTree } from '@core/session/session';

/** One row of the builder: what a line is for, an item, or the end of a set or a line, where something may be dropped. */
export type BuilderRow =
  | { kind: 'line'; key: string; at: number; role: Role }
  | { kind: 'item'; key: string; path: ItemPath; depth: number; item: Item }
  | { kind: 'end'; key: string; path: ItemPath; depth: number; of: 'set' | 'line' };

export const keyOf = (path: ItemPath): string => path.join('.');

function itemRows(items: readonly Item[], parent: ItemPath, depth: number): BuilderRow[] {
  return items.flatMap((item, i): BuilderRow[] => {
    const path = [...parent, i];
    const row: BuilderRow = { kind: 'item', key: keyOf(path), path, depth, item };
    if (item.body.kind !== 'set') return [row];
    const end = [...path, item.body.items.length];
    return [
      row,
      ...itemRows(item.body.items, path, depth + 1),
      { kind: 'end', key: `end ${keyOf(end)}`, path: end, depth: depth + 1, of: 'set' },
    ];
  });
}

/** The session as rows, sets indented. */
export function builderRows({ lines }: SessionTree): BuilderRow[] {
  return lines.flatMap(({ role, items }, at): BuilderRow[] => [
    { kind: 'line', key: `line ${at}`, at, role },
    ...itemRows(items, [at], 0),
    { kind: 'end', key: `end ${at}.${items.length}`, path: [at, items.length], depth: 0, of: 'line' },
  ]);
}

/** What a row says: `6 × 400`, its pace, and what follows it. */
export type ItemWords = { title: string; pace?: string; note?: string; recovery?: string };

const ONCE = { kind: 'fixed', n: 1 } as const;
const countText = ({ count }: Item): string => {
  if (count.kind === 'open') return 'open × ';
  if (count.kind === 'range') return `${count.min}–${count.max} × `;
  return count.n === 1 ? '' : `${count.n} × `;
};

/** Puts an item into words for its row. */
export function itemWords(item: Item): ItemWords {
  const { body, recovery } = item;
  const after = recovery ? { recovery: formatRecovery(recovery) } : {};
  if (body.kind === 'set') return { title: `${countText(item)}set`, ...after };
  const note = body.note ? { note: body.note } : {};
  if (body.kind === 'drills') return { title: `${countText(item)}drills`, ...note, ...after };
  const { pace, note: _note, ...plain } = body;
  return {
    title: `${countText(item)}${formatItem({ count: ONCE, body: plain })}`,
    ...(pace ? { pace: formatRepPace(pace) } : {}),
    ...note,
    ...after,
  };
}
