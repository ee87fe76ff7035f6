/** Will it work: one athlete's predicted effort compared with the meant one. */
import type { MeantArc } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import type { Curve } from '../fitness/curve';
import { gaugeOf } from './gauge';
import { predict, stretchesOf, type Point } from './predict';

/** `light`: easier than meant. `stretched`: harder. `cannot`: more than they have. `unknown`: nothing to judge it by. */
export const FITS = ['fine', 'light', 'stretched', 'cannot', 'unknown'] as const;
export type SessionFit = (typeof FITS)[number];

export type Outlook = {
  fit: SessionFit;
  points: Point[];
  /** Meant effort at each point. */
  meant: number[];
  /** The most by which predicted effort exceeds the meant one. */
  over: number;
  /** The least reserve left after any rep; 1 is all of it. */
  leastLeft: number;
  lastEffort?: number;
  /** Share of a flat-out run, see shareOfLimit(). */
  limitShare: number;
};

/** Effort above the meant one that is too hard, and below it at the end that is too easy; common coaching practice. */
export const TOO_HARD = 1.5;
export const TOO_EASY = 2;
/** The end is judged more strictly: nine meant and ten felt is another session. */
export const TOO_HARD_AT_END = 0.8;
/** A reserve this far below zero exceeds the model's error. */
const NOTHING_LEFT = -0.1;
/** The share of a flat-out run that is possible with rests. */
export const MOST_OF_LIMIT = 1.5;
/** A race in pieces (an arc ending this high) may exceed that. */
const LIMIT = { most: MOST_OF_LIMIT, mostOfRace: 1.75, cannot: 2, raceFrom: 9.5 };
/** A fast finish is meant to be hard, whatever precedes it. */
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

/**
 * Judges a prediction: on plan only when effort, reserve and share of limit agree.
 * @param meant the result of meantFor(), for callers that judge often.
 */
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
    // Open-ended work ends itself: what is laid out is its minimum, so nothing is too light.
    if (point.isOpen) isOpen = true;
  }
  const [first] = points;
  // A session's single block starts as its first third feels.
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
  const fit: SessionFit =
    over === -Infinity ? 'unknown' : cannot ? 'cannot' : isStretched ? 'stretched' : isLight ? 'light' : 'fine';
  return { fit, meant, over, leastLeft, limitShare, ...(lastEffort === undefined ? {} : { lastEffort }) };
}

/** Predicts a session for one athlete; unknown without a curve. */
export function outlookFor(curve: Curve | undefined, legs: readonly TargetLeg[], arc: MeantArc): Outlook {
  if (!curve) return { fit: 'unknown', points: [], meant: [], over: 0, leastLeft: 1, limitShare: 0 };
  const gauge = gaugeOf(curve);
  const points = predict(gauge, stretchesOf(gauge, legs));
  return { ...judgePoints(points, arc), points };
}
