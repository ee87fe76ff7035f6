import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { formatClock } from '@core/units/time';
import { SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';

type Props = {
  letter: string;
  name: string;
  gapS: number;
  /** While it is moved, and when it is let go. */
  onMove: (gapS: number) => void;
  onDone: () => void;
};

const STEP_S = 5;
const MOST_S = 180;

/** When a group starts after the first: dragged, or with the arrow keys. */
export function GapSlider({ letter, name, gapS, onMove, onDone }: Props) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 48 }}>
      <Text as="strong" style={{ width: 18 }}>
        {letter}
      </Text>
      <Text style={{ width: 110 }}>{name}</Text>
      <View style={{ flex: 1, minWidth: 80 }}>
        {unstable_createElement('input', {
          type: 'range',
          min: 0,
          max: MOST_S,
          step: STEP_S,
          value: gapS,
          'aria-label': `Start of ${name}, seconds after the first`,
          onChange: (event: { target: { value: string } }) => onMove(Number(event.target.value)),
          onPointerUp: onDone,
          onTouchEnd: onDone,
          onKeyUp: onDone,
          onBlur: onDone,
          style: { width: '100%', height: 44, accentColor: palette.ink, touchAction: 'pan-y' },
        })}
      </View>
      <Text as="strong" style={{ width: 52, textAlign: 'right' }}>
        {gapS === 0 ? 'first' : `+${gapS < 100 ? `${gapS} s` : formatClock(gapS)}`}
      </Text>
    </View>
  );
}
