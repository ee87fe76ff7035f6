import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { formatDelta } from '@core/units/time';
import type { Verdict } from '@core/trackside/verdict';
import { spokenDelta } from './spokenDelta';
import { usePalette } from './theme';
import { Words } from './Words';

/** Early points left, late points right, on is a dot: readable without its colour. */
export function VerdictMark({ verdict, size = 12, color }: { verdict: Verdict; size?: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 12 12" aria-hidden>
      {verdict === 'on' ? (
        <Circle cx={6} cy={6} r={3.4} fill={color} />
      ) : (
        <Path d={verdict === 'early' ? 'M10 1 L2 6 L10 11 Z' : 'M2 1 L10 6 L2 11 Z'} fill={color} />
      )}
    </Svg>
  );
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
      <Words as={SIZES[size].words} color={color} label={spokenDelta(deltaS, verdict)}>
        {deltaText(deltaS, verdict)}
      </Words>
    </View>
  );
}
