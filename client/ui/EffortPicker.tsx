import { View } from 'react-native';
import { Chip } from 'react-native-paper';
import { RADIUS, usePalette } from './theme';

const EFFORTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

type Props = { label: string; value: number | undefined; onPick: (effort: number) => void };

/** Effort from 1 to 10, one press. */
export function EffortPicker({ label, value, onPick }: Props) {
  const palette = usePalette();
  return (
    <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
      {EFFORTS.map((effort) => (
        <Chip
          key={effort}
          mode="outlined"
          compact
          accessibilityRole="radio"
          accessibilityLabel={String(effort)}
          selected={effort === value}
          showSelectedCheck={false}
          onPress={() => onPick(effort)}
          style={{
            borderRadius: RADIUS,
            borderColor: effort === value ? palette.ink : palette.line,
            backgroundColor: effort === value ? palette.action : palette.ground,
          }}
          textStyle={{
            fontFamily: 'Zest',
            fontWeight: '700',
            fontSize: 17,
            lineHeight: 34,
            minWidth: 22,
            textAlign: 'center',
            color: effort === value ? palette.onAction : palette.ink,
          }}
        >
          {String(effort)}
        </Chip>
      ))}
    </View>
  );
}
