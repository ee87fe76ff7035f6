import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { Change } from '@core/planning/dayPlan';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { changeText, whomText } from '../planText';
import type { Planning } from '../../data/usePlanning';

/** Everything that was changed by hand, for whom, with a way to take each back; what no longer fits the text says so. */
export function ChangeList({ planning }: { planning: Planning }) {
  const palette = usePalette();
  const { plan, groups, athletes, plans, decide } = planning;
  const changes = plan.changes ?? [];
  if (changes.length === 0)
    return (
      <Text as="small" quiet>
        Nothing is changed by hand: every target comes from the athlete’s own races and the session’s text.
      </Text>
    );
  const isWaiting = (change: Change) =>
    plans.some(({ waiting }) => waiting.includes(change)) ||
    !plans.some((athletePlan) => athletePlan.changes.includes(change));
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        Changed by hand
      </Text>
      <View role="list">
        {changes.map((change, i) => {
          const text = `${whomText(change, groups, athletes)}: ${changeText(change)}`;
          return (
            <View
              key={`${i} ${text}`}
              role="listitem"
              style={{
                flexDirection: 'row',
                alignItems: 'center',
                borderBottomWidth: 1,
                borderBottomColor: palette.line,
              }}
            >
              <View style={{ flex: 1, paddingVertical: SPACE.xs }}>
                <Text>{text}</Text>
                {isWaiting(change) && (
                  <Text as="label" quiet>
                    Not in use: the session reads differently now, or nobody is left whom it is for.
                  </Text>
                )}
              </View>
              <IconButton
                icon="undo"
                size={20}
                accessibilityLabel={`Take back: ${text}`}
                onPress={() => decide({ changes: changes.filter((other) => other !== change) }, 'Taken back.')}
                style={{ margin: 0, width: 44, height: 44 }}
              />
            </View>
          );
        })}
      </View>
      {changes.length > 1 && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={() => decide({ changes: [] }, 'Everything is as written again.')}>
            Take all of it back
          </SmallButton>
        </View>
      )}
    </View>
  );
}
