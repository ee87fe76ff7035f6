import { MILE_M } from '../units/distance';

/** A place on the lap that can be called or started from; `atM` is metres past the finish line, in running direction. */
export type VenueMark = { atM: number; name: string };

/** Where a session is run: a lap of `lapM` metres with marks on it. Positions on it go from 0 (the finish line) up to `lapM`. */
export type Venue = {
  id: string;
  name: string;
  lapM: number;
  marks: VenueMark[];
  /** Marked starts of races that do not begin at a mark: the mile, 9.34 m before the finish line of a 400 m lap. */
  starts: { distanceM: number; atM: number; name: string }[];
  /** Lane geometry, where there are lanes; all in metres. */
  lanes?: { straightM: number; kerbRadiusM: number; widthM: number; count: number };
  /** A way from one point to another, run there and back: its “lap” is both, and the second half lies on the first. */
  outAndBack?: true;
};

/** A standard 400 m track: straights 84.39 m, kerb radius 36.50 m, lanes 1.22 m wide; a mark every 100 m; the mile start. */
export const standardTrack: Venue = {
  id: 'standard-400',
  name: '400 m track',
  lapM: 400,
  marks: [
    { atM: 0, name: 'finish line' },
    { atM: 100, name: '100 m start' },
    { atM: 200, name: '200 m start' },
    { atM: 300, name: '300 m start' },
  ],
  starts: [{ distanceM: MILE_M, atM: 400 - (MILE_M - 1600), name: 'mile start' }],
  lanes: { straightM: 84.39, kerbRadiusM: 36.5, widthM: 1.22, count: 8 },
};

/** An indoor track of 200 m, marked every 50 m. */
export const indoorTrack: Venue = {
  id: 'indoor-200',
  name: '200 m indoor track',
  lapM: 200,
  marks: [
    { atM: 0, name: 'finish line' },
    { atM: 50, name: '50 m mark' },
    { atM: 100, name: '100 m mark' },
    { atM: 150, name: '150 m mark' },
  ],
  starts: [{ distanceM: MILE_M, atM: 200 - (MILE_M - 1600), name: 'mile start' }],
};

/** A measured loop of a kilometre on grass or road, with a cone every 250 m. */
export const kilometreLoop: Venue = {
  id: 'loop-1000',
  name: '1 km loop',
  lapM: 1000,
  marks: [
    { atM: 0, name: 'start cone' },
    { atM: 250, name: '250 m cone' },
    { atM: 500, name: '500 m cone' },
    { atM: 750, name: '750 m cone' },
  ],
  starts: [],
};

/** The places a session can be drawn for. */
export const VENUES: readonly Venue[] = [standardTrack, indoorTrack, kilometreLoop];

/** Metres a walker covers in a second. */
const WALKS_MPS = 1.5;

/** Seconds that a walk to the next start takes. */
export const walkS = ({ byM }: Walk): number => Math.abs(byM) / WALKS_MPS;

/** Lane 1 is measured 0.30 m out from its kerb, the others 0.20 m out from the line inside them. */
const MEASURED_OUT_M = { first: 0.3, other: 0.2 };

/**
 * Length of one lap in a lane (1 = inside), in metres: two straights and a circle at the line it is measured on.
 * @throws RangeError for a lane the venue has not.
 */
export function laneLengthM(venue: Venue, lane: number): number {
  const { lanes, lapM } = venue;
  if (lane === 1 && !lanes) return lapM;
  if (!lanes || !Number.isInteger(lane) || lane < 1 || lane > lanes.count)
    throw new RangeError(`${venue.name} has no lane ${lane}.`);
  const outM = lane === 1 ? MEASURED_OUT_M.first : (lane - 1) * lanes.widthM + MEASURED_OUT_M.other;
  return 2 * lanes.straightM + 2 * Math.PI * (lanes.kerbRadiusM + outM);
}

/** A position brought onto the lap: from 0 up to, but not including, `lapM`. A hair before the line counts as the line. */
export function onLap(venue: Venue, positionM: number): number {
  const wrapped = ((positionM % venue.lapM) + venue.lapM) % venue.lapM;
  return venue.lapM - wrapped < 1e-6 ? 0 : wrapped;
}

function ownStart(venue: Venue, distanceM: number | undefined) {
  return venue.starts.find((start) => distanceM !== undefined && Math.abs(start.distanceM - distanceM) < 0.5);
}

/** Where a rep of this distance is first started from: its own marked start if the venue has one, else the finish line. */
export const firstStartM = (venue: Venue, distanceM: number | undefined): number =>
  ownStart(venue, distanceM)?.atM ?? 0;

/** A position said by the nearest mark behind it: `the 300 m start`, `50 m past the 300 m start`. */
export function placeName({ marks, starts, lapM }: Venue, positionM: number): string {
  const allMarks = [...marks, ...starts];
  const past = (atM: number) => (((positionM - atM) % lapM) + lapM) % lapM;
  const near = allMarks.find(({ atM }) => Math.min(past(atM), lapM - past(atM)) < ON_THE_MARK_M);
  if (near) return `the ${near.name}`;
  const [behind] = [...marks].sort((a, b) => past(a.atM) - past(b.atM));
  return behind ? `${Math.round(past(behind.atM))} m past the ${behind.name}` : `${Math.round(positionM)} m`;
}

/** Where a position lies on the ground: on a way there and back the second half is the first again. */
const onGroundM = ({ outAndBack, lapM }: Venue, positionM: number) =>
  outAndBack ? Math.min(positionM, lapM - positionM) : positionM;

/** The way from where a rep ended to where the next one starts: `byM` metres, below 0 for back against the running direction. */
export type Walk = { toM: number; byM: number; name: string };

/** A start this near to where they stand is where they stand. */
const ON_THE_MARK_M = 1;

/**
 * Where to start next after a rest at `atM` of the lap, and how far that is: the rep's own marked start if the venue has one
 * (the mile), else the nearest mark, the one ahead where two are as near. Undefined on the mark.
 */
export function walkToStart(venue: Venue, atM: number, distanceM: number | undefined): Walk | undefined {
  const startMark = ownStart(venue, distanceM);
  const ways = (startMark ? [startMark] : venue.marks).map((mark): Walk => {
    const ahead = onLap(venue, mark.atM - atM);
    if (venue.outAndBack) {
      const onM = onGroundM(venue, mark.atM) - onGroundM(venue, onLap(venue, atM));
      // On the way back it is the other way round.
      return { toM: mark.atM, byM: onLap(venue, atM) > venue.lapM / 2 ? -onM : onM, name: mark.name };
    }
    return { toM: mark.atM, byM: ahead <= venue.lapM / 2 ? ahead : ahead - venue.lapM, name: mark.name };
  });
  ways.sort((a, b) => Math.abs(a.byM) - Math.abs(b.byM) || b.byM - a.byM);
  const [nearest] = ways;
  return nearest && Math.abs(nearest.byM) >= ON_THE_MARK_M ? nearest : undefined;
}

/**
 * Distances into a rep, in metres, at which it crosses a mark of the venue; its own finish is the last.
 * @param startM where on the lap the rep starts. @param everyM only marks at multiples of this on the lap (100, 200, 400).
 */
export function crossedMarks(venue: Venue, startM: number, distanceM: number, everyM = 0): number[] {
  const called = venue.marks.filter(({ atM }) => everyM === 0 || Math.abs(atM % everyM) < 1e-6);
  const crossed: number[] = [];
  const laps = Math.ceil((startM + distanceM) / venue.lapM);
  for (let lap = 0; lap <= laps; lap++)
    for (const { atM } of called) {
      const into = lap * venue.lapM + atM - startM;
      if (into > 1e-6 && into < distanceM - 1e-6) crossed.push(Math.round(into * 100) / 100);
    }
  return [...crossed, distanceM];
}
