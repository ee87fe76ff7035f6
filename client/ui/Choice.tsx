import { View } from 'react-native';
import { RADIUS, usePalette } from './theme';
import { Press } from './Press';
import { Text } from './Text';

type Props<T extends string> = {
  label: string;
  options: readonly { value: T; text: string }[];
  value: T | undefined;
  onChange: (value: T) => void;
  showLabel?: boolean;
  /** They share one line, however narrow. */
  isOneLine?: boolean;
};

/** One of a few, all in sight; the chosen one is filled and has a bar under it. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  showLabel = false,
  isOneLine = false,
}: Props<T>) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      {showLabel && (
        <Text as="label" quiet>
          {label}
        </Text>
      )}
      <View
        role="radiogroup"
        aria-label={label}
        style={{ flexDirection: 'row', flexWrap: isOneLine ? 'nowrap' : 'wrap', gap: isOneLine ? 4 : 6 }}
      >
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Press
              key={option.value}
              role="radio"
              aria-checked={chosen}
              onPress={() => onChange(option.value)}
              style={{
                minHeight: 44,
                minWidth: 44,
                paddingHorizontal: isOneLine ? 6 : 12,
                ...(isOneLine ? { flexGrow: 1, alignItems: 'center', maxWidth: 140 } : {}),
                justifyContent: 'center',
                borderRadius: RADIUS,
                borderWidth: 1.5,
                borderColor: chosen ? palette.ink : palette.line,
                backgroundColor: chosen ? palette.action : 'transparent',
              }}
            >
              <Text as="strong" color={chosen ? palette.onAction : palette.ink}>
                {option.text}
              </Text>
            </Press>
          );
        })}
      </View>
    </View>
  );
}
