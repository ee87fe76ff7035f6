import { View } from 'react-native';
import { RadioButton } from 'react-native-paper';
import { INERT } from './inert';
import { Press } from './Press';
import { SPACE } from './theme';
import { Text } from './Text';

type Props = { label: string; chosen: boolean; onChoose: () => void };

/** One of several long choices, a line each; their group has the role `radiogroup`. */
export function RadioRow({ label, chosen, onChoose }: Props) {
  return (
    <Press
      role="radio"
      aria-label={label}
      aria-checked={chosen}
      onPress={onChoose}
      style={{ minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: SPACE.xs }}
    >
      {/* The dot is only looked at: the row is what is pressed. */}
      <View {...INERT} style={{ marginLeft: -6 }}>
        <RadioButton.Android value="" status={chosen ? 'checked' : 'unchecked'} />
      </View>
      <Text style={{ flex: 1 }}>{label}</Text>
    </Press>
  );
}
