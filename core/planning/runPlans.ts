/** The day's groups as they are taken to the track, and who can be shown in one table of targets. */
import { isTimedRep } from '../targets/targetsFor';
import type { Venue } from '../venue/venue';
import { planGroup } from './makePlan';
import type { AboutPlan, Plan, PlannedGroup } from '../run/plan';
import { legsBySlot, type GroupRun } from './groupTargets';
import type { OwnPlan } from './ownPlans';

/** Athletes with the same reps in the same order; their targets and recoveries may differ. */
export type Board = { key: string; plans: OwnPlan[] };

function repsKey({ legs }: OwnPlan): string {
  const reps = legs.flatMap((leg) => {
    if (!isTimedRep(leg)) return [];
    return [[leg.role, leg.distanceM, leg.durationS, leg.pace, leg.note].join('|')];
  });
  return reps.join(';');
}

/** Everyone, sorted to boards: the one with the most athletes first. */
export function boardsOf(plans: readonly OwnPlan[]): Board[] {
  const boards = new Map<string, Board>();
  for (const plan of plans) {
    const key = repsKey(plan);
    const board = boards.get(key) ?? { key, plans: [] };
    boards.set(key, board);
    board.plans.push(plan);
  }
  return [...boards.values()].sort((a, b) => b.plans.length - a.plans.length);
}

const asAthlete = ({ runner: { id, name, tileName, chip, telling, paces }, legs }: OwnPlan) => ({
  athleteId: id,
  name,
  tileName,
  ...(chip === undefined ? {} : { chip }),
  ...(telling ? { telling } : {}),
  legs,
  paces,
});

/** Those of one board, laid out together. */
export const groupOfBoard = ({ key, plans }: Board, venue: Venue): PlannedGroup =>
  planGroup({ id: key, name: '' }, plans[0]?.legs ?? [], plans.map(asAthlete), venue);

/**
 * A day's plan for the track: each group with the most that any of it runs, and for each athlete the reps that are theirs. A group in
 * which nobody runs is left out.
 */
export function planOfDay(about: AboutPlan, runs: readonly GroupRun[], venue: Venue): Plan {
  const groups = runs.flatMap(({ group, members, legs, leaderId }): PlannedGroup[] => {
    if (members.length === 0) return [];
    const slots = members.map(({ legs: own }) => legsBySlot(own));
    const shared = legsBySlot(legs.map(({ leg }) => leg));
    const athletes = members.map((plan, i) => ({
      ...asAthlete(plan),
      own: [...shared.keys()].map((slot) => slots[i]?.get(slot)),
    }));
    const { id, name, lane, startGapS, bookId } = group;
    return [
      planGroup(
        {
          id,
          name,
          ...(lane === undefined ? {} : { lane }),
          ...(startGapS === undefined ? {} : { startGapS }),
          ...(leaderId === undefined ? {} : { leaderId }),
          ...(bookId === undefined ? {} : { bookId }),
        },
        legs.map(({ leg }) => leg),
        athletes,
        venue,
      ),
    ];
  });
  return { ...about, lapM: venue.lapM, groups };
}
