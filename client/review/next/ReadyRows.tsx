import { router } from 'expo-router';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import type { SessionFacts } from '@core/judgement/facts';
import type { ReadyAnswer } from '@core/judgement/nextReady';
import { NEXT_STEPS, type NextStep } from '@core/run/events';
import { Why } from '../../parts/Why';
import type { SquadView } from '../../data/useSquad';
import { Segments } from '../../ui/Segments';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Text } from '../../ui/Text';
import { ToldWell } from '../FindingAnswers';
import { adviceText } from '../reviewText';
import type { ReadRun } from '../useReview';
import { WhyStopped } from '../../parts/WhyStopped';
import { whyReady } from '../whyText';
import { groupVerdict } from './nextChoices';
import { groupText, STEP_WORDS } from './nextText';
import type { GroupOfRun, Next } from './useNext';

/** Step on, repeat or ease. */
const STEPS = { values: NEXT_STEPS, words: STEP_WORDS };

type Props = {
  read: ReadRun;
  facts: SessionFacts;
  squad: SquadView;
  group: GroupOfRun;
  next: Next;
  nameOf: (athleteId: string) => string;
};

/** The question to answer before a step is proposed, with one-tap answers. */
function Asked({ read, squad, answer, name }: Pick<Props, 'read' | 'squad'> & { answer: ReadyAnswer; name: string }) {
  const { athleteId, waits } = answer;
  switch (waits) {
    case 'reason':
      return (
        <WhyStopped
          people={[{ athleteId, name }]}
          say={(id, reason) => read.correct({ type: 'stopReason', athleteId: id, reason })}
        />
      );
    case 'well':
      return <ToldWell squad={squad} people={[{ athleteId, name, value: 0 }]} />;
    case 'level':
      return (
        <View style={{ flexDirection: 'row' }}>
          <SmallButton
            label={`The level of ${name}`}
            onPress={() => router.push(`/results/${read.plan.id}/${athleteId}`)}
          >
            A trial, or the level
          </SmallButton>
        </View>
      );
    case undefined:
      return null;
  }
}

/** One group: what most are ready for, one tap for all of it, and each with the reasons. */
export function ReadyRows({ read, facts, squad, group, next, nameOf }: Props) {
  const { choiceOf, choose, what, takesAdvice, toggleAdvice } = next;
  const steps = next.stepsOf(group.id);
  const can = (step: NextStep) => step === 'repeat' || steps[step] !== undefined;
  const there = group.answers.filter(({ isAbsent, waits }) => !isAbsent && !waits);
  const ids = group.answers.map(({ athleteId }) => athleteId);
  const chosen = new Set(ids.map(choiceOf));
  const [only] = chosen;
  return (
    <View role="region" aria-label={group.name} style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        {group.name}
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
        <Text style={{ flexGrow: 1, flexShrink: 1, flexBasis: 140 }}>
          {groupText(
            there.map(({ verdict }) => verdict),
            groupVerdict(group.answers),
          )}
        </Text>
        <Segments
          {...STEPS}
          who={`All of ${group.name}`}
          value={chosen.size === 1 ? only : undefined}
          can={can}
          onChange={(step) => choose(ids, step)}
        />
      </View>
      <View role="list">
        {group.answers.map((answer) => {
          const { athleteId, reasons, isAbsent, advice } = answer;
          const name = nameOf(athleteId);
          return (
            <View role="listitem" key={athleteId} style={{ gap: 2, paddingTop: SPACE.s }}>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
                <Text as="strong" quiet={isAbsent ?? false} style={{ flexGrow: 1, flexShrink: 1, flexBasis: 120 }}>
                  {name}
                </Text>
                <Segments
                  {...STEPS}
                  who={name}
                  value={choiceOf(athleteId)}
                  can={can}
                  onChange={(step) => choose([athleteId], step)}
                />
              </View>
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
                <Text as="small" quiet style={{ flex: 1 }}>
                  {reasons.join(' ')}
                </Text>
                {!isAbsent && <Why what={`${name}: ${reasons.join(' ')}`} lines={() => whyReady(answer, facts)} />}
              </View>
              <Asked read={read} squad={squad} answer={answer} name={name} />
              {advice && what !== 'efforts' && (
                <TickRow
                  label={`For ${name} alone: ${adviceText(advice)}`}
                  checked={takesAdvice.has(athleteId)}
                  onChange={() => toggleAdvice(athleteId)}
                />
              )}
              <Divider style={{ marginTop: SPACE.xs }} />
            </View>
          );
        })}
      </View>
    </View>
  );
}
