import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import { NEXT_STEPS, type NextStep } from '@core/run/events';
import { adviceText } from '../reviewText';
import { Segments } from '../../ui/Segments';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Text } from '../../ui/Text';
import { groupVerdict } from './nextChoices';
import { groupText, STEP_WORDS } from './nextText';
import type { GroupOfRun, Next } from './useNext';

/** On, again or back. */
const STEPS = { values: NEXT_STEPS, words: STEP_WORDS };

type Props = { group: GroupOfRun; next: Next; nameOf: (athleteId: string) => string };

/** One group: what most are ready for, one tap for all of it, and each with the reasons. */
export function ReadyRows({ group, next, nameOf }: Props) {
  const { choiceOf, choose, what, takesAdvice, toggleAdvice } = next;
  const steps = next.stepsOf(group.id);
  const can = (step: NextStep) => step === 'repeat' || steps[step] !== undefined;
  const there = group.answers.filter(({ isAbsent }) => !isAbsent);
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
        {group.answers.map(({ athleteId, reasons, isAbsent, advice }) => (
          <View role="listitem" key={athleteId} style={{ gap: 2, paddingTop: SPACE.s }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
              <Text as="strong" quiet={isAbsent ?? false} style={{ flex: 1 }}>
                {nameOf(athleteId)}
              </Text>
              <Segments
                {...STEPS}
                who={nameOf(athleteId)}
                value={choiceOf(athleteId)}
                can={can}
                onChange={(step) => choose([athleteId], step)}
              />
            </View>
            <Text as="small" quiet>
              {reasons.join(' ')}
            </Text>
            {advice && what !== 'efforts' && (
              <TickRow
                label={`For ${nameOf(athleteId)} alone: ${adviceText(advice)}`}
                checked={takesAdvice.has(athleteId)}
                onChange={() => toggleAdvice(athleteId)}
              />
            )}
            <Divider style={{ marginTop: SPACE.xs }} />
          </View>
        ))}
      </View>
    </View>
  );
}
