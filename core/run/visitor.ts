import type { Happening } from './events';
import type { Plan, PlannedAthlete, PlannedGroup, PlannedTarget } from './plan';

/** Somebody who was not expected: whom they run with, and in whose times (`likeId`); by effort without. */
export type Visitor = Pick<PlannedAthlete, 'athleteId' | 'name' | 'tileName'> & { groupId: string; likeId?: string };

/** A visitor's reps: with the times of a member, or by effort with the group's recoveries. */
function visitorIn(group: PlannedGroup, { athleteId, name, tileName, likeId }: Visitor): PlannedAthlete {
  const like = group.athletes.find((athlete) => athlete.athleteId === likeId);
  const targets = group.reps.map(({ durationS }, i): PlannedTarget => {
    const ownTarget = like?.targets[i];
    if (ownTarget) return ownTarget;
    const rest = group.athletes.find(({ targets: all }) => all[i]?.recoveryS !== undefined)?.targets[i]?.recoveryS;
    return {
      ...(durationS === undefined ? {} : { targetS: durationS }),
      ...(rest === undefined ? {} : { recoveryS: rest }),
    };
  });
  return { athleteId, name, tileName, targets };
}

/** A visitor's coming, as it is recorded; undefined if there is no such group. */
export function joinedBy({ groups }: Plan, visitor: Visitor): (Happening & { type: 'joined' }) | undefined {
  const group = groups.find(({ id }) => id === visitor.groupId) ?? groups[0];
  return group && { type: 'joined', groupId: group.id, athlete: visitorIn(group, visitor) };
}
