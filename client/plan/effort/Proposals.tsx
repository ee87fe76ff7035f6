import { useMemo } from 'react';
import { View } from 'react-native';
import { proposalAsTold } from '@core/outlook/asTold';
import { acceptedChanges, proposer, sharedProposal } from '@core/planning/accept';
import type { Whom } from '@core/planning/dayPlan';
import type { OwnPlan } from '@core/planning/ownPlans';
import { INTENT_FACTS } from '@core/session/intent';
import { SmallButton } from '../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { effectText, proposalText } from '../planWords';
import type { Planning } from '../../data/usePlanning';

/** What would make the session fit one athlete, to be accepted for them, for their group or for all. */
export function Proposals({ planning, own }: { planning: Planning; own: OwnPlan }) {
  const palette = usePalette();
  const { groups, plans, change, intent } = planning;
  const proposalsOf = useMemo(() => proposer(INTENT_FACTS[intent].arc), [intent]);
  const proposals = proposalsOf(own);
  const group = groups.find(({ id }) => id === own.groupId);
  const fit = planning.outlooks.get(own.runner.id)?.fit;
  if (fit === 'fine' || fit === 'unknown') return null;
  if (proposals.length === 0)
    return (
      <Words as="small">
        No one change makes it fit, nor two together: give them another session under Groups, or fewer and slower reps.
      </Words>
    );
  const circles: { who: string; whom: Whom; members: readonly OwnPlan[] }[] = [
    ...(group
      ? [
          {
            who: group.name,
            whom: { kind: 'group' as const, groupId: group.id },
            members: plans.filter(({ groupId }) => groupId === group.id),
          },
        ]
      : []),
    { who: 'everyone', whom: { kind: 'all' }, members: plans.filter(({ written }) => written === own.written) },
  ];
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="heading" level={3}>
        {fit === 'light' ? 'To make it as hard as planned' : 'To make it fit'}
      </Words>
      {proposals.map((proposal) => {
        const says = proposalText(proposal, own.session);
        return (
          <View
            key={says}
            role="group"
            aria-label={says}
            style={{ gap: SPACE.xs, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
          >
            <Words as="strong">{says}</Words>
            <Words as="small" quiet>
              {effectText(proposalAsTold(proposal, own.runner.telling))}
            </Words>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
              <SmallButton
                label={`For ${own.runner.tileName}: ${says}`}
                onPress={() =>
                  change(
                    acceptedChanges({ proposal, own }, { kind: 'athlete', athleteId: own.runner.id }),
                    `Changed for ${own.runner.tileName}.`,
                  )
                }
              >
                {`For ${own.runner.tileName}`}
              </SmallButton>
              {circles.map(({ who, whom, members }) => {
                const shared = sharedProposal(proposal, members, proposalsOf);
                if (!shared || members.length < 2) return null;
                const text = proposalText(shared.proposal, own.session);
                return (
                  <SmallButton
                    key={who}
                    label={`For ${who}: ${text}`}
                    onPress={() => change(acceptedChanges(shared, whom), `Changed for ${who}: ${text}.`)}
                  >
                    {shared.proposal.to === proposal.to && shared.proposal.next?.to === proposal.next?.to
                      ? `For ${who}`
                      : `For ${who}: ${text.replace(/^.*?: | instead.*$/g, '')}`}
                  </SmallButton>
                );
              })}
            </View>
          </View>
        );
      })}
      <Words as="label" quiet>
        Worked out for you to judge: nothing is changed until you take one.
      </Words>
    </View>
  );
}
