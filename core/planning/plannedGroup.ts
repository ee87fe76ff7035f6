/** What a group runs together at the track: the reps to be timed, where times are called, and each member's targets. */
import { samePath } from '../session/edit';
import { formatRecoveryLeg } from '../session/formatLeg';
import { reserveModel } from '../targets/reserve';
import { isTimedRep, type TargetLeg } from '../targets/targetsFor';
import { crossedMarks, type Venue } from '../venue/venue';
import type { PlannedAthlete, PlannedGroup, PlannedRep, PlannedTarget } from '../run/plan';
import type { AthletePlan } from './athletePlans';

/** Times are called every 200 m of the lap. */
const CALL_EVERY_M = 200;

/** A mark closer to the start than this is not called: the mile crosses the finish line after 9 m. */
const FIRST_CALL_M = 100;

function calledMarks(venue: Venue, startM: number, distanceM: number): number[] {
  const crossed = crossedMarks(venue, startM, distanceM, CALL_EVERY_M);
  return crossed.filter((atM) => atM >= FIRST_CALL_M || atM === distanceM);
}

/**
 * Reps without a recovery between them run on. Not the same distance repeated (`6x400`): there a rest was forgotten, and each is started
 * by hand.
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

/** What one athlete runs of a rep, and rests after it. */
function plannedTarget(leg: TargetLeg | undefined, next: TargetLeg | undefined): PlannedTarget {
  if (!leg) return { isLeftOut: true };
  const rest = next?.kind === 'recovery' ? next : undefined;
  const recoveryS = rest?.minDurationS ?? rest?.targetS;
  return {
    ...(leg.targetS === undefined ? {} : { targetS: leg.targetS }),
    ...(leg.tolerance === undefined ? {} : { tolerance: leg.tolerance }),
    ...(leg.isBand ? { isBand: true as const } : {}),
    ...(leg.expectedM === undefined ? {} : { expectedM: leg.expectedM }),
    ...(recoveryS === undefined ? {} : { recoveryS }),
    ...(rest?.minDurationS === undefined || rest.durationS === undefined ? {} : { mostRecoveryS: rest.durationS }),
  };
}

/** A member of a group. `legIndexes` has, for each of the group's legs, which of the member's own stands for it; the same one if left out. */
export type GroupMember = Pick<AthletePlan, 'runner' | 'legs'> & { legIndexes?: readonly (number | undefined)[] };

/** Lays out what a group runs together. @param shared the group's legs: the most that any of them runs. */
export function planGroup(
  group: Omit<PlannedGroup, 'reps' | 'athletes'>,
  shared: readonly TargetLeg[],
  members: readonly GroupMember[],
  venue: Venue,
): PlannedGroup {
  const timed = shared.flatMap((leg, index) => (isTimedRep(leg) ? [index] : []));
  return {
    ...group,
    reps: timed.flatMap((index) => plannedRep(shared, index, venue) ?? []),
    athletes: members.map(({ runner, legs, legIndexes }): PlannedAthlete => {
      const { id, name, tileName, chip, telling, paces } = runner;
      const targets = timed.map((index) => {
        const at = legIndexes ? legIndexes[index] : index;
        return at === undefined ? { isLeftOut: true as const } : plannedTarget(legs[at], legs[at + 1]);
      });
      return {
        athleteId: id,
        name,
        tileName,
        targets,
        ...(chip === undefined ? {} : { chip }),
        ...(telling ? { telling } : {}),
        ...(paces.curve ? { reserve: reserveModel(paces.curve) } : {}),
      };
    }),
  };
}
