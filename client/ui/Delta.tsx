import { View } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { formatDelta } from '@core/units/time';
import type { Verdict } from '@core/run/verdict';
import { spokenDelta } from './spokenDelta';
import { usePalette } from './theme';
import { Text } from './Text';

const MARKS: Record<Verdict, string> = {
  early: 'M10 1 L2 6 L10 11 Z',
  on: 'M2.6 6a3.4 3.4 0 1 0 6.8 0a3.4 3.4 0 1 0-6.8 0',
  late: 'M2 1 L10 6 L2 11 Z',
};

/** Early points left, late points right, on is a dot: readable without its colour. */
export function VerdictMark({ verdict, size = 12, color }: { verdict: Verdict; size?: number; color: string }) {
  // Of the page itself: a table has hundreds of them.
  return unstable_createElement('svg', {
    width: size,
    height: size,
    viewBox: '0 0 12 12',
    'aria-hidden': true,
    children: unstable_createElement('path', { d: MARKS[verdict], fill: color }),
  });
}

/** Small in tables, medium and large where it is read at arm's length. */
const SIZES = {
  small: { mark: 11, words: 'label' },
  medium: { mark: 13, words: 'strong' },
  large: { mark: 16, words: 'heading' },
} as const;

/** `−1.4`, `on` or `+2.0`. */
export const deltaText = (deltaS: number, verdict: Verdict): string => (verdict === 'on' ? 'on' : formatDelta(deltaS));

/** How a time compares with its target: the three-way code, everywhere the same. */
export function Delta({
  deltaS,
  verdict,
  size = 'small',
}: {
  deltaS: number;
  verdict: Verdict;
  size?: keyof typeof SIZES;
}) {
  const palette = usePalette();
  const color = palette[verdict];
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
      <VerdictMark verdict={verdict} color={color} size={SIZES[size].mark} />
      <Text as={SIZES[size].words} color={color} label={spokenDelta(deltaS, verdict)}>
        {deltaText(deltaS, verdict)}
      </Text>
    </View>
  );
}
