/**
 * Steps that the app makes up: small, by one lever. A coach's own progression sets its own size; this is for the day after a session
 * that is in none. Sizes are common coaching practice.
 */
import { itemAt, replaceItem } from '../session/edit';
import type { Intent } from '../session/intent';
import { isOnce, timesOf } from '../session/lengths';
import type { Amount, Item, Pace, SessionTree } from '../session/session';
import { treeTotals } from '../session/treeTotals';
import { lengthOf } from '../session/usualAmounts';
import { GUESSED_MPS } from '../targets/totals';
import type { Lever } from './librarySession';
import { mainItem, nextStep } from './progression';

/** Limits: rests by a quarter; metres by this share, unless it is one rep; pace by these (quicker, and easier). */
const MOST = { restShare: 0.25, metres: 0.15, floatPercent: 1.5, easierPercent: 98 };
/** A rest gets shorter by about a sixth. */
const USUAL_REST = 0.83;
/** Rests are round: above two minutes to a quarter of a minute, a jog to 50 m. */
const ROUND = { s: 5, longS: 15, longFromS: 120, jogM: 50 };
/** Of two or three such long reps none is added: they get longer. */
const LONG = { reps: 3, distanceM: 1600, durationS: 300 };
/** With fewer reps than this a step easier is slower, not shorter. */
const FEWEST_TO_CUT = 3;

/** The least and the most rest (s) that keeps the sense of the work. */
const REST_S: Partial<Record<Intent, { least: number; most: number }>> = {
  threshold: { least: 30, most: 120 },
  'critical-speed-short': { least: 20, most: 90 },
  transition: { least: 60, most: 240 },
  speed: { least: 120, most: 600 },
};

/** Work that is not run faster, and work with no step on at all. */
const NOT_FASTER: readonly (Intent | undefined)[] = [
  'threshold',
  'long-run',
  'transition',
  'speed',
  'hills',
  'fartlek',
];

const toStep = (value: number, step: number, way: 'down' | 'up') =>
  way === 'down' ? Math.floor(value / step) * step : Math.ceil(value / step) * step;

/** A rest (s) changed towards another by a quarter at most, to a round one, within what the kind of work allows. */
export function smallRest(fromS: number, toS: number, intent: Intent | undefined): number {
  const { least = 0, most = Infinity } = (intent && REST_S[intent]) ?? {};
  const step = Math.min(fromS, toS) >= ROUND.longFromS ? ROUND.longS : ROUND.s;
  if (toS < fromS)
    return Math.min(fromS, Math.max(least, toStep(Math.max(toS, fromS * (1 - MOST.restShare)), step, 'up')));
  return Math.max(fromS, Math.min(most, toStep(Math.min(toS, fromS * (1 + MOST.restShare)), step, 'down')));
}

/** A jog (m) changed towards another by a quarter at most, in steps of 50 m. */
export function smallJog(fromM: number, toM: number): number {
  const mostM = toStep(fromM * MOST.restShare, ROUND.jogM, 'down');
  return Math.min(fromM + mostM, Math.max(fromM - mostM, toM));
}

const metresOf = (session: SessionTree) => {
  const { distanceM, durationS } = treeTotals({ lines: session.lines.filter(({ role }) => role === 'main') });
  return distanceM + durationS * GUESSED_MPS;
};

const isLong = (amount: Amount) =>
  amount.kind === 'distance' ? amount.distanceM >= LONG.distanceM : amount.durationS >= LONG.durationS;

/** A ladder once more from its shortest rep: `1500-900-600-300` and the 300 again. */
function shortestAgain(item: Item): Item | undefined {
  const { body, count } = item;
  if (!isOnce(count)) return undefined;
  if (body.kind === 'rep' && body.amounts.length > 1) {
    const shortest = body.amounts.reduce((least, amount) => (lengthOf(amount) < lengthOf(least) ? amount : least));
    return { ...item, body: { ...body, amounts: [...body.amounts, shortest] } };
  }
  if (body.kind !== 'set') return undefined;
  const sizes = body.items.map((inner) =>
    inner.body.kind === 'rep' ? Math.min(...inner.body.amounts.map(lengthOf)) : NaN,
  );
  if (sizes.some(Number.isNaN)) return undefined;
  const at = sizes.indexOf(Math.min(...sizes));
  const items = body.items.map((inner, i): Item =>
    i !== at || inner.count.kind !== 'fixed' ? inner : { ...inner, count: { kind: 'fixed', n: inner.count.n + 1 } },
  );
  return { ...item, body: { ...body, items } };
}

/** One rep more; a second only within 15 % more. */
const repsMore = (n: number) => (2 / n <= MOST.metres ? 2 : 1);

function more(session: SessionTree): SessionTree | undefined {
  const path = mainItem(session, 'like');
  const item = path && itemAt(session, path);
  if (!item) return undefined;
  const { body, count } = item;
  if (body.kind === 'rep' && body.amounts.length > 1 && isOnce(count)) {
    const again = shortestAgain(item);
    return again && replaceItem(session, path, [again]);
  }
  if (body.kind === 'set') {
    const again = shortestAgain(item);
    return again && replaceItem(session, path, [again]);
  }
  const n = timesOf(count, 'max');
  const isFewLong = body.kind === 'rep' && n > 1 && n <= LONG.reps && body.amounts.every(isLong);
  if (isFewLong) return nextStep(session, 'longer-same', { by: longBy(item) });
  const step = isOnce(count) ? undefined : nextStep(session, 'more', { by: repsMore(n) });
  // A rep more in each of several sets is several.
  const reps = (tree: SessionTree) => treeTotals(tree).reps;
  return step && (reps(step) === reps(session) + 1 || metresOf(step) <= metresOf(session) * (1 + MOST.metres))
    ? step
    : undefined;
}

/** By how much a long rep grows: about a sixth, to a round length. */
function longBy({ body }: Item): number {
  const [amount] = body.kind === 'rep' ? body.amounts : [];
  if (!amount) return 1;
  const length = lengthOf(amount);
  const step = amount.kind === 'distance' ? 200 : 60;
  return Math.max(toStep(length * (1 + MOST.metres), step, 'down'), toStep(length + 1, step, 'up')) - length;
}

function lessRest(session: SessionTree, intent: Intent | undefined): SessionTree | undefined {
  const path = mainItem(session, 'rep');
  const amount = path && itemAt(session, path)?.recovery?.amount;
  if (!amount) return undefined;
  if (amount.kind === 'time') {
    const by = amount.maxS - smallRest(amount.maxS, amount.maxS * USUAL_REST, intent);
    return by > 0 ? nextStep(session, 'less-rest', { by }) : undefined;
  }
  if (amount.kind === 'distance') {
    const by = amount.distanceM - smallJog(amount.distanceM, amount.distanceM - ROUND.jogM);
    return by > 0 ? nextStep(session, 'less-rest', { by }) : undefined;
  }
  return nextStep(session, 'less-rest');
}

/** Takes a session a step on by one lever, within the limits above; undefined if that changes nothing. */
export function smallStep(session: SessionTree, lever: Lever, intent: Intent | undefined): SessionTree | undefined {
  switch (lever) {
    case 'more':
      return more(session);
    case 'less-rest':
      return lessRest(session, intent);
    case 'faster':
      return NOT_FASTER.includes(intent) ? undefined : nextStep(session, 'faster');
    case 'float':
      return nextStep(session, 'float', { by: MOST.floatPercent });
    case 'fewer':
      return nextStep(session, 'fewer', { by: 1 });
    // Without its long rest it is another session.
    case 'merged':
      return undefined;
    case 'longer':
    case 'longer-same':
    case 'sets': {
      const step = nextStep(session, lever);
      return step && metresOf(step) <= metresOf(session) * (1 + MOST.metres) ? step : undefined;
    }
  }
}

/** The pace at a share of its speed; undefined for one that depends on more than now. */
function slower(pace: Pace): Pace | undefined {
  const percent = MOST.easierPercent;
  switch (pace.kind) {
    case 'named':
      return pace.goal || pace.offset ? undefined : { kind: 'share', percent, name: pace.name };
    case 'share':
      return { ...pace, percent: Math.round(pace.percent * percent) / 100 };
    case 'absolute':
      return { ...pace, timeS: Math.round((pace.timeS * 1000) / percent) / 10 };
    case 'effort':
      return undefined;
  }
}

/** A step easier: a rep fewer; of few reps 2 % slower. Undefined where neither goes. */
export function smallEase(session: SessionTree): SessionTree | undefined {
  const path = mainItem(session, 'like');
  const item = path && itemAt(session, path);
  if (!item) return undefined;
  const { body, count } = item;
  if (count.kind !== 'open' && timesOf(count, 'max') >= FEWEST_TO_CUT) return nextStep(session, 'fewer', { by: 1 });
  const pace = body.kind === 'rep' && body.pace && !body.pace.to && slower(body.pace.from);
  if (pace) return replaceItem(session, path, [{ ...item, body: { ...body, pace: { from: pace } } }]);
  return nextStep(session, 'fewer', { by: 1 });
}
