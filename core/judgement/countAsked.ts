/** Reps run of those asked for: any count inside a range is all of it, and a late arrival has cut nothing. */
import { expand } from '../session/expand';
import { parseStored } from '../session/parseSession';
import type { Plan, PlannedRep } from '../run/plan';
import type { ReviewCell } from '../review/cell';
import { isTimedRep } from '../targets/targetsFor';

const placeOf = ({ path, turns }: { path: readonly number[]; turns: readonly number[] }) =>
  `${path.join('.')} ${turns.join('.')}`;

const optionalOf = new WeakMap<Plan, boolean[]>();

/** Which reps of a session as written are beyond the least of a range, in running order. */
function optionalAsWritten(plan: Plan): boolean[] {
  const known = optionalOf.get(plan);
  if (known) return known;
  const parsed = parseStored(plan.shorthand);
  let found: boolean[] = [];
  if (parsed.ok) {
    const repsOf = (counts: 'min' | 'max') => expand(parsed.session, { counts }).filter(isTimedRep);
    const least = new Set(repsOf('min').map(placeOf));
    found = repsOf('max').map((leg) => !least.has(placeOf(leg)));
  }
  optionalOf.set(plan, found);
  return found;
}

/** Returns whether a rep of a group may be left out. A group with a version of its own is taken at its word. */
export function optionalIn(plan: Plan, reps: readonly PlannedRep[]): (planIndex: number) => boolean {
  const optional = optionalAsWritten(plan);
  return optional.length === reps.length ? (planIndex) => optional[planIndex] === true : () => false;
}

export type CountReading = {
  /** Reps that were theirs to run, and that they did not. */
  missing: number;
  /** They came after the first rep. */
  cameLate: boolean;
};

/** @param isOptional by the place of the rep in the row. */
export function readCount(cells: readonly ReviewCell[], isOptional: (place: number) => boolean): CountReading {
  const isNotRun = ({ rep, leftOut, isAdded }: ReviewCell) => !rep && !leftOut && !isAdded;
  const first = cells.findIndex(({ rep }) => rep !== undefined);
  const missing = cells.filter((cell, place) => place > first && isNotRun(cell) && !isOptional(place)).length;
  return {
    missing: first < 0 ? 0 : missing,
    cameLate: first > 0 && cells.slice(0, first).some(isNotRun),
  };
}
