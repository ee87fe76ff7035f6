import { Fragment } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { fieldStyle } from './fieldStyle';
import { usePalette } from './theme';
import { Text } from './Text';

type Option<T extends string> = { value: T; text: string };

type Props<T extends string> = {
  label: string;
  options: readonly Option<T>[];
  value: T;
  onChange: (value: T) => void;
  /** The label is only spoken. */
  quiet?: boolean;
  error?: string | undefined;
};

/** One of many, picked with the device's own list: the surest thing under a cold thumb. */
export function Select<T extends string>({ label, options, value, onChange, quiet = false, error }: Props<T>) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      {!quiet && (
        <Text as="label" quiet>
          {label}
        </Text>
      )}
      {unstable_createElement('select', {
        value,
        'aria-label': label,
        onChange: (event: { target: { value: string } }) => onChange(event.target.value as T),
        children: options.map((option) => (
          <Fragment key={option.value}>
            {unstable_createElement('option', { value: option.value, children: option.text })}
          </Fragment>
        )),
        style: fieldStyle(palette, error !== undefined),
      })}
      {error !== undefined && (
        <Text as="small" color={palette.late}>
          {error}
        </Text>
      )}
    </View>
  );
}
