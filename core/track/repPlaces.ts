/** Where each rep starts and finishes, and whether the next start can be walked to in the recovery. */
import { isTimedRep, type TargetLeg } from '../targets/targetsFor';
import { legLabel } from './lapSheet';
import { laneMarks } from '../venue/lanes';
import { placeName, walkS, type Venue } from '../venue/venue';

export type RepPlaces = {
  /** First and last rep with these places, counted from 1. */
  from: number;
  to: number;
  what: string;
  startM: number;
  start: string;
  finish: string;
  /** In an outer lane: how many metres ahead of that the start lies. */
  aheadM?: number;
  /** In an outer lane: the marks on the way, metres into the rep and how far ahead of their place in lane 1 they lie. */
  marks?: { atM: number; aheadM: number }[];
  /** To the next start: its metres and seconds, and the seconds of recovery there are. */
  walk?: { byM: number; takesS: number; hasS: number; name: string };
};

const key = ({ what, start, finish, aheadM, walk }: RepPlaces) => JSON.stringify([what, start, finish, aheadM, walk]);
const tenth = (value: number) => Math.round(value * 10) / 10;

/** Start and marks of a rep in its lane; none in the inner one. */
function inLane(leg: TargetLeg, venue: Venue, lane: number): Pick<RepPlaces, 'aheadM' | 'marks'> {
  const { startM, distanceM, passes = [] } = leg;
  if (lane === 1 || startM === undefined || distanceM === undefined) return {};
  const on = passes.map(({ atM }) => atM).filter((atM) => atM !== distanceM);
  const [start, ...marks] = laneMarks(venue, lane, { startM, distanceM }, [0, ...on]);
  const moved = marks.filter(({ aheadM }) => aheadM > 0.05);
  return {
    ...(start && start.aheadM > 0.05 ? { aheadM: tenth(start.aheadM) } : {}),
    ...(moved.length > 0 ? { marks: moved.map(({ atM, aheadM }) => ({ atM, aheadM: tenth(aheadM) })) } : {}),
  };
}

/** The places of all reps of main part and fast finish that have one, neighbours that are alike as one. @param lane 1 is inside. */
export function repPlaces(legs: readonly TargetLeg[], venue: Venue, lane = 1): RepPlaces[] {
  const places: RepPlaces[] = [];
  let rep = 0;
  legs.forEach((leg, i) => {
    if (!isTimedRep(leg)) return;
    rep++;
    const { startM, finishM } = leg;
    if (startM === undefined || finishM === undefined) return;
    const next = legs[i + 1];
    const walk = next?.kind === 'recovery' ? next.walk : undefined;
    const place: RepPlaces = {
      from: rep,
      to: rep,
      what: legLabel(leg),
      startM,
      start: placeName(venue, startM),
      finish: placeName(venue, finishM),
      ...inLane(leg, venue, lane),
      ...(walk
        ? {
            walk: {
              byM: Math.round(walk.byM),
              takesS: Math.round(walkS(walk)),
              hasS: Math.round(next?.targetS ?? 0),
              name: walk.name,
            },
          }
        : {}),
    };
    const before = places.at(-1);
    if (before && key(before) === key(place)) before.to = rep;
    else places.push(place);
  });
  return places;
}
