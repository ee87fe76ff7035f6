import { View } from 'react-native';
import { ChoiceChip } from './ChoiceChip';
import { Text } from './Text';

type Props = {
  label: string;
  options: readonly { value: string; text: string }[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
};

/** Any of a few, all in sight. */
export function Chips({ label, options, chosen, onChange }: Props) {
  return (
    <View style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      <View role="group" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {options.map(({ value, text }) => {
          const on = chosen.includes(value);
          return (
            <ChoiceChip
              key={value}
              role="checkbox"
              on={on}
              onPress={() => onChange(on ? chosen.filter((other) => other !== value) : [...chosen, value])}
            >
              {text}
            </ChoiceChip>
          );
        })}
      </View>
    </View>
  );
}
