import { aimOf, changesFor } from '@core/planning/changes';
import type { Whom } from '@core/planning/dayPlan';
import { AIMS } from '@core/targets/targetsFor';
import { Choice } from '../../ui/Choice';
import { AIM_WORDS } from '../planText';
import type { Planning } from '../../data/usePlanning';

type Props = { planning: Planning; whom: Whom };

/** Which curve the targets come from: what the session says, now, the goal, or from the one to the other. */
export function AimFor({ planning, whom }: Props) {
  const { plan, change, groups } = planning;
  const all = plan.changes ?? [];
  const groupId =
    whom.kind === 'group'
      ? whom.groupId
      : whom.kind === 'athlete'
        ? (groups.find(({ athleteIds }) => athleteIds.includes(whom.athleteId))?.id ?? '')
        : '';
  const aim = aimOf(changesFor(all, whom.kind === 'athlete' ? whom.athleteId : '', groupId));
  return (
    <Choice
      label="Paces of"
      showLabel
      options={AIMS.map((value) => ({ value, text: AIM_WORDS[value] }))}
      value={aim}
      onChange={(to) => change([{ whom, set: { kind: 'aim', aim: to } }])}
    />
  );
}
