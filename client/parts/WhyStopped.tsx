import { View } from 'react-native';
import { STOP_REASONS, type StopReason } from '@core/run/events';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { STOP_REASON_WORDS } from './careText';

type Props = {
  people: readonly { athleteId: string; name: string }[];
  say: (athleteId: string, reason: StopReason) => void;
};

/** Why somebody stopped, in one tap each. */
export function WhyStopped({ people, say }: Props) {
  return (
    <View style={{ gap: SPACE.s }}>
      {people.map(({ athleteId, name }) => (
        <View key={athleteId} role="group" aria-label={`Why ${name} stopped`} style={{ gap: SPACE.xs }}>
          {people.length > 1 && <Text as="small">{name}</Text>}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {STOP_REASONS.map((reason) => (
              <SmallButton
                key={reason}
                label={`${name}: ${STOP_REASON_WORDS[reason].toLowerCase()}`}
                onPress={() => say(athleteId, reason)}
              >
                {STOP_REASON_WORDS[reason]}
              </SmallButton>
            ))}
          </View>
        </View>
      ))}
    </View>
  );
}
