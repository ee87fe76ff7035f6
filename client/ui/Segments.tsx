import { SegmentedButtons } from 'react-native-paper';

type Props<T extends string> = {
  /** Whom or what it is for: `Ada Brindlecote`. */
  who: string;
  values: readonly T[];
  words: Record<T, string>;
  value: T | undefined;
  can?: (value: T) => boolean;
  onChange: (value: T) => void;
  /** How wide each is at least. */
  minWidth: number;
};

/** One of a few in a row, under a thumb; none is chosen where it differs from one to the next. */
export function Segments<T extends string>({ who, values, words, value, can, onChange, minWidth }: Props<T>) {
  return (
    <SegmentedButtons
      value={value ?? ''}
      onValueChange={(chosen) => onChange(chosen as T)}
      buttons={values.map((item) => ({
        value: item,
        label: words[item],
        accessibilityLabel: `${who}: ${words[item].toLowerCase()}`,
        disabled: can?.(item) === false,
        style: { minHeight: 44, minWidth },
        labelStyle: { marginHorizontal: 0 },
      }))}
    />
  );
}
