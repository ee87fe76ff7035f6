import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { fieldStyle } from './fieldStyle';
import { usePalette } from './theme';
import { Text } from './Text';

type Props = {
  type: 'date' | 'time';
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
};

/** A day (YYYY-MM-DD) or a time of day (HH:MM), picked with the device's own calendar or clock. */
export function WhenField({ type, label, value, onChange, error }: Props) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      {unstable_createElement('input', {
        type,
        value,
        'aria-label': label,
        onChange: (event: { target: { value: string } }) => onChange(event.target.value),
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
