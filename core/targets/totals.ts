/** What a session comes to for one athlete: metres and seconds, whole, by pace and by kind of work. */
import { heldFor, speedFor, type Curve } from '../fitness/curve';
import { isWork, type TargetLeg } from './targetsFor';

/** The kinds of work a session is made of. */
export const WORKS = ['warm', 'main', 'finish', 'recovery', 'cool'] as const;
export type Work = (typeof WORKS)[number];

export type Amounts = { distanceM: number; durationS: number };

export type SessionTotals = Amounts & {
  byWork: ({ work: Work } & Amounts)[];
  /** Reps of main part and fast finish, by the pace as written; the most metres first. */
  byPace: ({ pace: string; reps: number } & Amounts)[];
  /** Main part and fast finish with the recoveries in them: from the first start to the last finish. */
  trackS: number;
  /** True where a length or a time is a guess: drills, and work by effort. */
  isGuessed: boolean;
};

/** Speed taken for running whose pace is not known. */
export const GUESSED_MPS = 3.3;
/** Time taken for drills, and for a rest until somebody is ready; common practice. */
const DRILLS_S = 300;
export const UNTIL_READY_S = 180;

/** Metres and seconds of one leg; what is not known is guessed. */
export function amountsOf(leg: TargetLeg): Amounts & { isGuessed: boolean } {
  if (leg.kind === 'rep' && leg.drills) return { distanceM: 0, durationS: DRILLS_S, isGuessed: true };
  const settledS = leg.targetS ?? leg.durationS;
  if (leg.kind === 'recovery' && leg.untilReady) return { distanceM: 0, durationS: UNTIL_READY_S, isGuessed: true };
  if (leg.kind === 'recovery')
    return { distanceM: leg.distanceM ?? 0, durationS: settledS ?? 0, isGuessed: settledS === undefined };
  const distanceM = leg.distanceM ?? leg.expectedM;
  if (distanceM === undefined)
    return { distanceM: (settledS ?? 0) * GUESSED_MPS, durationS: settledS ?? 0, isGuessed: true };
  return { distanceM, durationS: settledS ?? distanceM / GUESSED_MPS, isGuessed: settledS === undefined };
}

/** Adds the legs of one athlete up. */
export function sessionTotals(legs: readonly TargetLeg[]): SessionTotals {
  const byWork = new Map<Work, Amounts>();
  const byPace = new Map<string, { reps: number } & Amounts>();
  const lastWork = legs.findLastIndex((leg) => leg.kind === 'rep' && isWork(leg));
  const totals = { distanceM: 0, durationS: 0, trackS: 0, isGuessed: false };
  legs.forEach((leg, i) => {
    const { distanceM, durationS, isGuessed } = amountsOf(leg);
    totals.distanceM += distanceM;
    totals.durationS += durationS;
    totals.isGuessed ||= isGuessed;
    if (isWork(leg) && i <= lastWork) totals.trackS += durationS;
    const work = leg.kind === 'recovery' ? 'recovery' : leg.role;
    const ofWork = byWork.get(work) ?? { distanceM: 0, durationS: 0 };
    byWork.set(work, { distanceM: ofWork.distanceM + distanceM, durationS: ofWork.durationS + durationS });
    if (leg.kind !== 'rep' || leg.drills || !isWork(leg)) return;
    const pace = leg.pace ?? '';
    const ofPace = byPace.get(pace) ?? { reps: 0, distanceM: 0, durationS: 0 };
    byPace.set(pace, {
      reps: ofPace.reps + 1,
      distanceM: ofPace.distanceM + distanceM,
      durationS: ofPace.durationS + durationS,
    });
  });
  return {
    ...totals,
    byWork: WORKS.flatMap((work) => {
      const amounts = byWork.get(work);
      return amounts ? [{ work, ...amounts }] : [];
    }),
    byPace: [...byPace].map(([pace, amounts]) => ({ pace, ...amounts })).sort((a, b) => b.distanceM - a.distanceM),
  };
}

/** A pace counts towards the limit of stamina in full from this long held on, and not at all when it can be held no longer than that. */
const COUNTS = { wholeFromS: 600, notToS: 240 };

/**
 * How much a speed in m/s counts towards the share of limit: 1 up to the speed held for 10 minutes, fading evenly in speed to 0 at
 * that held for 4: what is faster draws on the reserve instead.
 */
export function limitWeightOf(curve: Curve): (speedMps: number) => number {
  const [wholeMps, noneMps] = [speedFor(curve, COUNTS.wholeFromS), speedFor(curve, COUNTS.notToS)];
  return (speedMps) => Math.min(1, Math.max(0, (noneMps - speedMps) / (noneMps - wholeMps)));
}

/** What a second at a speed takes of the limit. The same few are asked for with every letter of a session that is typed. */
const cache = new WeakMap<Curve, { weight: (speedMps: number) => number; perS: Map<number, number> }>();

function limitPerS(curve: Curve, speedMps: number): number {
  const cached = cache.get(curve) ?? { weight: limitWeightOf(curve), perS: new Map<number, number>() };
  cache.set(curve, cached);
  const perS = cached.perS.get(speedMps) ?? cached.weight(speedMps) / heldFor(curve, speedMps);
  cached.perS.set(speedMps, perS);
  return perS;
}

/**
 * Share of what an athlete could do flat out: the sum, over the reps of main part and fast finish, of the time each takes
 * by the time its pace could be held for, counted by limitWeightOf(). Five 1000s at 5k pace are 1. It is a gauge of stamina: reps
 * without a time count nothing.
 */
export function shareOfLimit(curve: Curve, legs: readonly TargetLeg[]): number {
  return legs.reduce((share, leg) => {
    const distanceM = leg.distanceM ?? leg.expectedM;
    if (leg.kind !== 'rep' || !isWork(leg) || leg.targetS === undefined || distanceM === undefined) return share;
    return share + leg.targetS * limitPerS(curve, distanceM / leg.targetS);
  }, 0);
}
