import { speedFor, type Curve } from '../fitness/curve';
import type { RecoveryLeg } from '../session/expand';
import type { Pace } from '../session/session';
import { entryOf, speedOfEntry, speedWithOffset, USUAL_TOLERANCE, type PaceBook } from './paceBook';

/** Whose paces: the athlete's current curve (none without a mark), the goal curve if there is one, and the pace book. */
export type PaceSource = { curve?: Curve | undefined; goalCurve?: Curve | undefined; paceBook: PaceBook };

/**
 * Speed in m/s of a pace as written in a session, for one athlete; undefined when it is run by effort, or without a curve.
 * A goal pace without a goal curve falls back on the curve of today.
 */
export function paceSpeed(pace: Pace, source: PaceSource): number | undefined {
  switch (pace.kind) {
    case 'named': {
      const curve = pace.goal ? (source.goalCurve ?? source.curve) : source.curve;
      const speedMps = curve && speedOfEntry(source.paceBook, pace.name, curve);
      if (speedMps === undefined || !pace.offset) return speedMps;
      return speedWithOffset(speedMps, pace.offset.offsetS, pace.offset.perM);
    }
    case 'share': {
      const speedMps = source.curve && speedOfEntry(source.paceBook, pace.name, source.curve);
      return speedMps === undefined ? undefined : (speedMps * pace.percent) / 100;
    }
    case 'absolute':
      return pace.perM / pace.timeS;
    case 'effort':
      return undefined;
  }
}

/** How near to its target a time at this pace is on target, as a share of it. */
export function paceTolerance(pace: Pace, { paceBook }: PaceSource): number {
  if (pace.kind !== 'named' && pace.kind !== 'share') return USUAL_TOLERANCE;
  return entryOf(paceBook, pace.name)?.tolerance ?? USUAL_TOLERANCE;
}

/** Usual speeds, for walking and for an athlete without a curve. */
const WALK_MPS = 1.5;
const JOG_MPS = 2.3;
/** Shares of the speed held for 8 minutes; common coaching practice. */
const SHARE_OF_8_MIN = { jog: 0.5, float: 0.8 };

/** Speed in m/s at which a recovery of a given distance is covered: its own pace if written, else by how it is spent. */
export function recoverySpeed(leg: RecoveryLeg, source: PaceSource): number {
  const written = leg.recoveryPace && paceSpeed(leg.recoveryPace, source);
  if (written !== undefined) return written;
  if (leg.manner === 'walk' || leg.manner === 'stand') return WALK_MPS;
  if (!source.curve) return JOG_MPS;
  return speedOf8Min(source.curve) * SHARE_OF_8_MIN[leg.manner === 'float' ? 'float' : 'jog'];
}

const cache = new WeakMap<Curve, number>();

/** Every jog of a session asks for this root: cached for each curve. */
function speedOf8Min(curve: Curve): number {
  const speedMps = cache.get(curve) ?? speedFor(curve, 480);
  cache.set(curve, speedMps);
  return speedMps;
}
