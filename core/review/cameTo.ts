/** An athlete's totals of a session: metres and minutes at each pace, and for the day. */
import { grouped } from '../units/grouped';
import type { ReviewCell } from './cell';

/** Metres (if known) and seconds; `pace` is empty for work by effort. */
export type AtPace = { pace: string; distanceM: number; durationS: number };
export type CameTo = { distanceM: number; durationS: number; byPace: AtPace[] };

type Ran = { pace: string; distanceM: number; durationS: number };

const sum = (list: readonly Ran[], of: (ran: Ran) => number) => list.reduce((total, ran) => total + of(ran), 0);

/** Adds up the reps that were run, also those that do not count: they were run. The pace with most metres comes first. */
export function cameTo(cells: readonly ReviewCell[]): CameTo {
  const ran = cells.flatMap(({ rep, actualS, coveredM }): Ran[] =>
    rep && actualS !== undefined
      ? [{ pace: rep.pace ?? '', distanceM: rep.distanceM ?? coveredM ?? 0, durationS: actualS }]
      : [],
  );
  const byPace = [...grouped(ran, ({ pace }) => pace)].map(([pace, list]) => ({
    pace,
    distanceM: sum(list, ({ distanceM }) => distanceM),
    durationS: sum(list, ({ durationS }) => durationS),
  }));
  byPace.sort((a, b) => b.distanceM - a.distanceM || b.durationS - a.durationS);
  return {
    distanceM: sum(ran, ({ distanceM }) => distanceM),
    durationS: sum(ran, ({ durationS }) => durationS),
    byPace,
  };
}
