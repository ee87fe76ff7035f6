import { useId, type Ref } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { FieldHelp } from './FieldHelp';
import { fieldStyle } from './fieldStyle';
import { usePalette } from './theme';
import { Text } from './Text';

type Props = {
  type: 'date' | 'time';
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  inputRef?: Ref<HTMLElement>;
};

/** A day (YYYY-MM-DD) or a time of day (HH:MM), picked with the device's own calendar or clock; Paper has neither. */
export function WhenField({ type, label, value, onChange, error, inputRef }: Props) {
  const palette = usePalette();
  const helpId = useId();
  return (
    <View style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      {unstable_createElement('input', {
        type,
        value,
        'aria-label': label,
        ...(inputRef ? { ref: inputRef } : {}),
        ...(error === undefined ? {} : { 'aria-invalid': true, 'aria-describedby': helpId }),
        onChange: (event: { target: { value: string } }) => onChange(event.target.value),
        style: fieldStyle(palette, error !== undefined),
      })}
      <FieldHelp id={helpId} error={error} />
    </View>
  );
}
