/**
 * How spent an athlete should be after each rep, and how hard it should feel. Two gauges: the reserve (see reserve.ts) for work
 * above critical speed, and the share of what could be done flat out for work at or below it. The way they come together to an
 * effort on 1 to 10 is this project's own: its constants are fitted to what sessions should feel like (feel.test.ts), within a point
 * at both ends for runners of 16 to 24 minutes over 5k and a 4:30 miler.
 */
import { UNTIL_READY_S } from '../targets/totals';
import { legSpeed, reserveAfter } from '../targets/reserve';
import { isWork, type TargetLeg } from '../targets/targetsFor';
import type { Gauge } from './gauge';

/** A leg in the few numbers that a prediction needs. `effort` is what it is run by where it has no time. */
export type Stretch = {
  isRep: boolean;
  isWork: boolean;
  /** Of the fast finish; repeated until it is ended at the track. */
  isFinish?: true;
  isOpen?: true;
  path: readonly number[];
  turns: readonly number[];
  speedMps: number;
  durationS: number;
  effort?: number;
};

/**
 * After a rep of main part or fast finish: share of the reserve left, share of the limit used so far (see shareOfLimit), how spent (1 is
 * all), and effort on 1 to 10 where it can be told. A long block also has the effort at the end of its first third.
 */
export type Point = {
  leftShare: number;
  limitShare: number;
  spent: number;
  effort?: number;
  earlyEffort?: number;
  /** The effort is not predicted but what the session asks for. */
  isAsked?: true;
  isFinish?: true;
  isOpen?: true;
};

/** Legs as stretches. */
export function stretchesOf({ model }: Gauge, legs: readonly TargetLeg[]): Stretch[] {
  return legs.map((leg): Stretch => {
    const pace = leg.kind === 'rep' ? leg.paceMix?.from : undefined;
    const durationS = leg.targetS ?? leg.durationS ?? (leg.kind === 'recovery' && leg.untilReady ? UNTIL_READY_S : 0);
    const covered = leg.distanceM ?? leg.expectedM;
    return {
      isRep: leg.kind === 'rep',
      isWork: isWork(leg),
      ...(leg.role === 'finish' ? { isFinish: true as const } : {}),
      ...(leg.kind === 'rep' && leg.open ? { isOpen: true as const } : {}),
      path: leg.path,
      turns: leg.turns,
      speedMps: covered !== undefined && leg.targetS ? covered / leg.targetS : legSpeed(leg, model),
      durationS,
      ...(pace?.kind === 'effort' ? { effort: (pace.min + pace.max) / 2 } : {}),
    };
  });
}

/** How a pace feels at once, fresh, by how long it can be held: linear in ln(time) from 3.4 at an hour to 5.4 at a minute. */
const FRESH = { anHour: 3.4, perLn: 0.5, least: 1, most: 8 };
/** How much of each gauge feels like all of it. */
const FELT = { ofReserve: 0.84, ofLimit: 0.98 };
/** In a rest, the share used towards the limit decays by a factor e in this many seconds. */
const LIMIT_FADES_S = 600;
/** Without a break a slower rep is no rest: the feeling of the faster one decays by a factor e in this many seconds. */
const CARRIED_S = 600;
/** A rep of at least this length also has an effort for its first third. */
const LONG_BLOCK_S = 480;
/** The share of a flat-out run that counts as all of it when broken by rests. */
const OF_LIMIT = 0.75;

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

function freshEffort(heldS: number): number {
  return clamp(FRESH.anHour + FRESH.perLn * Math.log(3600 / heldS), FRESH.least, FRESH.most);
}

/** Effort from what the pace feels like fresh, the share of the reserve that is used and of the limit. */
function feltEffort(fresh: number, usedShare: number, ofLimit: number): number {
  const reserve = Math.max(0, FELT.ofReserve * usedShare);
  const limit = FELT.ofLimit * ofLimit;
  // Joined by their cubes: the larger of the two, and a little more where both are felt. The fourth root is (∛)^¾: the first of what is
  // spent is felt more than the last.
  const cubes = reserve * reserve * reserve + limit * limit * limit;
  return cubes >= 1 ? 10 : fresh + (10 - fresh) * Math.sqrt(Math.sqrt(cubes));
}

/** Predicts a session for one athlete: a point for each rep of main part and fast finish, in running order. */
export function predict({ model, heldS, staminaM, limitWeight }: Gauge, stretches: readonly Stretch[]): Point[] {
  const points: Point[] = [];
  const { reserveM } = model;
  let leftM = reserveM;
  let ofLimit = 0;
  let limitShare = 0;
  let carried = 0;
  let isBegun = false;
  // Consecutive reps mostly have one speed: look it up only when it changes.
  let lastMps: number | undefined;
  let [limitM, fresh, limitPerS] = [staminaM, 0, 0];
  for (const { isRep, isWork: works, isFinish, isOpen, speedMps, durationS, effort } of stretches) {
    // As in reserve(): the main part is begun with all of it.
    isBegun ||= works;
    if (!isBegun) continue;
    const leftBeforeM = leftM;
    leftM = reserveAfter(model, leftM, speedMps, durationS);
    if (!isRep || !works) {
      ofLimit *= Math.exp(-durationS / LIMIT_FADES_S);
      carried = 0;
      continue;
    }
    const leftShare = leftM / reserveM;
    if (effort !== undefined || durationS === 0) {
      points.push({
        leftShare,
        limitShare,
        spent: 1 - leftShare,
        ...(effort === undefined ? {} : { effort, isAsked: true as const }),
        ...(isFinish ? { isFinish } : {}),
        ...(isOpen ? { isOpen } : {}),
      });
      continue;
    }
    if (speedMps !== lastMps) {
      const limitS = heldS(speedMps);
      // Where a pace can be held for minutes only it is the reserve that gives out: its metres count as slower ones would.
      limitM = Math.max(speedMps * limitS, staminaM);
      limitPerS = limitWeight(speedMps) / limitS;
      fresh = freshEffort(limitS);
      lastMps = speedMps;
    }
    const limitBefore = ofLimit;
    ofLimit += (speedMps * durationS) / limitM;
    limitShare += durationS * limitPerS;
    carried = carried > fresh ? Math.max(fresh, carried * Math.exp(-durationS / CARRIED_S)) : fresh;
    // Field by field: a thousand draws of a session pass here.
    const point: Point = {
      leftShare,
      limitShare,
      spent: Math.max(1 - leftShare, OF_LIMIT * ofLimit),
      effort: feltEffort(carried, 1 - leftShare, ofLimit),
    };
    if (durationS >= LONG_BLOCK_S)
      point.earlyEffort = feltEffort(
        carried,
        1 - (leftBeforeM * 2 + leftM) / 3 / reserveM,
        limitBefore + (ofLimit - limitBefore) / 3,
      );
    if (isFinish) point.isFinish = true;
    if (isOpen) point.isOpen = true;
    points.push(point);
  }
  return points;
}
