import { View } from 'react-native';
import type { ProposalOption } from '@core/trackside/options';
import type { LiveProposal } from '@core/trackside/proposals';
import { RULES } from '@core/trackside/rules';
import { groupOf, membersOf } from '@core/run/runState';
import { capitalised } from '@core/units/capitalised';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';
import { optionText, proposalText, reasonText, RULE_NOTES } from '../proposalText';
import { Sheet } from './Sheet';

/** Says yes or no to a proposal, for one or for everyone in the group. */
export function answer(run: Run, proposal: LiveProposal, option: ProposalOption | undefined, forGroup = false): void {
  const { rule, athleteId, repIndex, options } = proposal;
  const athlete = run.state.athletes[athleteId];
  const { decision } = option ?? options[0] ?? {};
  if (!decision || !athlete) return;
  const athleteIds = forGroup
    ? membersOf(run.state, athlete.groupId)
        .filter(({ stoppedAtMs, presence }) => stoppedAtMs === undefined && presence === 'present')
        .map((athlete) => athlete.athleteId)
    : [athleteId];
  run.happen({
    type: 'decided',
    athleteIds,
    decision,
    rule,
    repIndex,
    ...(option ? {} : { refused: true as const }),
  });
}

type Props = { run: Run; proposal: LiveProposal; close: () => void };

/** Why something is proposed, and what else could be done. */
export function ProposalSheet({ run, proposal, close }: Props) {
  const { rule, options, athleteId } = proposal;
  const athlete = run.state.athletes[athleteId];
  const group = athlete && groupOf(run.state, athlete.groupId);
  const take = (option: ProposalOption | undefined, forGroup = false) => {
    answer(run, proposal, option, forGroup);
    close();
  };
  const [first, ...others] = options;
  return (
    <Sheet title={proposalText(proposal, athlete?.tileName ?? '')} close={close}>
      <Text>{reasonText(proposal)}</Text>
      <Text as="small">{`${RULE_NOTES[rule]} (${RULES[rule].source})`}</Text>
      {first && (
        <PrimaryButton main onPress={() => take(first)}>
          {`Yes: ${optionText(first)}`}
        </PrimaryButton>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {first && group && membersOf(run.state, group.id).length > 1 && first.decision.kind !== 'oneMore' && (
          <SmallButton onPress={() => take(first, true)}>{`For all of ${group.name}`}</SmallButton>
        )}
        {others.map((option) => (
          <SmallButton key={optionText(option)} onPress={() => take(option)}>
            {capitalised(optionText(option))}
          </SmallButton>
        ))}
        <SmallButton onPress={() => take(undefined)}>No</SmallButton>
      </View>
      <Text as="small">Local rules, the venue and medical advice come first.</Text>
    </Sheet>
  );
}
