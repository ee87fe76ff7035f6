/** The coach's changes for a day: which apply to an athlete, and how they change the session. */
import { itemAt, replaceItem, samePath, type ItemPath } from '../session/edit';
import { formatItem } from '../session/formatSession';
import type { Amount, Item, Recovery, SessionTree } from '../session/session';
import type { Leg } from '../session/expand';
import type { Aim, TargetSource } from '../targets/targetsFor';
import type { ItemSetting } from '../session/itemSetting';
import type { Change, ItemChange, Whom } from './dayPlan';

const RANK: Record<Whom['kind'], number> = { all: 0, group: 1, athlete: 2 };

/** The changes that apply to a member of a group; those for them alone come last. */
export function changesFor(changes: readonly Change[], athleteId: string, groupId: string): Change[] {
  const ownChanges = changes.filter(({ whom }) =>
    whom.kind === 'athlete' ? whom.athleteId === athleteId : whom.kind === 'group' ? whom.groupId === groupId : true,
  );
  return ownChanges.sort((a, b) => RANK[a.whom.kind] - RANK[b.whom.kind]);
}

export const isOfItem = (change: Change): change is ItemChange => 'path' in change;

/** True if the item still reads as it did when it was changed. */
export function stillFits(change: Change, session: SessionTree): boolean {
  if (!isOfItem(change)) return true;
  const item = itemAt(session, change.path);
  return item !== undefined && formatItem(item) === change.wrote;
}

/** A change to the item at a path of the session as it is written. */
export function changeOf(session: SessionTree, path: ItemPath, whom: Whom, set: ItemSetting): ItemChange {
  const item = itemAt(session, path);
  return { whom, path: [...path], wrote: item ? formatItem(item) : '', set };
}

const whomKey = (whom: Whom) =>
  whom.kind === 'all' ? 'all' : whom.kind === 'group' ? `group ${whom.groupId}` : `athlete ${whom.athleteId}`;

/** True if both are for the same people. */
export const sameWhom = (a: Whom, b: Whom): boolean => whomKey(a) === whomKey(b);

/** Two changes with the same key change the same thing for the same people: the later one replaces the other. */
function keyOf(change: Change): string {
  const { set } = change;
  // A recovery is by the clock or by distance, and a rep's time its own or from its pace.
  const what = set.kind === 'jog' ? 'recovery' : set.kind === 'target' ? `target ${set.rep ?? 'all'}` : set.kind;
  return [whomKey(change.whom), what, isOfItem(change) ? change.path.join('.') : ''].join('|');
}

/** Adds changes; each replaces an earlier one with the same key. */
export function withChanges(changes: readonly Change[], more: readonly Change[]): Change[] {
  const keys = new Set(more.map(keyOf));
  return [...changes.filter((change) => !keys.has(keyOf(change))), ...more];
}

/** Removes the changes for these people, all of them or those to one item. */
export function withoutChanges(changes: readonly Change[], whom: Whom, path?: ItemPath): Change[] {
  return changes.filter(
    (change) => !sameWhom(change.whom, whom) || (path && (!isOfItem(change) || !samePath(change.path, path))),
  );
}

/** An item whose reps have one length, chosen from the range that was written. */
function withLength(item: Item, length: number): Item {
  const { body } = item;
  const [amount, ...others] = body.kind === 'rep' ? body.amounts : [];
  if (body.kind !== 'rep' || !amount || others.length > 0) return item;
  const { unit } = amount.kind === 'distance' ? amount : {};
  const chosen: Amount =
    amount.kind === 'distance'
      ? { kind: 'distance', distanceM: length, ...(unit ? { unit } : {}) }
      : { kind: 'duration', durationS: length };
  return { ...item, body: { ...body, amounts: [chosen] } };
}

function changedItem(item: Item, set: ItemSetting): Item {
  if (set.kind === 'count') return { ...item, count: { kind: 'fixed', n: set.n } };
  if (set.kind === 'length') return withLength(item, set.length);
  if (set.kind !== 'recovery' && set.kind !== 'jog') return item;
  const { pace, manner }: Partial<Recovery> = item.recovery ?? {};
  const amount: Recovery['amount'] =
    set.kind === 'jog'
      ? { kind: 'distance', distanceM: set.distanceM }
      : { kind: 'time', minS: set.durationS, maxS: set.durationS };
  const spent = set.kind === 'jog' && manner !== 'float' ? 'jog' : manner;
  return { ...item, recovery: { amount, ...(spent ? { manner: spent } : {}), ...(pace ? { pace } : {}) } };
}

/** The session with an athlete's counts and recoveries applied. The same object if none were changed. */
export function changedSession(session: SessionTree, changes: readonly Change[]): SessionTree {
  return changes.filter(isOfItem).reduce((changed, { path, set }) => {
    const item = itemAt(changed, path);
    const next = item && changedItem(item, set);
    return next && next !== item ? replaceItem(changed, path, [next]) : changed;
  }, session);
}

/** The aim after the changes; as the session says if none sets it. */
export function aimOf(changes: readonly Change[]): Aim {
  const set = changes.findLast((change) => change.set.kind === 'aim')?.set;
  return set?.kind === 'aim' ? set.aim : 'written';
}

/** Which rep of its item each leg is, from 0 in running order; −1 if it is none. */
export function repsOfItems(legs: readonly Leg[]): number[] {
  const run = new Map<string, number>();
  return legs.map((leg) => {
    if (leg.kind !== 'rep') return -1;
    const key = leg.path.join('.');
    const nth = run.get(key) ?? 0;
    run.set(key, nth + 1);
    return nth;
  });
}

/**
 * Changes of pace and of target times, as targetsFor() takes them; undefined if there are none.
 * @param legs the session laid out, with counts and recoveries changed.
 */
export function adjustmentOf(changes: readonly Change[], legs: readonly Leg[]): TargetSource['adjust'] {
  const made = changes.filter(isOfItem).filter(({ set }) => set.kind === 'pace' || set.kind === 'target');
  if (made.length === 0) return undefined;
  const nths = repsOfItems(legs);
  return (leg, workedOutMps, legIndex) => {
    let speedMps = workedOutMps;
    for (const { path, set } of made) {
      if (!samePath(path, leg.path)) continue;
      if (set.kind === 'pace') speedMps = workedOutMps === undefined ? undefined : workedOutMps * set.share;
      const isRep = set.kind === 'target' && (set.rep ?? nths[legIndex]) === nths[legIndex];
      if (isRep && leg.distanceM !== undefined) speedMps = leg.distanceM / set.targetS;
    }
    return speedMps;
  };
}
