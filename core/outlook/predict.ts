/**
 * How spent an athlete should be after each rep, and how hard it should feel. Two gauges: the reserve (see reserve.ts) for work
 * above critical speed, and the share of what could be done flat out for work at or below it. The way they come together to
 * an effort on 1 to 10 is this project's own, set so that usual sessions come out as coaches say they feel.
 */
import { legSpeed, reserveAfter } from '../targets/reserve';
import { isWork, type TargetLeg } from '../targets/targetsFor';
import type { Gauge } from './gauge';

/** A leg in the few numbers that a prediction needs. `effort` is what it is run by where it has no time. */
export type Stretch = {
  isRep: boolean;
  isWork: boolean;
  path: readonly number[];
  turns: readonly number[];
  speedMps: number;
  durationS: number;
  effort?: number;
};

/**
 * After a rep of main part or fast finish: share of the reserve left, how spent (1 is all), and effort on 1 to 10 where it can be
 * told; `isAsked` where that is not predicted but what the session asks for.
 */
export type Point = { leftShare: number; spent: number; effort?: number; isAsked?: true };

/** Legs as stretches. */
export function stretchesOf({ model }: Gauge, legs: readonly TargetLeg[]): Stretch[] {
  return legs.map((leg): Stretch => {
    const pace = leg.kind === 'rep' ? leg.paceMix?.from : undefined;
    const durationS = leg.targetS ?? leg.durationS ?? 0;
    const covered = leg.distanceM ?? leg.expectedM;
    return {
      isRep: leg.kind === 'rep',
      isWork: isWork(leg),
      path: leg.path,
      turns: leg.turns,
      speedMps: covered !== undefined && leg.targetS ? covered / leg.targetS : legSpeed(leg, model),
      durationS,
      ...(pace?.kind === 'effort' ? { effort: (pace.min + pace.max) / 2 } : {}),
    };
  });
}

/** What a pace feels like at once, fresh: 4 at what can be held for an hour, up to 7 for a minute; straight in ln(time held). */
const FRESH = { anHour: 4, perLn: 3 / Math.log(60), least: 1, most: 8 };
/** Of what could be done flat out, as much as this feels like all of it when it is broken by rests. */
const OF_LIMIT = 0.75;
/** In a rest the share of the limit falls by a factor e in so many seconds. */
const LIMIT_FADES_S = 1200;

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

function freshEffort(heldS: number): number {
  return clamp(FRESH.anHour + FRESH.perLn * Math.log(3600 / heldS), FRESH.least, FRESH.most);
}

/** Predicts a session for one athlete: a point for each rep of main part and fast finish, in running order. */
export function predict({ model, heldS, staminaM }: Gauge, stretches: readonly Stretch[]): Point[] {
  const points: Point[] = [];
  const { reserveM } = model;
  let leftM = reserveM;
  let ofLimit = 0;
  let isBegun = false;
  // Reps on end are mostly run at one speed: what it means is looked up when it changes.
  let lastMps: number | undefined;
  let [limitM, fresh] = [staminaM, 0];
  for (const { isRep, isWork: works, speedMps, durationS, effort } of stretches) {
    // As in reserve(): the main part is begun with all of it.
    isBegun ||= works;
    if (!isBegun) continue;
    leftM = reserveAfter(model, leftM, speedMps, durationS);
    if (!isRep || !works) {
      ofLimit *= Math.exp(-durationS / LIMIT_FADES_S);
      continue;
    }
    const leftShare = leftM / reserveM;
    if (effort !== undefined || durationS === 0) {
      points.push({
        leftShare,
        spent: 1 - leftShare,
        ...(effort === undefined ? {} : { effort, isAsked: true as const }),
      });
      continue;
    }
    if (speedMps !== lastMps) {
      const held = heldS(speedMps);
      // Where a pace can be held for minutes only it is the reserve that gives out: its metres count as slower ones would.
      limitM = Math.max(speedMps * held, staminaM);
      fresh = freshEffort(held);
      lastMps = speedMps;
    }
    ofLimit += (speedMps * durationS) / limitM;
    const spent = Math.max(1 - leftShare, OF_LIMIT * ofLimit);
    points.push({ leftShare, spent, effort: fresh + (10 - fresh) * clamp(spent, 0, 1) });
  }
  return points;
}
