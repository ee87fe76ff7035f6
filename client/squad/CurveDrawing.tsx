import { useMemo } from 'react';
import { Circle, G, Path, Rect } from 'react-native-svg';
import { timeErrorFor, timeFor, type Curve } from '@core/fitness/curve';
import type { Mark } from '@core/fitness/mark';
import { mayBeWrong } from '@core/fitness/wrongMark';
import type { Goal } from '@core/squad/athlete';
import { formatDistance, HALF_MARATHON_M, MARATHON_M } from '@core/units/distance';
import { formatTime } from '@core/units/time';
import { band, logScale, path, scale, ticks } from '../ui/plot';
import { Plot } from '../ui/Plot';
import { FootMarks, LevelLines } from '../ui/PlotAxis';
import { PlotText } from '../ui/PlotText';
import { usePalette } from '../ui/theme';

const HEIGHT = 236;
const PLOT = { top: 12, right: 14, bottom: 26, left: 46 };
const POINTS = 25;
const LABELS_M = [400, 800, 1500, 3000, 5000, 10_000, HALF_MARATHON_M, MARATHON_M];
const SHORT: Record<number, string> = { [HALF_MARATHON_M]: 'half', [MARATHON_M]: 'mar' };

const lapS = (timeS: number, distanceM: number) => (timeS * 400) / distanceM;

/** A mark's sign: a race is a full round, a trial a full square, what was only estimated an empty round; left out, a cross. */
function MarkSign({
  mark,
  x,
  y,
  size,
  color,
  ground,
}: {
  mark: Mark;
  x: number;
  y: number;
  size: number;
  color: string;
  ground: string;
}) {
  if (mark.leftOut) return <Path d={`M${x - 4} ${y - 4}l8 8m0 -8l-8 8`} stroke={color} strokeWidth={2} />;
  if (mark.kind === 'trial')
    return (
      <Rect
        x={x - size}
        y={y - size}
        width={size * 2}
        height={size * 2}
        fill={color}
        stroke={ground}
        strokeWidth={1.5}
      />
    );
  const isRun = mark.kind === 'race';
  return (
    <Circle
      cx={x}
      cy={y}
      r={size}
      fill={isRun ? color : ground}
      stroke={isRun ? ground : color}
      strokeWidth={isRun ? 1.5 : 2.5}
    />
  );
}

type Props = {
  name: string;
  curve: Curve;
  goalCurve?: Curve | undefined;
  goal?: Goal | undefined;
  marks: readonly Mark[];
};

/**
 * The athlete's curve: distance across (each doubling as wide), pace up, quicker higher. A band of one standard error, the marks
 * it stands on (the heavier the larger), and the goal dashed.
 */
export function CurveDrawing({ name, curve, goalCurve, goal, marks }: Props) {
  const palette = usePalette();
  const drawn = useMemo(() => {
    const distances = [...marks.map(({ distanceM }) => distanceM), ...(goal ? [goal.distanceM] : [])];
    const fromM = Math.max(200, Math.min(400, ...distances));
    const toM = Math.min(MARATHON_M, Math.max(10_000, ...distances) * 1.05);
    const at = Array.from({ length: POINTS }, (_, i) => fromM * (toM / fromM) ** (i / (POINTS - 1)));
    const line = at.map((distanceM) => {
      const timeS = timeFor(curve, distanceM);
      return { distanceM, lap: lapS(timeS, distanceM), error: lapS(timeErrorFor(curve, distanceM), distanceM) };
    });
    const goals =
      goalCurve && at.map((distanceM) => ({ distanceM, lap: lapS(timeFor(goalCurve, distanceM), distanceM) }));
    const laps = [
      ...line.flatMap(({ lap, error }) => [lap - error, lap + error]),
      ...(goals ?? []).map(({ lap }) => lap),
      ...marks.map(({ timeS, distanceM }) => lapS(timeS, distanceM)),
    ];
    return { fromM, toM, line, goals, quick: Math.min(...laps) - 1, slow: Math.max(...laps) + 1 };
  }, [curve, goalCurve, goal, marks]);

  const { fromM, toM, line, goals, quick, slow } = drawn;
  const y = scale([quick, slow], [PLOT.top, HEIGHT - PLOT.bottom]);
  const weightOf = (mark: Mark) => curve.marks.find((weighed) => weighed.mark === mark);
  const description = `${name}’s curve: ${LABELS_M.filter((m) => m >= fromM && m <= toM)
    .map((m) => `${formatDistance(m)} in ${formatTime(timeFor(curve, m))}`)
    .join(', ')}.`;
  return (
    <Plot description={description} height={HEIGHT}>
      {(width) => {
        const x = logScale([fromM, toM], [PLOT.left, width - PLOT.right]);
        return (
          <>
            <LevelLines
              left={PLOT.left}
              right={width - PLOT.right}
              levels={ticks(quick, slow, 6, [2, 5, 10, 20, 50]).map((lap) => ({
                y: y(lap),
                text: formatTime(lap, 0, 100),
              }))}
            />
            <PlotText x={PLOT.left + 4} y={PLOT.top + 4} color={palette.quiet} anchor="start">
              s a lap
            </PlotText>
            <FootMarks
              bottom={HEIGHT - PLOT.bottom}
              places={LABELS_M.filter((m) => m >= fromM && m <= toM).map((distanceM) => ({
                x: x(distanceM),
                text: SHORT[distanceM] ?? formatDistance(distanceM),
              }))}
            />
            <Path
              d={band(
                line.map(({ distanceM, lap, error }) => [x(distanceM), y(lap - error)]),
                line.map(({ distanceM, lap, error }) => [x(distanceM), y(lap + error)]),
              )}
              fill={palette.fill}
            />
            {goals && (
              <Path
                d={path(goals.map(({ distanceM, lap }) => [x(distanceM), y(lap)]))}
                stroke={palette.ink}
                strokeWidth={2}
                strokeDasharray="3 6"
                fill="none"
              />
            )}
            <Path
              d={path(line.map(({ distanceM, lap }) => [x(distanceM), y(lap)]))}
              stroke={palette.ink}
              strokeWidth={3}
              fill="none"
            />
            {goal && (
              <Path
                d={`M${x(goal.distanceM)} ${y(lapS(goal.timeS, goal.distanceM))}v-16l11 5l-11 5`}
                stroke={palette.ink}
                strokeWidth={2}
                fill={palette.action}
              />
            )}
            {goal && (
              <PlotText
                x={x(goal.distanceM) - 6}
                y={y(lapS(goal.timeS, goal.distanceM)) - 14}
                color={palette.ink}
                anchor="end"
                bold
              >
                goal
              </PlotText>
            )}
            {marks.map((mark, i) => {
              const weighed = weightOf(mark);
              const [cx, cy] = [x(mark.distanceM), y(lapS(mark.timeS, mark.distanceM))];
              return (
                <G key={i}>
                  {weighed && mayBeWrong(curve, weighed) && (
                    <Circle cx={cx} cy={cy} r={12} fill="none" stroke={palette.late} strokeWidth={2.5} />
                  )}
                  <MarkSign
                    mark={mark}
                    x={cx}
                    y={cy}
                    size={4 + 4 * Math.sqrt(weighed?.weight ?? 0)}
                    color={mark.leftOut ? palette.quiet : palette.ink}
                    ground={palette.ground}
                  />
                </G>
              );
            })}
          </>
        );
      }}
    </Plot>
  );
}
