import { View } from 'react-native';
import { RULES, type Option, type Proposal } from '@core/trackside/proposals';
import { groupOf, membersOf } from '@core/run/runState';
import { capitalised } from '../../ui/capitalised';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

/** Says yes or no to a proposal, for one or for everyone in the group. */
export function answer(run: Run, proposal: Proposal, option: Option | undefined, forGroup = false): void {
  const { rule, athleteId, repIndex, options } = proposal;
  const athlete = run.state.athletes[athleteId];
  const { decision } = option ?? options[0] ?? {};
  if (!decision || !athlete) return;
  const athleteIds = forGroup
    ? membersOf(run.state, athlete.groupId)
        .filter(({ stoppedAtMs, presence }) => stoppedAtMs === undefined && presence === 'present')
        .map((one) => one.athleteId)
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

type Props = { run: Run; proposal: Proposal; close: () => void };

/** Why something is proposed, and what else could be done. */
export function ProposalSheet({ run, proposal, close }: Props) {
  const { rule, says, reasons, options, athleteId } = proposal;
  const athlete = run.state.athletes[athleteId];
  const group = athlete && groupOf(run.state, athlete.groupId);
  const take = (option: Option | undefined, forGroup = false) => {
    answer(run, proposal, option, forGroup);
    close();
  };
  const [first, ...others] = options;
  return (
    <Sheet title={says} close={close}>
      {reasons.map((reason) => (
        <Words key={reason}>{reason}</Words>
      ))}
      <Words as="small">{`${RULES[rule].about} (${RULES[rule].source})`}</Words>
      {first && (
        <PrimaryButton main onPress={() => take(first)}>
          {`Yes: ${first.says}`}
        </PrimaryButton>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {first && group && membersOf(run.state, group.id).length > 1 && first.decision.kind !== 'oneMore' && (
          <SmallButton onPress={() => take(first, true)}>{`For all of ${group.name}`}</SmallButton>
        )}
        {others.map((option) => (
          <SmallButton key={option.says} onPress={() => take(option)}>
            {capitalised(option.says)}
          </SmallButton>
        ))}
        <SmallButton onPress={() => take(undefined)}>No</SmallButton>
      </View>
      <Words as="small">Local rules, the venue and medical advice come first.</Words>
    </Sheet>
  );
}
