import { useMemo } from 'react';
import { View } from 'react-native';
import { proposalAsTold } from '@core/outlook/asTold';
import { acceptedChanges, proposer, sharedProposal } from '@core/planning/accept';
import type { Whom } from '@core/planning/dayPlan';
import type { AthletePlan } from '@core/planning/athletePlans';
import { SmallButton } from '../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { effectText, outlookProposalText } from '../planText';
import type { Planning } from '../../data/usePlanning';
import { Why, type WhyLine } from '../../parts/Why';
import { whyProposal } from './whyFit';

type Props = { planning: Planning; athletePlan: AthletePlan; whyNot: () => readonly WhyLine[] };

/** Changes that would make the session fit one athlete, to be accepted for them, for their group or for all. */
export function Proposals({ planning, athletePlan, whyNot }: Props) {
  const palette = usePalette();
  const { groups, plans, change, arc } = planning;
  const proposalsOf = useMemo(() => proposer(arc), [arc]);
  const proposals = proposalsOf(athletePlan);
  const group = groups.find(({ id }) => id === athletePlan.groupId);
  const fit = planning.outlooks.get(athletePlan.runner.id)?.fit;
  if (fit === 'fine' || fit === 'unknown') return null;
  if (proposals.length === 0)
    return (
      <Text as="small">
        No one change makes it fit, nor two together: give them another session under Groups, or fewer and slower reps.
      </Text>
    );
  const circles: { who: string; whom: Whom; members: readonly AthletePlan[] }[] = [
    ...(group
      ? [
          {
            who: group.name,
            whom: { kind: 'group' as const, groupId: group.id },
            members: plans.filter(({ groupId }) => groupId === group.id),
          },
        ]
      : []),
    { who: 'everyone', whom: { kind: 'all' }, members: plans.filter(({ written }) => written === athletePlan.written) },
  ];
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={3}>
        {fit === 'light' ? 'To make it as hard as planned' : 'To make it fit'}
      </Text>
      {proposals.map((proposal) => {
        const message = outlookProposalText(proposal, athletePlan.session);
        return (
          <View
            key={message}
            role="group"
            aria-label={message}
            style={{ gap: SPACE.xs, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
              <Text as="strong" style={{ flex: 1 }}>
                {message}
              </Text>
              <Why what={message} lines={() => whyProposal(whyNot(), proposal)} />
            </View>
            <Text as="small" quiet>
              {effectText(proposalAsTold(proposal, athletePlan.runner.telling))}
            </Text>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
              <SmallButton
                label={`For ${athletePlan.runner.tileName}: ${message}`}
                onPress={() =>
                  change(
                    acceptedChanges({ proposal, athletePlan }, { kind: 'athlete', athleteId: athletePlan.runner.id }),
                    `Changed for ${athletePlan.runner.tileName}.`,
                  )
                }
              >
                {`For ${athletePlan.runner.tileName}`}
              </SmallButton>
              {circles.map(({ who, whom, members }) => {
                const shared = sharedProposal(proposal, members, proposalsOf);
                if (!shared || members.length < 2) return null;
                const text = outlookProposalText(shared.proposal, athletePlan.session);
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
      <Text as="label" quiet>
        Worked out for you to judge: nothing is changed until you take one.
      </Text>
    </View>
  );
}
