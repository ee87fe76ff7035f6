import Svg, { Circle, Path } from 'react-native-svg';
import type { SessionFit } from '@core/outlook/outlook';
import { usePalette } from '../../ui/theme';

/** How a session fits, by a shape that can be told apart without its colour; the words always stand beside it. */
export function FitMark({ fit, size = 16 }: { fit: SessionFit; size?: number }) {
  const palette = usePalette();
  const shape = {
    fine: <Circle cx={8} cy={8} r={5} fill={palette.on} />,
    light: <Path d="M2 5 H14 L8 14 Z" fill={palette.early} />,
    stretched: <Path d="M2 11 H14 L8 2 Z" fill={palette.late} />,
    cannot: (
      <Path
        d="M2 2 H14 V14 H2 Z M4.5 4.5 L11.5 11.5 M11.5 4.5 L4.5 11.5"
        fill={palette.late}
        stroke={palette.ground}
        strokeWidth={2}
      />
    ),
    unknown: (
      <Circle cx={8} cy={8} r={4.5} fill="none" stroke={palette.quiet} strokeWidth={1.5} strokeDasharray="2 2" />
    ),
  }[fit];
  return (
    <Svg width={size} height={size} viewBox="0 0 16 16" aria-hidden>
      {shape}
    </Svg>
  );
}
