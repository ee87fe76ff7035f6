/** The items of a session that can be changed for a day: those of main part and fast finish, and their sets. */
import { shareOfRep, timesOf } from '../session/lengths';
import { samePath, type ItemPath } from '../session/edit';
import type { Item, SessionTree } from '../session/session';
import { isWork, type TargetLeg } from '../targets/targetsFor';

export type ItemRow = { path: ItemPath; item: Item; depth: number };

const rowsOf = (items: readonly Item[], parent: ItemPath, depth: number): ItemRow[] =>
  items.flatMap((item, i) => {
    const path = [...parent, i];
    if (item.body.kind === 'drills') return [];
    return [{ path, item, depth }, ...(item.body.kind === 'set' ? rowsOf(item.body.items, path, depth + 1) : [])];
  });

/** In order, sets before their content. */
export const itemRows = ({ lines }: SessionTree): ItemRow[] =>
  lines.flatMap((line, i) => (isWork(line) ? rowsOf(line.items, [i], 0) : []));

/** The limits of an item's recovery: seconds, or metres of a jog; undefined if it has none. */
export type RecoveryValue = { kind: 'recovery'; durationS: number } | { kind: 'jog'; distanceM: number };

/** An item's recovery now; one that follows the rep's time is as long as in these legs. */
export function recoveryValue(
  { recovery }: Item,
  path: ItemPath,
  legs: readonly TargetLeg[],
): RecoveryValue | undefined {
  if (!recovery) return undefined;
  const { amount } = recovery;
  if (amount.kind === 'distance') return { kind: 'jog', distanceM: amount.distanceM };
  if (amount.kind === 'time') return { kind: 'recovery', durationS: amount.maxS };
  const leg = legs.find((leg) => leg.kind === 'recovery' && samePath(leg.path, path));
  if (leg?.distanceM !== undefined) return { kind: 'jog', distanceM: leg.distanceM };
  const lastsS = leg?.durationS ?? leg?.targetS ?? 60 * (shareOfRep(recovery) ?? 1);
  return { kind: 'recovery', durationS: Math.round(lastsS / 5) * 5 };
}

/** How often an item is run. */
export const countValue = ({ count }: Item): number => timesOf(count, 'max');

/** The first of an item's reps with a target over a distance. */
export const targetLegOf = (path: ItemPath, legs: readonly TargetLeg[], rep = 0): TargetLeg | undefined =>
  legs.filter((leg) => leg.kind === 'rep' && samePath(leg.path, path))[rep];

/** The lengths an item's reps may have, if a range is written, in metres or seconds; undefined otherwise. */
export function lengthRange({
  body,
}: Item): { kind: 'distance' | 'duration'; least: number; most: number } | undefined {
  const [amount, ...others] = body.kind === 'rep' ? body.amounts : [];
  if (!amount || others.length > 0) return undefined;
  if (amount.kind === 'distance')
    return amount.leastM === undefined ? undefined : { kind: 'distance', least: amount.leastM, most: amount.distanceM };
  return amount.leastS === undefined ? undefined : { kind: 'duration', least: amount.leastS, most: amount.durationS };
}
