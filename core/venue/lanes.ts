/** Running wide: where the marks are for a group that is told to run in an outer lane. */
import { laneLengthM, onLap, type Venue } from './venue';

/** Metres of a run that lie on the bends, along lane 1. The finish line is where the first bend begins. */
function onBendsM(venue: Venue, fromM: number, lengthM: number): number {
  const straightM = venue.lanes?.straightM ?? 0;
  const bendM = (venue.lapM - 2 * straightM) / 2;
  /** Metres of bend from the finish line up to `atM`, which may be several laps on. */
  const upTo = (atM: number) => {
    const laps = Math.floor(atM / venue.lapM);
    const into = atM - laps * venue.lapM;
    const second = Math.max(0, into - bendM - straightM);
    return laps * 2 * bendM + Math.min(into, bendM) + Math.min(second, bendM);
  };
  return upTo(fromM + lengthM) - upTo(fromM);
}

/** A mark of a rep moved for a lane: `atM` metres into the rep, its place `aheadM` further on than in lane 1. */
export type LaneMark = { atM: number; placeM: number; aheadM: number };

/**
 * Where start and marks of a rep lie in an outer lane. It ends where it ends in lane 1, and every mark before moves on by what
 * the bends from there to the finish are longer: run evenly, the target stays that of lane 1.
 * @param startM where the rep starts in lane 1. @param marksM metres into the rep; 0 is the start.
 * @throws RangeError for a lane the venue has not.
 */
export function laneMarks(
  venue: Venue,
  lane: number,
  { startM, distanceM }: { startM: number; distanceM: number },
  marksM: readonly number[],
): LaneMark[] {
  const straightsM = 2 * (venue.lanes?.straightM ?? 0);
  const longer = (laneLengthM(venue, lane) - straightsM) / (laneLengthM(venue, 1) - straightsM) - 1;
  return marksM.map((atM) => {
    const aheadM = longer > 0 ? longer * onBendsM(venue, startM + atM, distanceM - atM) : 0;
    return { atM, placeM: onLap(venue, startM + atM + aheadM), aheadM };
  });
}
