/** How much hard work a session is for the runner the templates are written for. */
import { parseStored } from '../../session/parseSession';
import type { Amount, Count, Item } from '../../session/session';

/** The templates are written for a grown club runner with this time over 5000 m. */
export const REFERENCE_5K_S = 1140;
/** Their speed between threshold and 3k pace, in metres a second: near enough for a sum over a week. */
const HARD_MPS = 4.3;

const secondsOf = (amount: Amount) => (amount.kind === 'duration' ? amount.durationS : amount.distanceM / HARD_MPS);

const timesOf = (count: Count) => (count.kind === 'fixed' ? count.n : count.kind === 'range' ? count.max : 1);

function itemS({ body, count }: Item): number {
  const inItS =
    body.kind === 'rep'
      ? body.amounts.reduce((sum, amount) => sum + secondsOf(amount), 0)
      : body.kind === 'set'
        ? body.items.reduce((sum, item) => sum + itemS(item), 0)
        : 0;
  return timesOf(count) * inItS;
}

/** About how many minutes the reps of main part and fast finish take a runner of 19:00; 0 where the text cannot be read. */
export function hardMinutes(shorthand: string): number {
  const parsed = parseStored(shorthand);
  if (!parsed.ok) return 0;
  const work = parsed.session.lines.filter(({ role }) => role === 'main' || role === 'finish');
  return work.reduce((sum, { items }) => sum + items.reduce((inLine, item) => inLine + itemS(item), 0), 0) / 60;
}
