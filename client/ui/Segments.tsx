import { View } from 'react-native';
import { ChoiceChip } from './ChoiceChip';

type Props<T extends string> = {
  /** Whom or what it is for: `Ada Brindlecote`. */
  who: string;
  values: readonly T[];
  words: Record<T, string>;
  value: T | undefined;
  can?: (value: T) => boolean;
  onChange: (value: T) => void;
};

/** One of a few in a row, under a thumb; none is chosen where it differs from one to the next. */
export function Segments<T extends string>({ who, values, words, value, can, onChange }: Props<T>) {
  return (
    <View role="group" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 4 }}>
      {values.map((item) => (
        <ChoiceChip
          key={item}
          role="button"
          isOneLine
          on={item === value}
          label={`${who}: ${words[item].toLowerCase()}`}
          disabled={can?.(item) === false}
          onPress={() => onChange(item)}
        >
          {words[item]}
        </ChoiceChip>
      ))}
    </View>
  );
}
