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
  /** The same at the end; 0 where the session itself asks for its effort. */
  overAtEnd: number;
  /** The least reserve left after any rep; 1 is all of it. */
  leastLeft: number;
  /** Highest share spent after any rep: of the reserve, or of a flat-out run of that length. 1 is all of it. */
  mostSpent: number;
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
const isBeyond = (spent: number) => spent > 1 - NOTHING_LEFT;
/** The share of a flat-out run that is possible with rests. */
export const MOST_OF_LIMIT = 1.5;
/** A race in pieces (an arc ending this high) may exceed that. */
const LIMIT = { mostOfRace: 1.75, cannot: 2, raceFrom: 9.5 };
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

/** Reasons for which a session is harder than meant: too much of a flat-out run, no reserve left, or felt too hard. */
export type Breach = 'limit' | 'reserve' | 'at-end' | 'on-the-way';

/** Share of a flat-out run that is possible in a session with such an arc. */
export const mostOfLimit = ({ last }: MeantArc): number => (last >= LIMIT.raceFrom ? LIMIT.mostOfRace : MOST_OF_LIMIT);

type Verdict = Pick<Outlook, 'over' | 'overAtEnd' | 'leastLeft' | 'mostSpent' | 'limitShare'>;

/** Lists why a prediction is harder than meant, weightiest first; empty if it is not. */
export function breachesOf({ over, overAtEnd, leastLeft, mostSpent, limitShare }: Verdict, arc: MeantArc): Breach[] {
  const found: Breach[] = [];
  const isMore = isBeyond(mostSpent);
  if (limitShare > mostOfLimit(arc) || (isMore && leastLeft >= 0)) found.push('limit');
  if (leastLeft < 0 && (isMore || arc.last < LIMIT.raceFrom)) found.push('reserve');
  if (overAtEnd > TOO_HARD_AT_END) found.push('at-end');
  if (over > TOO_HARD) found.push('on-the-way');
  return found;
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
  const cannot = isBeyond(mostSpent) || limitShare > LIMIT.cannot;
  const judged = { over, overAtEnd, leastLeft, mostSpent, limitShare };
  const isStretched = breachesOf(judged, arc).length > 0;
  const isLight = !isOpen && lastEffort !== undefined && lastEffort < arc.last - TOO_EASY && over < 0.5;
  const fit: SessionFit =
    over === -Infinity ? 'unknown' : cannot ? 'cannot' : isStretched ? 'stretched' : isLight ? 'light' : 'fine';
  return { fit, meant, ...judged, ...(lastEffort === undefined ? {} : { lastEffort }) };
}

/** Predicts a session for one athlete; unknown without a curve. */
export function outlookFor(curve: Curve | undefined, legs: readonly TargetLeg[], arc: MeantArc): Outlook {
  if (!curve)
    return { fit: 'unknown', points: [], meant: [], over: 0, overAtEnd: 0, leastLeft: 1, mostSpent: 0, limitShare: 0 };
  const gauge = gaugeOf(curve);
  const points = predict(gauge, stretchesOf(gauge, legs));
  return { ...judgePoints(points, arc), points };
}
