/** Who is where when: each group's way through the session, and the seconds in which one person would have to time two of them. */
import { isWork, type TargetLeg } from '../targets/targetsFor';
import { amountsOf } from '../targets/totals';
import { onLap, type Venue } from '../venue/venue';

/** A group on the track: its legs with the times it runs them in, and each member's own seconds more (or less) for a rep. */
export type TrafficGroup = {
  id: string;
  legs: readonly TargetLeg[];
  /** By leg: how many seconds before or after the group each member finishes it. */
  offsetsS: readonly (readonly number[])[];
};

/** A leg of main part or fast finish in time and place, seconds from the group's own first start, metres run past the finish line. */
export type TrafficLeg = {
  legIndex: number;
  kind: 'rep' | 'moving' | 'resting';
  fromS: number;
  toS: number;
  fromM: number;
  toM: number;
};

/** The finish of a rep: when the first and the last of the group come in, and where on the lap. */
export type GroupArrival = {
  legIndex: number;
  rep: number;
  firstS: number;
  lastS: number;
  athletes: number;
  atM: number;
};

export type GroupTraffic = { id: string; legs: TrafficLeg[]; arrivals: GroupArrival[]; athletes: number; endS: number };

/** A group's way through main part and fast finish. It starts each rep together, its recovery counted from its shared finish. */
export function groupTraffic({ id, legs, offsetsS }: TrafficGroup, venue: Venue): GroupTraffic {
  const traffic: TrafficLeg[] = [];
  const arrivals: GroupArrival[] = [];
  const last = legs.findLastIndex((leg) => leg.kind === 'rep' && isWork(leg));
  let [atS, atM] = [0, 0];
  let isBegun = false;
  legs.forEach((leg, legIndex) => {
    if (!isWork(leg) || legIndex > last) return;
    const { distanceM, durationS } = amountsOf(leg);
    if (!isBegun) atM = leg.startM ?? 0;
    isBegun = true;
    // After a walk to the next start the rep begins there.
    if (leg.kind === 'rep' && leg.startM !== undefined) atM += shortWay(venue, leg.startM - onLap(venue, atM));
    const kind = leg.kind === 'rep' ? 'rep' : leg.distanceM !== undefined ? 'moving' : 'resting';
    const toM = atM + (kind === 'resting' ? (leg.walk?.byM ?? 0) : distanceM);
    traffic.push({ legIndex, kind, fromS: atS, toS: atS + durationS, fromM: atM, toM });
    if (leg.kind === 'rep' && !leg.drills) {
      const offsets = offsetsS[legIndex] ?? [];
      arrivals.push({
        legIndex,
        rep: arrivals.length + 1,
        firstS: atS + durationS + Math.min(0, ...offsets),
        lastS: atS + durationS + Math.max(0, ...offsets),
        athletes: Math.max(1, offsets.length),
        atM: onLap(venue, toM),
      });
    }
    atS += durationS;
    atM = toM;
  });
  const athletes = Math.max(1, ...offsetsS.map(({ length }) => length));
  return { id, legs: traffic, arrivals, athletes, endS: atS };
}

/** The shorter way round for a distance on the lap. */
function shortWay({ lapM }: Venue, byM: number): number {
  const wrapped = ((byM % lapM) + lapM) % lapM;
  return wrapped > lapM / 2 ? wrapped - lapM : wrapped;
}

/** When a group crosses a mark of the lap while it runs a rep: seconds from its first start. */
export function crossings({ legs }: GroupTraffic, venue: Venue, markM: number): number[] {
  return legs.flatMap(({ kind, fromM, toM, fromS, toS }) => {
    if (kind !== 'rep' || toM <= fromM) return [];
    const first = fromM + onLap(venue, markM - fromM);
    const times: number[] = [];
    for (let atM = first < fromM + 1e-6 ? first + venue.lapM : first; atM <= toM + 1e-6; atM += venue.lapM)
      times.push(fromS + ((atM - fromM) / (toM - fromM)) * (toS - fromS));
    return times;
  });
}

/** Seconds after the first group that each starts, by id; 0 where none is given. */
export type StartGaps = Readonly<Record<string, number>>;

/** Too much for one person to time: finishes of two groups, or more athletes of one than a hand can take. Seconds from the first start. */
export type Clash = {
  kind: 'groups' | 'crowd';
  fromS: number;
  toS: number;
  groups: [id: string, rep: number][];
  athletes: number;
};

/** One person takes so many times in a window; common practice with a phone in the hand. */
export const MOST_AT_ONCE = 6;

/** True if two finishes are so near together that one person cannot time both. */
const isNear = (a: GroupArrival, b: GroupArrival, bLaterS: number, windowS: number) =>
  b.firstS + bLaterS < a.lastS + windowS && a.firstS < b.lastS + bLaterS + windowS;

/** Pairs of finishes of two groups that clash when the second starts `laterS` after the first. */
function pairsThatClash(
  a: GroupTraffic,
  b: GroupTraffic,
  laterS: number,
  windowS: number,
): [GroupArrival, GroupArrival][] {
  return a.arrivals.flatMap((arrival) =>
    b.arrivals.flatMap((other): [GroupArrival, GroupArrival][] =>
      isNear(arrival, other, laterS, windowS) ? [[arrival, other]] : [],
    ),
  );
}

/** How many finishes of two groups clash. */
export const clashCount = (a: GroupTraffic, b: GroupTraffic, laterS: number, windowS: number): number =>
  pairsThatClash(a, b, laterS, windowS).length;

/** Everything that one person could not time, in order of time. */
export function clashesOf(groups: readonly GroupTraffic[], gaps: StartGaps, windowS: number): Clash[] {
  const clashes: Clash[] = [];
  groups.forEach((a, i) => {
    const aS = gaps[a.id] ?? 0;
    for (const { firstS, lastS, athletes, rep } of a.arrivals)
      if (athletes > MOST_AT_ONCE && lastS - firstS < windowS)
        clashes.push({ kind: 'crowd', fromS: aS + firstS, toS: aS + lastS, groups: [[a.id, rep]], athletes });
    for (const b of groups.slice(i + 1))
      for (const [first, other] of pairsThatClash(a, b, (gaps[b.id] ?? 0) - aS, windowS)) {
        const bS = gaps[b.id] ?? 0;
        clashes.push({
          kind: 'groups',
          fromS: Math.min(aS + first.firstS, bS + other.firstS),
          toS: Math.max(aS + first.lastS, bS + other.lastS),
          groups: [
            [a.id, first.rep],
            [b.id, other.rep],
          ],
          athletes: first.athletes + other.athletes,
        });
      }
  });
  return clashes.sort((a, b) => a.fromS - b.fromS);
}

/** A stretch of time in which the track is someone else's, in seconds from the first start. */
export type BusySpan = { fromS: number; toS: number };

/** Reps of a group that fall into busy time when it starts `laterS` after the first. */
export const repsInBusyTime = ({ legs }: GroupTraffic, laterS: number, busy: readonly BusySpan[]): number =>
  legs.filter(
    ({ kind, fromS, toS }) =>
      kind === 'rep' && busy.some((span) => fromS + laterS < span.toS && toS + laterS > span.fromS),
  ).length;
