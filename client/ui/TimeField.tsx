import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { fieldStyle } from './fieldStyle';
import { usePalette } from './theme';
import { Words } from './Words';

type Props = { label: string; value: string; onChange: (time: string) => void };

/** A time of day (HH:MM, or empty), picked with the device's own clock. */
export function TimeField({ label, value, onChange }: Props) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Words as="label" quiet>
        {label}
      </Words>
      {unstable_createElement('input', {
        type: 'time',
        value,
        'aria-label': label,
        onChange: (event: { target: { value: string } }) => onChange(event.target.value),
        style: fieldStyle(palette, false),
      })}
    </View>
  );
}
