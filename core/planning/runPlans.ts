/** Who can be timed on one board: those whose own plans have the same reps. */
import { isWork } from '../targets/targetsFor';
import type { OwnPlan } from './ownPlans';

/** Athletes with the same reps in the same order; their targets and recoveries may differ. */
export type Board = { key: string; plans: OwnPlan[]; groupIds: string[]; reps: number };

function repsKey({ legs }: OwnPlan): { key: string; reps: number } {
  const reps = legs.flatMap((leg) => {
    if (leg.kind !== 'rep' || !isWork(leg) || leg.drills) return [];
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
