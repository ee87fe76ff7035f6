import { counted } from '@core/units/counted';
import { Pressable, View, type GestureResponderEvent } from 'react-native';
import { G, Line, Path } from 'react-native-svg';
import type { ReviewCell } from '@core/review/cell';
import type { Review } from '@core/review/review';
import type { Verdict } from '@core/run/verdict';
import { formatDelta } from '@core/units/time';
import { path, scale } from '../ui/plot';
import { Plot } from '../ui/Plot';
import { PlotText } from '../ui/PlotText';
import { usePalette } from '../ui/theme';

const HEIGHT = 176;
const PLOT = { top: 12, bottom: 24, left: 48, right: 8 };
/** A press picks the athlete whose mark is within so many px. */
const REACH_PX = 44;

/** Early points left, late right, on is round: the same marks as everywhere, `size` high to each side. */
export function shapeAt(verdict: Verdict, x: number, y: number, size = 4): string {
  const [tip, back, round] = [size + 0.5, size - 0.5, size * 0.75];
  if (verdict === 'early') return `M${x + back} ${y - size}L${x - tip} ${y}L${x + back} ${y + size}Z`;
  if (verdict === 'late') return `M${x - back} ${y - size}L${x + tip} ${y}L${x - back} ${y + size}Z`;
  return `M${x - round} ${y}a${round} ${round} 0 1 0 ${2 * round} 0a${round} ${round} 0 1 0${-2 * round} 0`;
}

type Point = { athleteId: string; at: number; verdict: Verdict; percent: number; deltaS: number };

/** How far a rep was off, in percent of its target. */
function pointOf(athleteId: string, cell: ReviewCell, at: number): Point | undefined {
  const { deltaS, verdict, excluded, targetS = cell.actualS } = cell;
  if (deltaS === undefined || !verdict || !targetS || excluded) return undefined;
  return { athleteId, at, verdict, percent: (deltaS / targetS) * 100, deltaS };
}

/** Every mark there is, rep by rep. */
export const spreadPoints = ({ rows }: Review): Point[] =>
  rows.flatMap(({ athleteId, cells }) => cells.flatMap((cell, at) => pointOf(athleteId, cell, at) ?? []));

/** In the order they are drawn. */
export const VERDICTS: readonly Verdict[] = ['early', 'on', 'late'];

/** Marks of one kind share a path: hundreds of elements are slow on a phone. */
export const marksOf = <P extends { verdict: Verdict }>(
  points: readonly P[],
  placeAt: (point: P, i: number) => { x: number; y: number },
): string =>
  points
    .map((point, i) => {
      const { x, y } = placeAt(point, i);
      return shapeAt(point.verdict, x, y);
    })
    .join('');

type Props = { review: Review; highlightId?: string | undefined; choose?: (athleteId: string) => void };

/** Where a press came down inside what it fell on. */
function placeOf(event: GestureResponderEvent): { x: number; y: number } {
  const { clientX, clientY } = event.nativeEvent as unknown as MouseEvent;
  const box = (event.currentTarget as unknown as HTMLElement).getBoundingClientRect();
  return { x: clientX - box.left, y: clientY - box.top };
}

/**
 * Every rep a column, every athlete a mark above (late) or below (early) the target line, in percent of it: evenness and fade show before
 * any number is read. Choosing an athlete joins their marks by a line.
 */
export function Spread({ review, highlightId, choose }: Props) {
  const palette = usePalette();
  const n = review.columns.length;
  const points = spreadPoints(review);
  if (points.length === 0) return null;
  const reach = Math.max(2, Math.min(12, Math.ceil(Math.max(...points.map((point) => Math.abs(point.percent))))));
  const toY = scale([reach, -reach], [PLOT.top, HEIGHT - PLOT.bottom]);
  const y = (percent: number) => toY(Math.max(-reach, Math.min(reach, percent)));
  const columnOf = (width: number) => (width - PLOT.left - PLOT.right) / n;
  const xOf = (width: number, at: number) => PLOT.left + columnOf(width) * (at + 0.5);
  const worst = points.reduce((a, b) => (Math.abs(b.percent) > Math.abs(a.percent) ? b : a));
  const count = (verdict: Verdict) => points.filter((point) => point.verdict === verdict).length;
  const description = `Spread around the targets over ${counted(n, 'rep')}: ${count('early')} early, ${count('on')} on, ${count('late')} late; furthest off ${formatDelta(worst.deltaS)} seconds.`;
  const mine = points.filter(({ athleteId }) => athleteId === highlightId);
  const pick = (event: GestureResponderEvent) => {
    const { width } = (event.currentTarget as unknown as HTMLElement).getBoundingClientRect();
    const here = placeOf(event);
    const away = (point: Point) => Math.hypot(xOf(width, point.at) - here.x, y(point.percent) - here.y);
    const nearest = points.reduce((a, b) => (away(b) < away(a) ? b : a));
    if (away(nearest) <= REACH_PX) choose?.(nearest.athleteId);
  };
  const drawing = (
    <Plot description={description} height={HEIGHT}>
      {(width) => {
        const column = columnOf(width);
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
                <PlotText
                  x={PLOT.left - 6}
                  y={y(percent) + 4}
                  color={percent === 0 ? palette.ink : palette.quiet}
                  anchor="end"
                >
                  {percent === 0 ? 'target' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`}
                </PlotText>
              </G>
            ))}
            <PlotText x={PLOT.left - 6} y={y(reach) + 20} color={palette.late} anchor="end">
              late
            </PlotText>
            <PlotText x={PLOT.left - 6} y={y(-reach) - 12} color={palette.early} anchor="end">
              early
            </PlotText>
            {VERDICTS.map((verdict) => (
              <Path
                key={verdict}
                d={marksOf(
                  points.filter((point) => point.verdict === verdict && point.athleteId !== highlightId),
                  (point, i) => ({
                    x: xOf(width, point.at) + ((i % 5) - 2) * Math.min(5, column / 7),
                    y: y(point.percent),
                  }),
                )}
                fill={palette[verdict]}
                opacity={mine.length === 0 ? 0.95 : 0.35}
              />
            ))}
            {mine.length > 0 && (
              <>
                <Path
                  d={path(mine.map(({ at, percent }) => [xOf(width, at), y(percent)]))}
                  stroke={palette.ink}
                  strokeWidth={2.5}
                  fill="none"
                />
                {VERDICTS.map((verdict) => (
                  <Path
                    key={verdict}
                    d={marksOf(
                      mine.filter((point) => point.verdict === verdict),
                      (point) => ({ x: xOf(width, point.at), y: y(point.percent) }),
                    )}
                    fill={palette[verdict]}
                    stroke={palette.ground}
                    strokeWidth={1}
                  />
                ))}
              </>
            )}
            {review.columns.map((_, at) =>
              column > 22 || at % Math.ceil(22 / column) === 0 ? (
                <PlotText key={at} x={xOf(width, at)} y={HEIGHT - 8} color={palette.quiet}>
                  {String(at + 1)}
                </PlotText>
              ) : null,
            )}
          </>
        );
      }}
    </Plot>
  );
  if (!choose) return drawing;
  return (
    <View>
      <Pressable onPress={pick} tabIndex={-1}>
        {drawing}
      </Pressable>
    </View>
  );
}
