/** The first part of a session, for somebody who is to run some of it only. */
import { partOf } from '../run/lineUp';
import { isTimedRep, isWork } from '../targets/targetsFor';
import type { Leg } from '../session/expand';

/** Legs with about the first 60 % of the timed reps; warm-up and cool-down stay. */
export function firstPart<L extends Leg>(legs: readonly L[]): L[] {
  const kept = partOf(legs.filter((leg) => isTimedRep(leg)).length);
  let run = 0;
  return legs.filter((leg) => {
    if (isTimedRep(leg)) return ++run <= kept;
    return run < kept || !isWork(leg) || leg.kind === 'rep';
  });
}
