import { View } from 'react-native';
import { SegmentedButtons } from 'react-native-paper';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { WEEKS, type Weeks } from './weeks';

/** How many weeks are looked back on. */
export function WeeksPicker({ value, onChange }: { value: Weeks; onChange: (weeks: Weeks) => void }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
      <Text as="small">Weeks</Text>
      <SegmentedButtons
        style={{ flex: 1 }}
        value={value}
        onValueChange={(weeks) => onChange(weeks as Weeks)}
        buttons={WEEKS.map((weeks) => ({
          value: weeks,
          label: weeks,
          accessibilityLabel: `${weeks} weeks`,
          style: { minHeight: 44, minWidth: 0 },
        }))}
      />
    </View>
  );
}
