import { samePath } from '../session/edit';
import type { RecoveryLeg } from '../session/expand';
import { formatRecovery } from '../session/formatSession';
import { INTENT_FACTS, type Intent } from '../session/intent';
import type { Session } from '../session/session';
import { suggestIntent } from '../advice/suggestIntent';
import type { Telling } from '../outlook/calibration';
import type { PaceSource } from '../paces/paceSpeed';
import { curveBook } from '../paces/shippedBooks';
import { reserveModel } from '../targets/reserve';
import { isTimedRep, targetsFor, type TargetLeg } from '../targets/targetsFor';
import { crossedMarks, type Venue } from '../venue/venue';
import type { AboutPlan, Plan, PlannedAthlete, PlannedGroup, PlannedRep, PlannedTarget } from '../run/plan';

/** An athlete as the plan needs them: name, short name for the tile, and what their paces are worked out from. */
export type AthleteForPlan = {
  athleteId: string;
  name: string;
  tileName: string;
  chip?: string;
  telling?: Telling;
  paces: PaceSource;
};

/** Times are called at the 200s of the lap. */
const CALL_EVERY_M = 200;

/** A mark closer to the start than this is not called: the mile crosses the finish line after 9 m. */
const FIRST_CALL_M = 100;

function calledMarks(venue: Venue, startM: number, distanceM: number): number[] {
  const crossed = crossedMarks(venue, startM, distanceM, CALL_EVERY_M);
  return crossed.filter((atM) => atM >= FIRST_CALL_M || atM === distanceM);
}

/**
 * Without a recovery between them reps run on. Not the same distance again and again (`6x400`): a rest was forgotten there, and each is
 * started by hand.
 */
function runsOn(leg: TargetLeg, next: TargetLeg | undefined): boolean {
  if (!next || !isTimedRep(next) || (leg.kind === 'rep' && leg.open)) return false;
  return leg.distanceM === undefined || leg.distanceM !== next.distanceM || !samePath(leg.path, next.path);
}

function plannedRep(legs: readonly TargetLeg[], index: number, venue: Venue): PlannedRep | undefined {
  const leg = legs[index];
  if (!leg || !isTimedRep(leg)) return undefined;
  const { distanceM, durationS, pace, note, startM = 0 } = leg;
  const next = legs[index + 1];
  const notes = [...(leg.hill ? ['uphill'] : []), ...(note === undefined ? [] : [note])];
  return {
    role: leg.role === 'finish' ? 'finish' : 'main',
    callM: distanceM === undefined ? [] : calledMarks(venue, startM, distanceM),
    ...(distanceM === undefined ? {} : { distanceM, startM }),
    ...(durationS === undefined ? {} : { durationS, everyM: venue.lapM }),
    ...(pace === undefined ? {} : { pace }),
    ...(notes.length === 0 ? {} : { note: notes.join(', ') }),
    ...(next?.kind === 'recovery' ? { recovery: formatRecoveryLeg(next) } : {}),
    ...(runsOn(leg, next) ? { runsOn: true as const } : {}),
    ...(leg.open ? { open: true as const } : {}),
    ...(leg.free ? { free: true as const } : {}),
    ...(leg.hill ? { hill: true as const } : {}),
  };
}

/** A recovery as it is laid out, in shorthand: `90s walk`. */
export function formatRecoveryLeg(leg: RecoveryLeg): string {
  const manner = leg.manner ? { manner: leg.manner } : {};
  if (leg.untilReady) {
    const pulse = leg.pulse ? `, pulse ${leg.pulse.from}–${leg.pulse.to}` : '';
    return `${formatRecovery({ amount: { kind: 'ready' }, ...manner })}${pulse}`;
  }
  if (leg.distanceM !== undefined)
    return formatRecovery({ amount: { kind: 'distance', distanceM: leg.distanceM }, ...manner });
  if (leg.shareOfRep !== undefined)
    return formatRecovery({ amount: { kind: 'share', percent: Math.round(leg.shareOfRep * 100) }, ...manner });
  const durationS = leg.durationS ?? 0;
  return formatRecovery({ amount: { kind: 'time', minS: leg.minDurationS ?? durationS, maxS: durationS }, ...manner });
}

/** What one athlete runs of a rep, and rests after it. */
function plannedTarget(leg: TargetLeg | undefined, next: TargetLeg | undefined): PlannedTarget {
  if (!leg) return { isLeftOut: true };
  const rest = next?.kind === 'recovery' ? next : undefined;
  const recoveryS = rest?.minDurationS ?? rest?.targetS;
  return {
    ...(leg.targetS === undefined ? {} : { targetS: leg.targetS }),
    ...(leg.tolerance === undefined ? {} : { tolerance: leg.tolerance }),
    ...(leg.expectedM === undefined ? {} : { expectedM: leg.expectedM }),
    ...(recoveryS === undefined ? {} : { recoveryS }),
    ...(rest?.minDurationS === undefined || rest.durationS === undefined ? {} : { mostRecoveryS: rest.durationS }),
  };
}

/** An athlete with their own legs; `own` says which of them stands for each of the group's, if any does. */
export type AthleteWithLegs = Omit<AthleteForPlan, 'paces'> & {
  paces?: PaceSource;
  legs: readonly TargetLeg[];
  own?: readonly (number | undefined)[];
};

/** Lays out what a group runs together. @param shared the group's legs: the most that any of them runs. */
export function planGroup(
  about: Omit<PlannedGroup, 'reps' | 'athletes'>,
  shared: readonly TargetLeg[],
  athletes: readonly AthleteWithLegs[],
  venue: Venue,
): PlannedGroup {
  const timed = shared.flatMap((leg, index) => (isTimedRep(leg) ? [index] : []));
  return {
    ...about,
    reps: timed.flatMap((index) => plannedRep(shared, index, venue) ?? []),
    athletes: athletes.map(({ athleteId, name, tileName, chip, telling, legs, own, paces }): PlannedAthlete => {
      const targets = timed.map((index) => {
        const at = own ? own[index] : index;
        return at === undefined ? { isLeftOut: true as const } : plannedTarget(legs[at], legs[at + 1]);
      });
      return {
        athleteId,
        name,
        tileName,
        targets,
        ...(chip === undefined ? {} : { chip }),
        ...(telling ? { telling } : {}),
        ...(paces?.curve ? { reserve: reserveModel(paces.curve) } : {}),
      };
    }),
  };
}

/** The id of the group when there is but one. */
const EVERYONE = { id: 'all', name: 'Everyone' };

/**
 * Lays a session out for the track, the same for everyone: the reps to be timed (main part and fast finish), and each athlete's
 * targets for them. Athletes without paces get no target times; they are timed all the same.
 * @param intent what the session is meant to do: it says how near to its times it is run.
 */
export function makePlan(
  about: AboutPlan,
  session: Session,
  athletes: readonly AthleteForPlan[],
  venue: Venue,
  intent: Intent = suggestIntent(session),
): Plan {
  const { toleranceTimes, arc } = INTENT_FACTS[intent];
  const withLegs = athletes.map((athlete) => ({
    ...athlete,
    legs: targetsFor(session, { ...athlete.paces, venue, toleranceTimes }),
  }));
  const shared = withLegs[0]?.legs ?? targetsFor(session, { paceBook: curveBook, venue });
  return { ...about, intent, arc, lapM: venue.lapM, groups: [planGroup(EVERYONE, shared, withLegs, venue)] };
}
