/** Jogs that end where a rep can start. */
import { onLap, type Venue } from './venue';

/** A jog that ends on a mark: how far, at which mark, and whether the next rep starts where this one did. */
export type MarkedJog = { distanceM: number; name: string; toM: number; isSameStart: boolean };

/** Shorter than this is a step to the side, not a jog. */
const SHORTEST_M = 20;

/**
 * The jogs nearest to a wanted length that end on a mark, nearest first, at most two: the nearest, and the nearest that brings
 * them back to where the rep started. Empty where the venue has no mark.
 * @param rep where the rep started and how far it goes. @param wantedM how far the recovery would take them.
 */
export function markedJogs(venue: Venue, rep: { startM: number; distanceM: number }, wantedM: number): MarkedJog[] {
  const finishM = onLap(venue, rep.startM + rep.distanceM);
  const most = Math.max(1, Math.ceil(wantedM / venue.lapM) + 1);
  const places = [...venue.marks, ...venue.starts.filter(({ atM }) => Math.abs(atM - rep.startM) < 1)];
  const jogs = places.flatMap(({ atM, name }) =>
    Array.from({ length: most }, (_, lap): MarkedJog => {
      const distanceM = Math.round((onLap(venue, atM - finishM) + lap * venue.lapM) * 100) / 100;
      return { distanceM, name, toM: atM, isSameStart: Math.abs(atM - rep.startM) < 1 };
    }),
  );
  const off = ({ distanceM }: MarkedJog) => Math.abs(distanceM - wantedM);
  const sorted = jogs.filter(({ distanceM }) => distanceM >= SHORTEST_M).sort((a, b) => off(a) - off(b));
  const [nearest] = sorted;
  const back = sorted.find(({ isSameStart }) => isSameStart);
  return nearest ? (back && back !== nearest ? [nearest, back] : [nearest]) : [];
}
