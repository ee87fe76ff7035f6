import { Fragment, useId, type Ref } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { FieldHelp } from './FieldHelp';
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
  inputRef?: Ref<HTMLElement>;
};

/** One of many, picked with the device's own list: the surest thing under a cold thumb, which Paper's menu is not. */
export function Select<T extends string>({
  label,
  options,
  value,
  onChange,
  quiet = false,
  error,
  inputRef,
}: Props<T>) {
  const palette = usePalette();
  const helpId = useId();
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
        ...(inputRef ? { ref: inputRef } : {}),
        ...(error === undefined ? {} : { 'aria-invalid': true, 'aria-describedby': helpId }),
        onChange: (event: { target: { value: string } }) => onChange(event.target.value as T),
        children: options.map((option) => (
          <Fragment key={option.value}>
            {unstable_createElement('option', { value: option.value, children: option.text })}
          </Fragment>
        )),
        // The device's own list begins four further in.
        style: { ...fieldStyle(palette, error !== undefined), paddingLeft: 8 },
      })}
      <FieldHelp id={helpId} error={error} />
    </View>
  );
}
