/** What the efforts ask for one athlete alone, as a change to the next session. */
import { mainItem } from '../library/progression';
import type { LeverChange } from '../outlook/proposals';
import type { Session } from '../session/session';
import { changeOf, withChanges } from './changes';
import type { Change } from './dayPlan';
import type { NextPlan, Placed } from './nextPlan';

/**
 * The plan with a change for each of these athletes, on the item that makes up most of what they run.
 * @param read reads a text; who runs one that cannot be read is left as they are.
 */
export function withOwnAdvice(
  next: NextPlan,
  placed: readonly Pick<Placed, 'athleteId' | 'shorthand'>[],
  advice: ReadonlyMap<string, Pick<LeverChange, 'set'>>,
  read: (shorthand: string) => Session | undefined,
): NextPlan {
  const own = placed.flatMap(({ athleteId, shorthand }): Change[] => {
    const change = advice.get(athleteId);
    const session = change && read(shorthand);
    const path = session && mainItem(session, 'rep');
    return path ? [changeOf(session, path, { kind: 'athlete', athleteId }, change.set)] : [];
  });
  if (own.length === 0) return next;
  return { ...next, plan: { ...next.plan, changes: withChanges(next.plan.changes ?? [], own) } };
}
