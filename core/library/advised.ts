/** What the efforts of a session ask to be changed, made in its text. */
import { itemAt, replaceItem } from '../session/edit';
import type { LeverChange } from '../outlook/proposals';
import type { Item, Pace, SessionTree } from '../session/session';
import { mainItem } from './progression';

const STEP_S = 5;
const JOG_STEP_M = 50;
const nearest = (value: number, step: number) => Math.max(step, Math.round(value / step) * step);

function withRest({ recovery, ...item }: Item, to: number): Item | undefined {
  const { amount, ...how } = recovery ?? {};
  if (amount?.kind === 'time') {
    const durationS = nearest(to, STEP_S);
    return { ...item, recovery: { ...how, amount: { kind: 'time', minS: durationS, maxS: durationS } } };
  }
  if (amount?.kind === 'distance')
    return { ...item, recovery: { ...how, amount: { kind: 'distance', distanceM: nearest(to, JOG_STEP_M) } } };
  return undefined;
}

/** So many percent of a pace's speed. */
function withSpeed(pace: Pace, share: number): Pace | undefined {
  const percent = Math.round(share * 1000) / 10;
  if (pace.kind === 'named' && !pace.goal && !pace.offset) return { kind: 'share', percent, name: pace.name };
  if (pace.kind === 'share') return { ...pace, percent: Math.round(pace.percent * share * 10) / 10 };
  if (pace.kind === 'absolute') return { ...pace, timeS: Math.round((pace.timeS / share) * 10) / 10 };
  return undefined;
}

function changed(item: Item, { lever, set, to }: LeverChange): Item | undefined {
  const { body, count } = item;
  if (lever === 'recovery') {
    const isJog = item.recovery?.amount.kind === 'distance';
    return isJog === (set.kind === 'jog') ? withRest(item, to) : undefined;
  }
  if (lever === 'pace') {
    const pace = body.kind === 'rep' && body.pace && !body.pace.to && withSpeed(body.pace.from, to);
    return pace ? { ...item, body: { ...body, pace: { from: pace } } } : undefined;
  }
  return count.kind === 'open' ? undefined : { ...item, count: { kind: 'fixed', n: to } };
}

/** The session with the item that makes up most of it changed so; undefined where that does not go with how it is written. */
export function advised(session: SessionTree, change: LeverChange): SessionTree | undefined {
  const path = mainItem(session, 'rep');
  const item = path && itemAt(session, path);
  const next = item && changed(item, change);
  return next && replaceItem(session, path, [next]);
}
