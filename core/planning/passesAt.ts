import { crossedMarks, type Venue } from '../venue/venue';
import type { Pass } from '../targets/targetsFor';
import type { PlannedRep } from '../run/plan';

/**
 * Times at every `everyM` metres of the lap (100, 200, 400) that a rep crosses, at an even effort, its finish last.
 * @param targetS seconds for the whole rep. Empty for a rep by the clock.
 */
export function passesAt(
  venue: Venue,
  rep: Pick<PlannedRep, 'distanceM' | 'startM'>,
  targetS: number,
  everyM: number,
): Pass[] {
  const { distanceM, startM = 0 } = rep;
  if (distanceM === undefined) return [];
  return crossedMarks(venue, startM, distanceM, everyM).map((atM) => ({ atM, timeS: (targetS * atM) / distanceM }));
}
