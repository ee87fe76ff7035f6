import { View } from 'react-native';
import { Press } from './Press';
import { RADIUS, usePalette } from './theme';
import { Text } from './Text';

type Props = {
  label: string;
  options: readonly { value: string; text: string }[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
};

/** Any of a few, all in sight; the chosen ones are filled. */
export function Chips({ label, options, chosen, onChange }: Props) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      <View role="group" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {options.map(({ value, text }) => {
          const on = chosen.includes(value);
          return (
            <Press
              key={value}
              role="checkbox"
              aria-checked={on}
              onPress={() => onChange(on ? chosen.filter((other) => other !== value) : [...chosen, value])}
              style={{
                minHeight: 44,
                minWidth: 44,
                maxWidth: '100%',
                paddingHorizontal: 12,
                justifyContent: 'center',
                alignItems: 'center',
                borderRadius: RADIUS,
                borderWidth: 1.5,
                borderColor: on ? palette.ink : palette.line,
                backgroundColor: on ? palette.action : 'transparent',
              }}
            >
              <Text as="strong" color={on ? palette.onAction : palette.ink}>
                {text}
              </Text>
            </Press>
          );
        })}
      </View>
    </View>
  );
}
