/** Advice from one athlete's efforts, as a change to their next session. */
import { mainItem } from '../library/progression';
import type { LeverChange } from '../outlook/proposals';
import type { SessionTree } from '../session/session';
import { changeOf, withChanges } from './changes';
import type { Change } from './dayPlan';
import type { NextPlan, Placed } from './nextPlan';

/**
 * Adds such a change for each of these athletes, on the item that makes up most of their session.
 * @param read reads a text; athletes whose text cannot be read are left alone.
 */
export function withOwnAdvice(
  next: NextPlan,
  placed: readonly Pick<Placed, 'athleteId' | 'shorthand'>[],
  advice: ReadonlyMap<string, Pick<LeverChange, 'set'>>,
  read: (shorthand: string) => SessionTree | undefined,
): NextPlan {
  const ownChanges = placed.flatMap(({ athleteId, shorthand }): Change[] => {
    const change = advice.get(athleteId);
    const session = change && read(shorthand);
    const path = session && mainItem(session, 'rep');
    return path ? [changeOf(session, path, { kind: 'athlete', athleteId }, change.set)] : [];
  });
  if (ownChanges.length === 0) return next;
  return { ...next, plan: { ...next.plan, changes: withChanges(next.plan.changes ?? [], ownChanges) } };
}
