/** Who can be timed on one board: those whose own plans have the same reps. */
import { isTimedRep } from '../targets/targetsFor';
import type { Venue } from '../track/venue';
import { planFromLegs, type AboutPlan, type Plan } from '../trackside/plan';
import type { OwnPlan } from './ownPlans';

/** Athletes with the same reps in the same order; their targets and recoveries may differ. */
export type Board = { key: string; plans: OwnPlan[]; groupIds: string[]; reps: number };

function repsKey({ legs }: OwnPlan): { key: string; reps: number } {
  const reps = legs.flatMap((leg) => {
    if (!isTimedRep(leg)) return [];
    return [[leg.role, leg.distanceM, leg.durationS, leg.pace, leg.note].join('|')];
  });
  return { key: reps.join(';'), reps: reps.length };
}

/** Everyone, sorted to boards: the one with the most athletes first. */
export function boardsOf(plans: readonly OwnPlan[]): Board[] {
  const boards = new Map<string, Board>();
  for (const plan of plans) {
    const { key, reps } = repsKey(plan);
    const board = boards.get(key) ?? { key, plans: [], groupIds: [], reps };
    boards.set(key, board);
    board.plans.push(plan);
    if (!board.groupIds.includes(plan.groupId)) board.groupIds.push(plan.groupId);
  }
  return [...boards.values()].sort((a, b) => b.plans.length - a.plans.length);
}

/** A board's plan for the track. */
export const planOfBoard = (about: AboutPlan, { plans }: Board, venue: Venue): Plan =>
  planFromLegs(
    about,
    plans.map(({ runner: { id, name, tileName }, legs }) => ({ athleteId: id, name, tileName, legs })),
    venue,
  );
