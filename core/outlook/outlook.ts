/** Will it work: one athlete's predicted effort held against the one that is meant. */
import type { MeantArc } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import type { Curve } from '../fitness/curve';
import { gaugeOf } from './gauge';
import { predict, stretchesOf, type Point } from './predict';

/** `light`: easier than meant. `stretched`: harder. `cannot`: more than they have. `unknown`: nothing to judge it by. */
export const FITS = ['fine', 'light', 'stretched', 'cannot', 'unknown'] as const;
export type Fit = (typeof FITS)[number];

export type Outlook = {
  fit: Fit;
  points: Point[];
  /** Meant effort at each point. */
  meant: number[];
  /** The most that predicted effort lies over the meant one. */
  over: number;
  /** The least of the reserve that is left after any rep; 1 is all of it. */
  leastLeft: number;
  lastEffort?: number;
  /** Share of what could be run flat out, see shareOfLimit(). */
  limitShare: number;
};

/** So much harder than meant is too hard, so much easier at the end too easy; common coaching practice. */
export const TOO_HARD = 1.5;
export const TOO_EASY = 2;
/** At the end less is forgiven: nine meant and ten felt is another session. */
export const TOO_HARD_AT_END = 0.8;
/** A reserve this far below nothing is more than the model can be wrong by. */
const NOTHING_LEFT = -0.1;
/** Of what could be run flat out, so much may be run with rests. */
export const MOST_OF_LIMIT = 1.5;
/** A race in pieces (an arc that ends so high) may be more. */
const LIMIT = { most: MOST_OF_LIMIT, mostOfRace: 1.75, cannot: 2, raceFrom: 9.5 };
/** A fast finish is meant to be hard, whatever comes before it. */
const FAST_FINISH = 8.5;

/** Meant effort on the way from the first rep (0) to the last (1). */
export function meantAt({ first, middle, last }: MeantArc, way: number): number {
  return way <= 0.5 ? first + (middle - first) * way * 2 : middle + (last - middle) * (way - 0.5) * 2;
}

/** Meant effort at each point: along the arc through the main part, a fast finish above it. A single rep is the end of the session as well. */
export function meantFor(arc: MeantArc, points: readonly Pick<Point, 'isFinish'>[]): number[] {
  const finish = points.findIndex(({ isFinish }) => isFinish);
  const n = finish > 0 ? finish : points.length;
  return points.map((_, i) => (i >= n ? Math.max(arc.last, FAST_FINISH) : meantAt(arc, n === 1 ? 1 : i / (n - 1))));
}

/** Judges a prediction: on plan only when effort, reserve and share of limit agree. @param meant as meantFor() says, for who asks often. */
export function judgePoints(points: readonly Point[], arc: MeantArc, meant = meantFor(arc, points)) {
  let over = -Infinity;
  let leastLeft = 1;
  let mostSpent = 0;
  let isOpen = false;
  let lastEffort: number | undefined;
  for (let i = 0; i < points.length; i++) {
    const point = points[i] as Point;
    const { effort } = point;
    if (effort !== undefined) {
      lastEffort = effort;
      if (!point.isAsked) over = Math.max(over, effort - (meant[i] ?? 0));
    }
    leastLeft = Math.min(leastLeft, point.leftShare);
    mostSpent = Math.max(mostSpent, point.spent);
    // Open-ended work finds its own end: what is laid out of it is the least, and nothing is too light.
    if (point.isOpen) isOpen = true;
  }
  const [first] = points;
  // The one block of a session begins as its first third feels.
  if (points.length === 1 && first?.earlyEffort !== undefined) over = Math.max(over, first.earlyEffort - arc.first);
  const end = points.at(-1);
  const overAtEnd = end?.effort === undefined || end.isAsked ? 0 : end.effort - (meant.at(-1) ?? 0);
  const limitShare = end?.limitShare ?? 0;
  const isRace = arc.last >= LIMIT.raceFrom;
  const cannot = mostSpent > 1 - NOTHING_LEFT || limitShare > LIMIT.cannot;
  const isStretched =
    over > TOO_HARD ||
    overAtEnd > TOO_HARD_AT_END ||
    (!isRace && leastLeft < 0) ||
    limitShare > (isRace ? LIMIT.mostOfRace : LIMIT.most);
  const isLight = !isOpen && lastEffort !== undefined && lastEffort < arc.last - TOO_EASY && over < 0.5;
  const fit: Fit =
    over === -Infinity ? 'unknown' : cannot ? 'cannot' : isStretched ? 'stretched' : isLight ? 'light' : 'fine';
  return { fit, meant, over, leastLeft, limitShare, ...(lastEffort === undefined ? {} : { lastEffort }) };
}

/** Looks ahead to a session for one athlete; without a curve nothing can be said. */
export function outlookFor(curve: Curve | undefined, legs: readonly TargetLeg[], arc: MeantArc): Outlook {
  if (!curve) return { fit: 'unknown', points: [], meant: [], over: 0, leastLeft: 1, limitShare: 0 };
  const gauge = gaugeOf(curve);
  const points = predict(gauge, stretchesOf(gauge, legs));
  return { ...judgePoints(points, arc), points };
}
