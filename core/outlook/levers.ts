/** What a session would be with one thing changed, worked on the stretches of one athlete. */
import { isWithin, samePath, type ItemPath } from '../session/edit';
import type { Stretch } from './predict';

/** True if a stretch is of the item at `path`, or of one inside the set there. */
export const isOf = ({ path }: Pick<Stretch, 'path'>, item: ItemPath): boolean => isWithin(path, item);

const isItsOwn = ({ path }: Stretch, item: ItemPath) => samePath(path, item);

/** Which time round of the item at `path` a stretch belongs to. */
const turnOf = ({ turns }: Stretch, item: ItemPath): number => turns[item.length - 2] ?? 0;

/** Every recovery after the item takes `durationS` seconds. */
export const withRecovery = (stretches: readonly Stretch[], item: ItemPath, durationS: number): Stretch[] =>
  stretches.map((stretch) => (!stretch.isRep && isItsOwn(stretch, item) ? { ...stretch, durationS } : stretch));

/** The item's reps run at this share of their speed; those by the clock last as long. */
export const withPace = (stretches: readonly Stretch[], item: ItemPath, share: number, byClock: boolean): Stretch[] =>
  stretches.map((stretch) =>
    stretch.isRep && isItsOwn(stretch, item)
      ? {
          ...stretch,
          speedMps: stretch.speedMps * share,
          durationS: byClock ? stretch.durationS : stretch.durationS / share,
        }
      : stretch,
  );

/** The item run `n` times: turns too many are left out, each with the recovery before it; turns that lack are run as the last one. */
export function withCount(stretches: readonly Stretch[], item: ItemPath, n: number): Stretch[] {
  const kept: Stretch[] = [];
  // Where the last turn of this run of the item begins among what is kept, its first rep included.
  let begins = 0;
  stretches.forEach((stretch, i) => {
    const turn = turnOf(stretch, item);
    if (!isOf(stretch, item) || !stretch.isRep) {
      kept.push(stretch);
      return;
    }
    if (turn >= n) {
      if (kept.at(-1)?.isRep === false) kept.pop();
      return;
    }
    const before = stretches.slice(0, i).findLast(({ isRep }) => isRep);
    const isFirst = !before || !isOf(before, item) || turnOf(before, item) !== turn;
    if (isFirst) begins = kept.length;
    kept.push(stretch);
    const after = stretches.slice(i + 1).find(({ isRep }) => isRep);
    const isLastOfRun = !after || !isOf(after, item) || turnOf(after, item) < turn || isNewRun(stretch, after, item);
    if (!isLastOfRun || turn === 0) return;
    const rest = kept[begins - 1];
    const again = [...(rest && !rest.isRep ? [rest] : []), ...kept.slice(begins)];
    for (let more = turn + 1; more < n; more++) kept.push(...again);
  });
  return kept;
}

/** True if the next rep is of another time round of a set that the item stands in. */
const isNewRun = (stretch: Stretch, next: Stretch, item: ItemPath) =>
  stretch.turns.slice(0, item.length - 2).some((turn, i) => turn !== next.turns[i]);
