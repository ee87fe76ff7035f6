import { Line, Path } from 'react-native-svg';
import type { RanRep } from '@core/review/history';
import type { Verdict } from '@core/run/verdict';
import { scale, type Scale } from '../ui/plot';
import { Plot } from '../ui/Plot';
import { usePalette } from '../ui/theme';
import { shapeAt, VERDICTS } from './Spread';

const HEIGHT = 60;
const INSET = 8;

/** The marks of one kind in one path, small. */
function marks(reps: readonly RanRep[], kind: Verdict, column: number, y: Scale): string {
  return reps
    .map(({ place, percent, verdict }, i) => {
      if (percent === undefined || verdict !== kind) return '';
      const x = INSET + column * (place + 0.5) + ((i % 5) - 2) * Math.min(3, column / 8);
      return shapeAt(kind, x, y(percent), 3);
    })
    .join('');
}

type Props = { description: string; reps: readonly RanRep[]; columns: number; reach: number; height?: number };

/** A spread as a strip, to be laid one above the other: the same marks around the same target line, without its words. */
export function SpreadStrip({ description, reps, columns, reach, height = HEIGHT }: Props) {
  const palette = usePalette();
  const toY = scale([reach, -reach], [5, height - 5]);
  const y: Scale = (percent) => toY(Math.max(-reach, Math.min(reach, percent)));
  return (
    <Plot description={description} height={height}>
      {(width) => {
        const column = (width - 2 * INSET) / Math.max(1, columns);
        return (
          <>
            <Line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke={palette.ink} strokeWidth={1.5} />
            {VERDICTS.map((verdict) => (
              <Path key={verdict} d={marks(reps, verdict, column, y)} fill={palette[verdict]} opacity={0.9} />
            ))}
          </>
        );
      }}
    </Plot>
  );
}

/** How far the marks of several strips reach, in percent: the same for all of them. */
export const reachOf = (reps: readonly RanRep[]): number =>
  Math.max(2, Math.min(8, Math.ceil(Math.max(0, ...reps.map(({ percent = 0 }) => Math.abs(percent))))));
