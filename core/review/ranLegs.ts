/** A session as one athlete ran it, on the legs it was planned in. */
import { timeFor, type Curve } from '../fitness/curve';
import type { RecoveryLeg, RepLeg } from '../session/expand';
import type { Pace } from '../session/session';
import { isTimedRep, isWork, type TargetLeg } from '../targets/targetsFor';

/** One rep as it was run; `repIndex` counts the reps of main part and fast finish in the legs, in running order. */
export type RepRan = {
  repIndex: number;
  timeS?: number;
  /** Metres covered, of a rep by the clock. */
  distanceM?: number;
  /** The rest after it, until the next start. */
  restS?: number;
  effort?: number;
  /** They stopped: in this rep if it has no time, after it if it has one. */
  stopped?: boolean;
  /** They stopped because nothing was left; an effort of 9 or more there means the same. */
  spent?: boolean;
  /** As fast as they could; also said by the pace `max`. `race`: of a race that was part of the session. */
  flatOut?: 'trial' | 'race';
};

/** A rep that was run, with the leg it was planned as. */
export type RanLeg = { leg: TargetLeg & RepLeg; ran: RepRan; timeS: number; distanceM?: number };

/** Of what nobody knows how fast it was. */
export const BY_EFFORT: Pace = { kind: 'effort', min: 5, max: 5 };

/** Where somebody stopped on the way they had run about half of it. */
const PART_RUN = 0.5;

export const isFlatOut = ({ leg, ran }: RanLeg): boolean => ran.flatOut !== undefined || leg.pace === 'max';

/** Seconds and metres of a rep that was run; undefined where neither its time nor its target is known. */
function amountRan(leg: TargetLeg & RepLeg, ran: RepRan): Pick<RanLeg, 'timeS' | 'distanceM'> | undefined {
  const distanceM = leg.distanceM ?? ran.distanceM ?? leg.expectedM;
  const timeS = ran.timeS ?? leg.targetS ?? leg.durationS;
  if (timeS === undefined || timeS <= 0) return undefined;
  // Without a time of their own they ran it as it was meant.
  const part = ran.stopped && ran.timeS === undefined ? PART_RUN : 1;
  return { timeS: timeS * part, ...(distanceM === undefined ? {} : { distanceM: distanceM * part }) };
}

/** The reps that were run, in order, each with its leg. */
export function repsRan(legs: readonly TargetLeg[], runs: readonly RepRan[]): RanLeg[] {
  const work = legs.filter(isTimedRep);
  return [...runs]
    .sort((a, b) => a.repIndex - b.repIndex)
    .flatMap((ran) => {
      const leg = work[ran.repIndex];
      const amount = leg && amountRan(leg, ran);
      return leg && amount ? [{ leg, ran, ...amount }] : [];
    });
}

/** The rests after each timed rep, as planned. */
function restsAfter(legs: readonly TargetLeg[]): Map<TargetLeg, (TargetLeg & RecoveryLeg)[]> {
  const rests = new Map<TargetLeg, (TargetLeg & RecoveryLeg)[]>();
  let last: TargetLeg | undefined;
  for (const leg of legs) {
    if (leg.kind === 'rep') last = isTimedRep(leg) ? leg : last;
    else if (isWork(leg) && last) rests.set(last, [...(rests.get(last) ?? []), leg]);
  }
  return rests;
}

/** A rest as it was taken: all of it in the first leg, at the speed that its metres come to. */
function restLegs(planned: readonly (TargetLeg & RecoveryLeg)[], restS: number | undefined): TargetLeg[] {
  const [first] = planned;
  if (restS === undefined || !first) return [...planned];
  return [{ ...first, targetS: restS, ...(first.distanceM === undefined ? { durationS: restS } : {}) }];
}

/**
 * Lays out what was run: its times and rests in place of those planned; reps that were not run are left out.
 * @param timeOf seconds of a rep, where another time than its own is asked about.
 */
export function legsRan(
  legs: readonly TargetLeg[],
  reps: readonly RanLeg[],
  timeOf: (rep: RanLeg) => number = ({ timeS }) => timeS,
): TargetLeg[] {
  const rests = restsAfter(legs);
  return reps.flatMap((rep): TargetLeg[] => {
    const { leg, ran, distanceM } = rep;
    const timeS = timeOf(rep);
    const isByClock = leg.distanceM === undefined;
    return [
      {
        ...leg,
        targetS: timeS,
        ...(isByClock ? { durationS: timeS } : {}),
        ...(distanceM === undefined ? {} : isByClock ? { expectedM: distanceM } : { distanceM }),
        // Uphill, or of unknown length, nobody knows what it cost.
        ...(distanceM === undefined || leg.hill ? { paceMix: { from: BY_EFFORT, to: BY_EFFORT, share: 0 } } : {}),
      },
      ...restLegs(rests.get(leg) ?? [], ran.restS),
    ];
  });
}

/** The same with every flat-out rep at the time that the curve gives it. */
export const legsAsExpected = (curve: Curve, legs: readonly TargetLeg[], reps: readonly RanLeg[]): TargetLeg[] =>
  legsRan(legs, reps, (rep) =>
    isFlatOut(rep) && rep.distanceM !== undefined ? timeFor(curve, rep.distanceM) : rep.timeS,
  );
