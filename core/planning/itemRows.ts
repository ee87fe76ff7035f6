/** The items of a session that can be changed for a day: those of main part and fast finish, and the sets they stand in. */
import { shareOfRep, timesOf } from '../session/lengths';
import { samePath, type ItemPath } from '../session/edit';
import type { Item, Session } from '../session/session';
import { isWork, type TargetLeg } from '../targets/targetsFor';

export type ItemRow = { path: ItemPath; item: Item; depth: number };

const rowsOf = (items: readonly Item[], parent: ItemPath, depth: number): ItemRow[] =>
  items.flatMap((item, i) => {
    const path = [...parent, i];
    if (item.body.kind === 'drills') return [];
    return [{ path, item, depth }, ...(item.body.kind === 'set' ? rowsOf(item.body.items, path, depth + 1) : [])];
  });

/** In the order they stand, sets before what is in them. */
export const itemRows = ({ lines }: Session): ItemRow[] =>
  lines.flatMap((line, i) => (isWork(line) ? rowsOf(line.items, [i], 0) : []));

/** How an item's recovery can be changed: seconds, or metres of a jog; undefined where it has none. */
export type RecoveryValue = { kind: 'recovery'; durationS: number } | { kind: 'jog'; distanceM: number };

/** The recovery after an item as it is: one that goes by the rep's time is taken as long as it lasts for whoever the legs are of. */
export function recoveryValue(
  { recovery }: Item,
  path: ItemPath,
  legs: readonly TargetLeg[],
): RecoveryValue | undefined {
  if (!recovery) return undefined;
  const { amount } = recovery;
  if (amount.kind === 'distance') return { kind: 'jog', distanceM: amount.distanceM };
  if (amount.kind === 'time') return { kind: 'recovery', durationS: amount.maxS };
  const leg = legs.find((one) => one.kind === 'recovery' && samePath(one.path, path));
  if (leg?.distanceM !== undefined) return { kind: 'jog', distanceM: leg.distanceM };
  const lastsS = leg?.durationS ?? leg?.targetS ?? 60 * (shareOfRep(recovery) ?? 1);
  return { kind: 'recovery', durationS: Math.round(lastsS / 5) * 5 };
}

/** How often an item is run. */
export const countValue = ({ count }: Item): number => timesOf(count, 'max');

/** The first of an item's reps with a target over a distance. */
export const targetLegOf = (path: ItemPath, legs: readonly TargetLeg[], rep = 0): TargetLeg | undefined =>
  legs.filter((leg) => leg.kind === 'rep' && samePath(leg.path, path))[rep];

/** Metres or seconds that an item's reps may have, where a range is written, with the steps between; undefined where none is. */
export function lengthRange({
  body,
}: Item): { kind: 'distance' | 'duration'; least: number; most: number } | undefined {
  const [amount, ...others] = body.kind === 'rep' ? body.amounts : [];
  if (!amount || others.length > 0) return undefined;
  if (amount.kind === 'distance')
    return amount.leastM === undefined ? undefined : { kind: 'distance', least: amount.leastM, most: amount.distanceM };
  return amount.leastS === undefined ? undefined : { kind: 'duration', least: amount.leastS, most: amount.durationS };
}
