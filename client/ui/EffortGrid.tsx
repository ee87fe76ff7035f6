import { G, Line } from 'react-native-svg';
import type { Scale } from './plot';
import { PlotText } from './PlotText';
import { usePalette } from './theme';

const EFFORTS = [2, 4, 6, 8, 10];

/** The lines of a drawing of effort from 1 to 10, with their numbers at the left. */
export function EffortGrid({ left, width, y }: { left: number; width: number; y: Scale }) {
  const palette = usePalette();
  return (
    <>
      {EFFORTS.map((effort) => (
        <G key={effort}>
          <Line x1={left} x2={width - 6} y1={y(effort)} y2={y(effort)} stroke={palette.line} strokeWidth={1} />
          <PlotText x={left - 6} y={y(effort) + 4} color={palette.quiet} anchor="end">
            {String(effort)}
          </PlotText>
        </G>
      ))}
    </>
  );
}
