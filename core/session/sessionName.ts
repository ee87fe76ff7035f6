import { formatAmount, formatPace, formatRepPace } from './formatSession';
import { isOnce } from './lengths';
import type { Count, Item, Pace, RepPace, SessionTree } from './session';

/** Longer than this it is no name any more. */
const MOST_CHARACTERS = 60;

const countText = (count: Count): string =>
  count.kind === 'fixed'
    ? count.n === 1
      ? ''
      : `${count.n} × `
    : count.kind === 'range'
      ? `${count.min} to ${count.max} × `
      : '';

const isNamed = (pace: Pace) => pace.kind === 'named' || pace.kind === 'share';

/** `at 5k pace`, `from 5k to goal 5k pace`, `at 74/400`, `at effort 6-8`. */
function paceText({ from, to, band }: RepPace): string {
  if (band) return ` at ${formatRepPace({ from, band })}`;
  if (to) return ` from ${formatPace(from)} to ${formatPace(to)}${isNamed(to) ? ' pace' : ''}`;
  return ` at ${formatPace(from)}${isNamed(from) ? ' pace' : ''}`;
}

function itemText({ count, body }: Item): string {
  if (body.kind === 'drills') return 'drills';
  if (body.kind === 'set') {
    const inner = body.items.map(itemText).join(', ');
    return isOnce(count) ? inner : `${countText(count).replace(' × ', '')} sets of ${inner}`.trim();
  }
  const amounts = `${body.amounts.map(formatAmount).join('-')}${body.hill ? ' hill' : ''}`;
  const open = count.kind === 'open' ? ' until it tires' : '';
  return `${countText(count)}${amounts}${body.pace ? paceText(body.pace) : ''}${open}`;
}

/** What a session is called until the coach names it, from its main part: `6 × 800 at 5k pace`. Undefined where there is none. */
export function sessionName({ lines }: SessionTree): string | undefined {
  const items = lines.flatMap(({ role, items: ownItems }) => (role === 'main' || role === 'finish' ? ownItems : []));
  const [first] = items;
  if (!first) return undefined;
  const whole = items.map(itemText).join(', ');
  if (whole.length <= MOST_CHARACTERS) return whole;
  const short = itemText(first);
  return short.length <= MOST_CHARACTERS ? `${short} and more` : `${short.slice(0, MOST_CHARACTERS - 1).trimEnd()}…`;
}
