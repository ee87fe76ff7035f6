import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Review } from '@core/review/review';
import type { Verdict } from '@core/trackside/verdict';
import { formatDelta } from '@core/units/time';
import { Plot } from '../ui/Plot';
import { usePalette } from '../ui/theme';

const HEIGHT = 168;
const PLOT = { top: 10, bottom: 22, left: 44, right: 8 };

/** Early points left, late right, on is round: the same marks as everywhere, small. */
function shapeAt(verdict: Verdict, x: number, y: number): string {
  if (verdict === 'early') return `M${x + 3.5} ${y - 4}L${x - 4.5} ${y}L${x + 3.5} ${y + 4}Z`;
  if (verdict === 'late') return `M${x - 3.5} ${y - 4}L${x + 4.5} ${y}L${x - 3.5} ${y + 4}Z`;
  return `M${x - 3} ${y}a3 3 0 1 0 6 0a3 3 0 1 0-6 0`;
}

type Props = { review: Review; highlightId?: string | undefined };

/**
 * Every rep a column, every athlete a mark above (late) or below (early) the line of the target, in percent of it: evenness
 * and fade are seen before any number is read.
 */
export function Spread({ review, highlightId }: Props) {
  const palette = usePalette();
  const labels = review.columns.map((_, i) => String(i + 1));
  const points = review.rows.flatMap((row) =>
    row.cells.flatMap((cell, at) => {
      const { deltaS, targetS, verdict } = cell;
      return deltaS === undefined || !targetS || !verdict
        ? []
        : [{ athleteId: row.athleteId, at, verdict, percent: (deltaS / targetS) * 100, deltaS }];
    }),
  );
  if (points.length === 0) return null;
  const reach = Math.max(2, Math.min(12, Math.ceil(Math.max(...points.map((point) => Math.abs(point.percent))))));
  const plotHeight = HEIGHT - PLOT.top - PLOT.bottom;
  const y = (percent: number) =>
    PLOT.top + plotHeight / 2 - (Math.max(-reach, Math.min(reach, percent)) / reach) * (plotHeight / 2);
  const worst = points.reduce((a, b) => (Math.abs(b.percent) > Math.abs(a.percent) ? b : a));
  const about = `Spread around the targets over ${labels.length} reps: ${points.filter((p) => p.verdict === 'early').length} early, ${points.filter((p) => p.verdict === 'on').length} on, ${points.filter((p) => p.verdict === 'late').length} late; furthest off ${formatDelta(worst.deltaS)} seconds.`;
  return (
    <Plot about={about} height={HEIGHT}>
      {(width) => {
        const column = (width - PLOT.left - PLOT.right) / Math.max(1, labels.length);
        return (
          <>
            {[reach, 0, -reach].map((percent) => (
              <G key={percent}>
                <Line
                  x1={PLOT.left}
                  x2={width - PLOT.right}
                  y1={y(percent)}
                  y2={y(percent)}
                  stroke={percent === 0 ? palette.ink : palette.line}
                  strokeWidth={percent === 0 ? 2 : 1}
                />
                <SvgText
                  x={PLOT.left - 6}
                  y={y(percent) + 4}
                  fontSize={12}
                  fontFamily="Zest"
                  fontWeight="700"
                  textAnchor="end"
                  fill={percent === 0 ? palette.ink : palette.quiet}
                >
                  {percent === 0 ? 'target' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`}
                </SvgText>
              </G>
            ))}
            <SvgText
              x={PLOT.left - 6}
              y={y(reach) + 18}
              fontSize={12}
              fontFamily="Zest"
              fontWeight="700"
              textAnchor="end"
              fill={palette.late}
            >
              late
            </SvgText>
            <SvgText
              x={PLOT.left - 6}
              y={y(-reach) - 10}
              fontSize={12}
              fontFamily="Zest"
              fontWeight="700"
              textAnchor="end"
              fill={palette.early}
            >
              early
            </SvgText>
            {labels.map((label, at) => {
              const middle = PLOT.left + column * (at + 0.5);
              const here = points.filter((point) => point.at === at);
              const mine = here.filter((point) => point.athleteId === highlightId);
              return (
                <G key={at}>
                  {mine.length > 0 && (
                    <Rect
                      x={middle - column / 2 + 1}
                      y={y(mine[0]?.percent ?? 0) - 8}
                      width={column - 2}
                      height={16}
                      rx={4}
                      fill={palette.fill}
                    />
                  )}
                  {[...here.filter((point) => !mine.includes(point)), ...mine].map((point, i) => {
                    const aside = ((i % 5) - 2) * Math.min(5, column / 7);
                    return (
                      <Path
                        key={point.athleteId}
                        d={shapeAt(point.verdict, middle + aside, y(point.percent))}
                        fill={palette[point.verdict]}
                        opacity={highlightId && point.athleteId !== highlightId ? 0.45 : 0.95}
                      />
                    );
                  })}
                  {(column > 26 || at % 2 === 0) && (
                    <SvgText
                      x={middle}
                      y={HEIGHT - 8}
                      fontSize={12}
                      fontFamily="Zest"
                      fontWeight="500"
                      textAnchor="middle"
                      fill={palette.quiet}
                    >
                      {label}
                    </SvgText>
                  )}
                </G>
              );
            })}
          </>
        );
      }}
    </Plot>
  );
}
