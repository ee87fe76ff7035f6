/** Sessions made shorter: cut to a share, or fitted to a slower group. */
import { isOnce } from '../../session/lengths';
import type { Amount, Count, Item, SessionTree } from '../../session/session';

const scaledCount = (count: Count, share: number): Count => {
  if (count.kind === 'open') return count;
  const scale = (n: number) => Math.max(1, Math.round(n * share));
  if (count.kind === 'fixed') return { kind: 'fixed', n: scale(count.n) };
  const [min, max] = [scale(count.min), scale(count.max)];
  return min === max ? { kind: 'fixed', n: min } : { kind: 'range', min, max };
};

/** Rounds lengths to what a coach would write. */
const ROUND = { distanceM: 100, durationS: 30 };
const scaledAmount = (amount: Amount, share: number): Amount => {
  const scale = (value: number, to: number) => Math.max(to, Math.round((value * share) / to) * to);
  return amount.kind === 'distance'
    ? { kind: 'distance', distanceM: scale(amount.distanceM, ROUND.distanceM) }
    : { kind: 'duration', durationS: scale(amount.durationS, ROUND.durationS) };
};

function scaledItem(item: Item, share: number): Item {
  const { body, count } = item;
  if (!isOnce(count)) return { ...item, count: scaledCount(count, share) };
  if (body.kind === 'rep')
    return { ...item, body: { ...body, amounts: body.amounts.map((amount) => scaledAmount(amount, share)) } };
  if (body.kind === 'set')
    return { ...item, body: { ...body, items: body.items.map((item) => scaledItem(item, share)) } };
  return item;
}

/** Some of it is run over a distance: who is slower takes longer for it. */
function isOverDistance({ body }: Item): boolean {
  if (body.kind === 'rep') return body.amounts.some(({ kind }) => kind === 'distance');
  return body.kind === 'set' && body.items.some(isOverDistance);
}

const withMain = (session: SessionTree, change: (item: Item) => Item): SessionTree => ({
  lines: session.lines.map((line) => (line.role === 'main' ? { ...line, items: line.items.map(change) } : line)),
});

/** The main part cut to about a share: fewer reps at the same pace; a stretch on its own gets shorter. */
export const cutTo = (session: SessionTree, share: number): SessionTree =>
  withMain(session, (item) => scaledItem(item, share));

/**
 * A session for a group that is slower than those it is written for, as long by the clock: fewer reps over a distance, those by time are left.
 * @param ratio of their time over 5000 m to the reference, above 1.
 */
export const fittedTo = (session: SessionTree, ratio: number): SessionTree =>
  withMain(session, (item) => (isOverDistance(item) ? scaledItem(item, 1 / ratio) : item));
