/** Will it work: one athlete's predicted effort held against the one that is meant. */
import type { MeantArc } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import { shareOfLimit } from '../targets/totals';
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
  shareOfLimit: number;
};

/** So much harder than meant is too hard, so much easier at the end too easy; common coaching practice. */
export const TOO_HARD = 1.5;
const TOO_EASY = 2;
/** A reserve this far below nothing is more than the model can be wrong by. */
const NOTHING_LEFT = -0.1;

/** Meant effort on the way from the first rep (0) to the last (1). */
export function meantAt({ first, middle, last }: MeantArc, way: number): number {
  return way <= 0.5 ? first + (middle - first) * way * 2 : middle + (last - middle) * (way - 0.5) * 2;
}

/** Meant effort at each of so many points; a single rep is the end of the session as well. */
export const meantFor = (arc: MeantArc, n: number) =>
  Array.from({ length: n }, (_, i) => meantAt(arc, n === 1 ? 1 : i / (n - 1)));

/** Judges a prediction. @param meant as meantFor() says, for who asks often. */
export function judgePoints(points: readonly Point[], arc: MeantArc, meant = meantFor(arc, points.length)) {
  let over = -Infinity;
  let leastLeft = 1;
  points.forEach(({ effort, leftShare, isAsked }, i) => {
    if (effort !== undefined && !isAsked) over = Math.max(over, effort - (meant[i] ?? 0));
    leastLeft = Math.min(leastLeft, leftShare);
  });
  const lastEffort = points.findLast(({ effort }) => effort !== undefined)?.effort;
  const spent = points.some((point) => point.spent > 1 - NOTHING_LEFT);
  const isLight = lastEffort !== undefined && lastEffort < arc.last - TOO_EASY && over < 0.5;
  const fit: Fit =
    over === -Infinity ? 'unknown' : spent ? 'cannot' : over > TOO_HARD ? 'stretched' : isLight ? 'light' : 'fine';
  return { fit, meant, over, leastLeft, ...(lastEffort === undefined ? {} : { lastEffort }) };
}

/** Looks ahead to a session for one athlete; without a curve nothing can be said. */
export function outlookFor(curve: Curve | undefined, legs: readonly TargetLeg[], arc: MeantArc): Outlook {
  if (!curve) return { fit: 'unknown', points: [], meant: [], over: 0, leastLeft: 1, shareOfLimit: 0 };
  const gauge = gaugeOf(curve);
  const points = predict(gauge, stretchesOf(gauge, legs));
  return { ...judgePoints(points, arc), points, shareOfLimit: shareOfLimit(curve, legs) };
}
