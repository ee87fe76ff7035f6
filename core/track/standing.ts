/** Where one person with a watch sees most. */
import type { TargetLeg } from '../targets/targetsFor';
import { isTimedRep } from '../targets/targetsFor';
import { onLap, placeName, type Venue } from '../venue/venue';

/** A place for the coach, and what can be seen from there: finishes and starts of so many reps. */
export type Standing = { atM: number; name: string; finishes: number; starts: number; reps: number };

/** So near to a line a finish is still seen on it. */
const SEEN_M = 12;
/** A finish has to be timed, a start is called, a time at a mark is a help. */
const WORTH = { finish: 4, start: 2, pass: 1 };

/**
 * The place from which most of main part and fast finish can be timed: most finishes, then starts, then times at the marks.
 * Undefined where nothing has a place on the lap.
 * @param groups everyone's legs, one list for each group.
 */
export function standingPlace(venue: Venue, groups: readonly (readonly TargetLeg[])[]): Standing | undefined {
  const reps = groups.flat().filter((leg) => isTimedRep(leg) && leg.finishM !== undefined);
  const apart = (a: number, b: number) => {
    const by = onLap(venue, a - b);
    return Math.min(by, venue.lapM - by);
  };
  const isSeen = (atM: number, from: number | undefined) => from !== undefined && apart(atM, from) <= SEEN_M;
  const places = new Set([...venue.marks.map(({ atM }) => atM), ...reps.map(({ finishM }) => finishM ?? 0)]);
  const standings = [...places].map((atM) => {
    const finishes = reps.filter(({ finishM }) => isSeen(atM, finishM)).length;
    const starts = reps.filter(({ startM }) => isSeen(atM, startM)).length;
    const passes = reps.reduce(
      (sum, { startM = 0, passes: all = [] }) =>
        sum + all.filter(({ atM: into }) => isSeen(atM, onLap(venue, startM + into))).length,
      0,
    );
    const worth = finishes * WORTH.finish + starts * WORTH.start + passes * WORTH.pass;
    return { atM, finishes, starts, worth };
  });
  standings.sort((a, b) => b.worth - a.worth || a.atM - b.atM);
  const [best] = standings;
  if (!best || reps.length === 0) return undefined;
  const { atM, finishes, starts } = best;
  return { atM, name: placeName(venue, atM), finishes, starts, reps: reps.length };
}
