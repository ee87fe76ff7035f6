/** What can be read but may be a slip: a soft note, never in the way. */
import { formatAmount } from './formatSession';
import { isOnce } from './lengths';
import type { ReadItem, Span } from './reader';
import type { Item, Line } from './session';

export type Doubt = Span & { message: string };

const EASY = new Set(['easy', 'steady', 'marathon']);

/** Repeated on its own at a pace that wants a rest, with none. */
function runsOn({ count, body, recovery }: Item): boolean {
  if (isOnce(count)) return false;
  if (body.kind !== 'rep' || recovery || body.free || body.amounts.length > 1) return false;
  const { pace } = body;
  return pace?.from.kind !== 'named' || !EASY.has(pace.from.name);
}

/** Reps with no recovery between them run on: right for an alternation, mostly forgotten otherwise. */
export function readDoubts({ role }: Line, items: readonly ReadItem[]): Doubt[] {
  if (role === 'warm' || role === 'cool') return [];
  return items.flatMap(({ item, from, to }): Doubt[] => {
    if (!runsOn(item) || item.body.kind !== 'rep') return [];
    const [amount] = item.body.amounts;
    const what = amount ? formatAmount(amount) : 'rep';
    return [
      {
        message: `No recovery after each ${what}: they are run without a break. Write one behind it, as in / 90s. At the track each can still be started by hand.`,
        from,
        to,
      },
    ];
  });
}
