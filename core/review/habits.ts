/** What an athlete does within a rep: the first mark against an even run to the same finish. */
import type { ReviewCell } from './cell';
import { grouped } from '../units/grouped';
import { mean } from '../units/mean';

/** `deltaS` seconds off an even run at the mark `atM`: below 0 is early. */
export type Opening = { atM: number; deltaS: number };

/** The same on average over reps of one distance. */
export type Habit = Opening & { distanceM: number; reps: number };

/** A mark beyond half way is no opening. */
const OPENING_SHARE = 0.5;
/** A habit needs this many reps, this much on average, and this share of them on the same side. */
const HABIT = { reps: 3, deltaS: 0.7, share: 0.8 };

/** How a rep was opened; undefined where no mark was taken in its first half. */
export function openingOf({ rep, actualS, passes, excluded }: ReviewCell): Opening | undefined {
  const distanceM = rep?.distanceM;
  const [first] = passes;
  if (distanceM === undefined || actualS === undefined || excluded || !first) return undefined;
  if (first.atM > distanceM * OPENING_SHARE) return undefined;
  return { atM: first.atM, deltaS: first.elapsedS - (actualS * first.atM) / distanceM };
}

/** What the athlete does on nearly every rep of a distance, the furthest off first; nothing where there is no habit. */
export function habitsOf(cells: readonly ReviewCell[]): Habit[] {
  const openings = cells.flatMap((cell) => {
    const opening = openingOf(cell);
    return opening ? [{ ...opening, distanceM: cell.rep?.distanceM ?? 0 }] : [];
  });
  return [...grouped(openings, ({ distanceM, atM }) => `${distanceM} ${atM}`).values()]
    .flatMap((alike): Habit[] => {
      const [first] = alike;
      if (!first) return [];
      const { distanceM, atM } = first;
      const deltas = alike.map(({ deltaS }) => deltaS);
      const deltaS = mean(deltas);
      const same = deltas.filter((delta) => Math.sign(delta) === Math.sign(deltaS)).length;
      const isHabit =
        deltas.length >= HABIT.reps && Math.abs(deltaS) >= HABIT.deltaS && same >= HABIT.share * deltas.length;
      return isHabit ? [{ distanceM, atM, deltaS, reps: deltas.length }] : [];
    })
    .sort((a, b) => Math.abs(b.deltaS) - Math.abs(a.deltaS));
}
