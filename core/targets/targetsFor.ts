import { USUAL_TOLERANCE } from '../paces/paceBook';
import { paceSpeed, paceTolerance, recoverySpeed, type PaceSource } from '../paces/paceSpeed';
import { expand, type ExpandOptions, type Leg, type RecoveryLeg, type RepLeg } from '../session/expand';
import type { SessionTree } from '../session/session';
import { crossedMarks, firstStartM, onLap, walkToStart, type Venue, type Walk } from '../venue/venue';

/** Time at a called mark: `atM` metres into the rep, `timeS` seconds after its start. */
export type Pass = { atM: number; timeS: number };

/** A leg with what one athlete is to run. */
export type TargetLeg = Leg & {
  /** Seconds for the rep, absent when it is run by effort; for a recovery, the seconds it lasts or should take. */
  targetS?: number;
  /** How near to it is on target, as a share of it; the usual 1 % if left out. */
  tolerance?: number;
  /** Anywhere within the tolerance is as good. */
  isBand?: true;
  passes?: Pass[];
  /** For a rep by the clock: the metres it should cover. */
  expectedM?: number;
  /** Positions on the lap, in metres past the finish line. */
  startM?: number;
  finishM?: number;
  /** For a rest by the clock that ends away from a start: how far to walk to the next one. */
  walk?: Walk;
};

/** Where main part and fast finish take their speeds from: as the session says, all of them now's or the goal's, or moving from now's on the first rep to the goal's on the last. */
export const AIMS = ['written', 'now', 'moving', 'goal'] as const;
export type Aim = (typeof AIMS)[number];

/** What targets are worked out from: one athlete's paces, and where the session is run. */
export type TargetSource = PaceSource & {
  venue: Venue;
  /** Targets to the nearest 0.1, 0.5 or 1 s; exact if left out. */
  rounding?: number;
  /** How strictly the session is meant: every tolerance of the pace book is taken so many times. 1 if left out. */
  toleranceTimes?: number;
  /** As the session says if left out. */
  aim?: Aim;
  /** The coach's own word on a leg: the speed in m/s to take instead of the one worked out (undefined where it is run by effort). */
  adjust?: ((leg: RepLeg, speedMps: number | undefined, legIndex: number) => number | undefined) | undefined;
};

/** The middle of a band in time, and how far it reaches to either side as a share of that. */
function bandOf(leg: RepLeg, source: PaceSource): { speedMps: number; tolerance: number } | undefined {
  const { paceMix, band } = leg;
  const oneMps = paceMix && paceSpeed(paceMix.from, source);
  const otherMps = band && paceSpeed(band, source);
  if (oneMps === undefined || otherMps === undefined) return undefined;
  const [slowS, quickS] = [1 / Math.min(oneMps, otherMps), 1 / Math.max(oneMps, otherMps)];
  const middleS = (slowS + quickS) / 2;
  return { speedMps: 1 / middleS, tolerance: (slowS - quickS) / 2 / middleS };
}

/**
 * Speed in m/s of a rep; a pace that moves from one to another does so evenly in speed, of a band it is the middle. Undefined when run by
 * effort.
 */
function writtenSpeed(leg: RepLeg, source: PaceSource): number | undefined {
  if (!leg.paceMix) return undefined;
  // A pace of the flat says nothing uphill: only a time on this very hill does.
  if (leg.hill && leg.paceMix.from.kind !== 'absolute') return undefined;
  if (leg.band) return bandOf(leg, source)?.speedMps;
  const { from, to, share } = leg.paceMix;
  const fromMps = paceSpeed(from, source);
  const toMps = paceSpeed(to, source);
  return fromMps === undefined || toMps === undefined ? undefined : fromMps + share * (toMps - fromMps);
}

/** Speed of a rep by what is aimed at; `way` goes from 0 on the first rep of main part and fast finish to 1 on the last. */
function repSpeed(leg: RepLeg, source: TargetSource, way: number): number | undefined {
  const { aim = 'written', curve, goalCurve = curve } = source;
  if (aim === 'written' || !isWork(leg)) return writtenSpeed(leg, source);
  const nowMps = writtenSpeed(leg, { ...source, goalCurve: curve });
  const goalMps = writtenSpeed(leg, { ...source, curve: goalCurve, goalCurve });
  if (nowMps === undefined || goalMps === undefined) return undefined;
  const share = aim === 'now' ? 0 : aim === 'goal' ? 1 : way;
  return nowMps + share * (goalMps - nowMps);
}

function rounded(timeS: number, rounding: number | undefined): number {
  return rounding ? Math.round(timeS / rounding + 1e-9) * rounding : timeS;
}

/** The two ends of a leg on the lap, as far as they are known. */
function ends(
  venue: Venue,
  from: number | undefined,
  lengthM: number | undefined,
): Pick<TargetLeg, 'startM' | 'finishM'> {
  if (from === undefined) return {};
  const startM = onLap(venue, from);
  return lengthM === undefined ? { startM } : { startM, finishM: onLap(venue, from + lengthM) };
}

/** Inside a band is on target, however strictly the session is meant. */
function toleranceOf(leg: RepLeg, source: TargetSource): Pick<TargetLeg, 'tolerance' | 'isBand'> {
  const band = leg.band && bandOf(leg, source);
  if (band) return { tolerance: band.tolerance, isBand: true };
  const { paceMix } = leg;
  const ofPace = paceMix ? paceTolerance(paceMix.from, source) : USUAL_TOLERANCE;
  const tolerance = ofPace * (source.toleranceTimes ?? 1);
  return tolerance === USUAL_TOLERANCE ? {} : { tolerance };
}

function repTarget(
  leg: RepLeg,
  source: TargetSource,
  from: number | undefined,
  speedMps: number | undefined,
): TargetLeg {
  const { venue } = source;
  const { distanceM, durationS } = leg;
  if (distanceM === undefined) {
    const expectedM = speedMps === undefined || durationS === undefined ? undefined : speedMps * durationS;
    return {
      ...leg,
      ...(durationS === undefined ? {} : { targetS: durationS }),
      ...(expectedM === undefined ? {} : { expectedM }),
      ...ends(venue, from, expectedM),
    };
  }
  const target: TargetLeg = { ...leg, ...ends(venue, from, distanceM) };
  if (speedMps === undefined) return target;
  const targetS = rounded(distanceM / speedMps, source.rounding);
  const passes = crossedMarks(venue, target.startM ?? 0, distanceM).map((atM) => ({
    atM,
    timeS: (targetS * atM) / distanceM,
  }));
  return { ...target, targetS, passes, ...toleranceOf(leg, source) };
}

/** A share of the rep's time becomes seconds, to 5 s as a coach would call it; a jogged distance gets the time it should take. */
function recoveryTarget(leg: RecoveryLeg, repS: number | undefined, source: PaceSource): TargetLeg {
  if (leg.shareOfRep !== undefined && repS !== undefined) {
    const durationS = Math.max(5, Math.round((repS * leg.shareOfRep) / 5) * 5);
    return { ...leg, durationS, targetS: durationS };
  }
  if (leg.distanceM !== undefined) return { ...leg, targetS: leg.distanceM / recoverySpeed(leg, source) };
  return leg.durationS === undefined ? leg : { ...leg, targetS: leg.durationS };
}

/**
 * One athlete's targets for every leg: the time to run, the time at each mark of the venue, and where on the lap the leg
 * starts and finishes.
 *
 * Positions: warm-up, main part and cool-down each begin at the finish line (a mile at its own start); after that a rep
 * starts where the one before finished, moved on by a recovery that is given as a distance. A recovery by the clock is
 * spent coming back there, or walking on to the nearest mark where that is none (a mile: to its own start).
 */
export function targetsFor(session: SessionTree, athlete: TargetSource, choice: ExpandOptions = {}): TargetLeg[] {
  return targetsForLegs(expand(session, choice), athlete);
}

/** The same for a session that is laid out already: for everyone who runs it, it needs to be but once. */
export function targetsForLegs(legs: readonly Leg[], athlete: TargetSource): TargetLeg[] {
  const { venue } = athlete;
  const isMoving = athlete.aim === 'moving';
  const lastWork = isMoving ? legs.filter((leg) => leg.kind === 'rep' && isWork(leg)).length - 1 : 0;
  let worked = 0;
  // Metres run since the part began, counted from the finish line; not known after a rep whose length is not.
  let place: number | undefined = 0;
  let part = '';
  let lastRepS: number | undefined;
  return legs.map((leg, i): TargetLeg => {
    if (leg.kind === 'recovery') {
      const target = { ...recoveryTarget(leg, lastRepS, athlete), ...ends(venue, place, leg.distanceM ?? 0) };
      if (place === undefined) return target;
      place += leg.distanceM ?? 0;
      const next = legs[i + 1];
      const isWalked = leg.distanceM === undefined && next && partOf(next) === part && !isDrills(next);
      const walk = isWalked ? walkToStart(venue, place, next.distanceM) : undefined;
      if (!walk) return target;
      place += walk.byM;
      return { ...target, walk };
    }
    if (partOf(leg) !== part) place = firstStartM(venue, leg.distanceM);
    part = partOf(leg);
    const workedOutMps = repSpeed(leg, athlete, lastWork > 0 ? worked / lastWork : 0);
    const speedMps = athlete.adjust ? athlete.adjust(leg, workedOutMps, i) : workedOutMps;
    const target = repTarget(leg, athlete, place, speedMps);
    if (isWork(leg)) worked++;
    const lengthM = leg.drills ? 0 : (leg.distanceM ?? target.expectedM);
    place = place === undefined || lengthM === undefined ? undefined : place + lengthM;
    lastRepS = target.targetS;
    return target;
  });
}

/** The fast finish belongs to the main part: it starts where the main part ended. */
const partOf = ({ role }: Leg) => (role === 'finish' ? 'main' : role);

/** Main part and fast finish: what the session is run for. */
export const isWork = ({ role }: Pick<Leg, 'role'>) => role === 'main' || role === 'finish';

/** A rep that is timed at the track: of main part or fast finish, and no drills. */
export const isTimedRep = <L extends Leg>(leg: L): leg is L & RepLeg =>
  leg.kind === 'rep' && isWork(leg) && !leg.drills;

const isDrills = (leg: Leg) => leg.kind === 'rep' && leg.drills === true;
