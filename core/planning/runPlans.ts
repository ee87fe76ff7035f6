/** The day's groups as taken to the track, and the tables of targets. */
import { isTimedRep } from '../targets/targetsFor';
import type { Venue } from '../venue/venue';
import { planGroup } from './plannedGroup';
import type { PlanHeader, Plan, PlannedGroup } from '../run/plan';
import { legsBySlot, type GroupRun } from './groupTargets';
import type { AthletePlan } from './athletePlans';

/** Athletes with the same reps in the same order; their targets and recoveries may differ. */
export type TargetTable = { key: string; plans: AthletePlan[] };

function repsKey({ legs }: AthletePlan): string {
  const reps = legs.flatMap((leg) => {
    if (!isTimedRep(leg)) return [];
    return [[leg.role, leg.distanceM, leg.durationS, leg.pace, leg.note].join('|')];
  });
  return reps.join(';');
}

/** Tables of targets, the one with the most athletes first. */
export function targetTables(plans: readonly AthletePlan[]): TargetTable[] {
  const tables = new Map<string, TargetTable>();
  for (const plan of plans) {
    const key = repsKey(plan);
    const board = tables.get(key) ?? { key, plans: [] };
    tables.set(key, board);
    board.plans.push(plan);
  }
  return [...tables.values()].sort((a, b) => b.plans.length - a.plans.length);
}

/** The athletes of one table as a group. */
export const groupOfTable = ({ key, plans }: TargetTable, venue: Venue): PlannedGroup =>
  planGroup({ id: key, name: '' }, plans[0]?.legs ?? [], plans, venue);

/**
 * A day's plan for the track: each group with the most any member runs, and each athlete's own reps of it. Groups without athletes are
 * left out.
 */
export function planOfDay(header: PlanHeader, runs: readonly GroupRun[], venue: Venue): Plan {
  const groups = runs.flatMap(({ group, members, legs, leaderId }): PlannedGroup[] => {
    if (members.length === 0) return [];
    const slots = members.map(({ legs: ownLegs }) => legsBySlot(ownLegs));
    const shared = legsBySlot(legs.map(({ leg }) => leg));
    const withIndexes = members.map((plan, i) => ({
      ...plan,
      legIndexes: [...shared.keys()].map((slot) => slots[i]?.get(slot)),
    }));
    const { id, name, lane, startGapS, libraryId } = group;
    return [
      planGroup(
        {
          id,
          name,
          ...(lane === undefined ? {} : { lane }),
          ...(startGapS === undefined ? {} : { startGapS }),
          ...(leaderId === undefined ? {} : { leaderId }),
          ...(libraryId === undefined ? {} : { libraryId }),
        },
        legs.map(({ leg }) => leg),
        withIndexes,
        venue,
      ),
    ];
  });
  return { ...header, lapM: venue.lapM, groups };
}
