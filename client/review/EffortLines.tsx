import { View } from 'react-native';
import { Circle, Path, Rect } from 'react-native-svg';
import type { EffortReading } from '@core/review/effortReading';
import { EffortGrid } from '../ui/EffortGrid';
import { path, scale } from '../ui/plot';
import { Plot } from '../ui/Plot';
import { RepNumbers } from '../ui/PlotAxis';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

const HEIGHT = 184;
const PLOT = { top: 12, right: 14, bottom: 26, left: 30 };

type Key = { words: string; line: 'dashed' | 'solid' | 'marks' };

/** What each line is, drawn as it is above. */
function Legend({ keys }: { keys: readonly Key[] }) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.l, flexWrap: 'wrap' }}>
      {keys.map(({ words, line }) => (
        <View key={words} style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <View
            style={{
              width: line === 'marks' ? 12 : 22,
              height: line === 'marks' ? 12 : 0,
              borderTopWidth: line === 'marks' ? 0 : 3,
              borderStyle: line === 'dashed' ? 'dashed' : 'solid',
              borderColor: line === 'dashed' ? palette.quiet : palette.ink,
              backgroundColor: line === 'marks' ? palette.warning : 'transparent',
            }}
          />
          <Text as="small">{words}</Text>
        </View>
      ))}
    </View>
  );
}

/**
 * Effort through the session: meant dashed, predicted from what was run a line with dots, told a square. The three should lie together.
 */
export function EffortLines({ name, reading }: { name: string; reading: EffortReading }) {
  const palette = usePalette();
  const { points } = reading;
  const n = points.length;
  if (n === 0) return null;
  const y = scale([1, 10], [HEIGHT - PLOT.bottom, PLOT.top]);
  const told = points.flatMap(({ reported }, i) => (reported === undefined ? [] : [{ reported, i }]));
  const hasPredicted = points.some(({ predicted }) => predicted !== undefined);
  const first = points[0];
  const last = points.at(-1);
  const span = (from: number | undefined, to: number | undefined) =>
    from === undefined || to === undefined ? 'not known' : `${from.toFixed(1)} to ${to.toFixed(1)}`;
  const description = `${name}: effort meant ${span(first?.meant, last?.meant)}, predicted ${span(first?.predicted, last?.predicted)}, reported ${told.length === 0 ? 'never' : `${told.map(({ reported, i }) => `${reported} on rep ${i + 1}`).join(', ')}`}.`;
  return (
    <View style={{ gap: SPACE.s }}>
      <Plot description={description} height={HEIGHT}>
        {(width) => {
          const toX = scale([0, Math.max(1, n - 1)], [PLOT.left + 10, width - PLOT.right]);
          const x = (i: number) => (n === 1 ? (PLOT.left + width) / 2 : toX(i));
          const predicted = points.flatMap(({ predicted: effort }, i): [number, number][] =>
            effort === undefined ? [] : [[x(i), y(effort)]],
          );
          return (
            <>
              <EffortGrid left={PLOT.left} width={width} y={y} />
              <Path
                d={path(points.map(({ meant }, i) => [x(i), y(meant)]))}
                stroke={palette.quiet}
                strokeWidth={3}
                strokeDasharray="7 5"
                fill="none"
              />
              <Path d={path(predicted)} stroke={palette.ink} strokeWidth={2.5} fill="none" />
              {predicted.map(([px, py], i) => (
                <Circle key={i} cx={px} cy={py} r={n > 25 ? 2 : 3.5} fill={palette.ink} />
              ))}
              {told.map(({ reported, i }) => (
                <Rect
                  key={i}
                  x={x(i) - 6}
                  y={y(reported) - 6}
                  width={12}
                  height={12}
                  fill={palette.warning}
                  stroke={palette.ink}
                  strokeWidth={1.5}
                />
              ))}
              <RepNumbers count={n} x={x} y={HEIGHT - 8} />
            </>
          );
        }}
      </Plot>
      <Legend
        keys={[
          { words: 'meant', line: 'dashed' },
          ...(hasPredicted ? [{ words: 'predicted from the times', line: 'solid' } as const] : []),
          ...(told.length > 0 ? [{ words: 'reported', line: 'marks' } as const] : []),
        ]}
      />
    </View>
  );
}
