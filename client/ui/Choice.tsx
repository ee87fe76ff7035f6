import { View } from 'react-native';
import { ChoiceChip } from './ChoiceChip';
import { Text } from './Text';

type Props<T extends string> = {
  label: string;
  options: readonly { value: T; text: string }[];
  value: T | undefined;
  onChange: (value: T) => void;
  showLabel?: boolean;
  /** They share the width of one line, where they fit in one. */
  isOneLine?: boolean;
};

/** One of a few, all in sight. Paper's row of segments cuts what is too long for its line; these go on in the next. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  showLabel = false,
  isOneLine = false,
}: Props<T>) {
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
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: isOneLine ? 4 : 6 }}
      >
        {options.map((option) => (
          <ChoiceChip
            key={option.value}
            role="radio"
            on={option.value === value}
            isOneLine={isOneLine}
            onPress={() => onChange(option.value)}
          >
            {option.text}
          </ChoiceChip>
        ))}
      </View>
    </View>
  );
}
