import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { eachMonthOfInterval } from 'date-fns/eachMonthOfInterval';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { Circle, G, Line, Path } from 'react-native-svg';
import type { ProgressPoint } from '@core/fitness/progress';
import { formatDistance } from '@core/units/distance';
import { formatTime } from '@core/units/time';
import { band, path, scale, ticks } from '../ui/plot';
import { Plot } from '../ui/Plot';
import { PlotText } from '../ui/PlotText';
import { usePalette } from '../ui/theme';

const HEIGHT = 210;
const PLOT = { top: 14, right: 14, bottom: 26, left: 54 };

type Props = {
  name: string;
  distanceM: number;
  points: readonly ProgressPoint[];
  /** Days on which there is a mark. */
  markDays: readonly string[];
  goal?: { date: string; timeS: number } | undefined;
};

/** What the marks known by each day were worth over one distance: time across, quicker higher; the goal is a flag. */
export function ProgressDrawing({ name, distanceM, points, markDays, goal }: Props) {
  const palette = usePalette();
  const [first] = points;
  const latest = points.at(-1);
  if (!first || !latest) return null;
  const lastDay = goal && goal.date > latest.date ? goal.date : latest.date;
  const dayOf = (date: string) => differenceInCalendarDays(parseISO(date), parseISO(first.date));
  const times = [
    ...points.flatMap(({ timeS, errorS }) => [timeS - errorS, timeS + errorS]),
    ...(goal ? [goal.timeS] : []),
  ];
  const pad = Math.max(1, (Math.max(...times) - Math.min(...times)) * 0.06);
  const [quick, slow] = [Math.min(...times) - pad, Math.max(...times) + pad];
  const y = scale([quick, slow], [PLOT.top, HEIGHT - PLOT.bottom]);
  const months = eachMonthOfInterval({ start: parseISO(first.date), end: parseISO(lastDay) }).map((day) =>
    format(day, 'yyyy-MM-dd'),
  );
  const every = Math.ceil(months.length / 7);
  const about = `${name} over ${formatDistance(distanceM)}: ${formatTime(first.timeS)} on ${first.date}, ${formatTime(latest.timeS)} on ${latest.date}${goal ? `; the goal is worth ${formatTime(goal.timeS)}` : ''}.`;
  return (
    <Plot about={about} height={HEIGHT}>
      {(width) => {
        const toX = scale([0, Math.max(1, dayOf(lastDay))], [PLOT.left, width - PLOT.right]);
        const x = (date: string) => toX(dayOf(date));
        return (
          <>
            {ticks(quick, slow, 5, [1, 2, 5, 10, 15, 30, 60, 120, 300]).map((timeS) => (
              <G key={timeS}>
                <Line
                  x1={PLOT.left}
                  x2={width - PLOT.right}
                  y1={y(timeS)}
                  y2={y(timeS)}
                  stroke={palette.line}
                  strokeWidth={1}
                />
                <PlotText x={PLOT.left - 6} y={y(timeS) + 4} color={palette.quiet} anchor="end">
                  {formatTime(timeS)}
                </PlotText>
              </G>
            ))}
            {months.map((month, i) =>
              i % every !== 0 || dayOf(month) < 0 ? null : (
                <PlotText key={month} x={x(month)} y={HEIGHT - 6} color={palette.quiet}>
                  {format(parseISO(month), 'MMM')}
                </PlotText>
              ),
            )}
            <Path
              d={band(
                points.map(({ date, timeS, errorS }) => [x(date), y(timeS - errorS)]),
                points.map(({ date, timeS, errorS }) => [x(date), y(timeS + errorS)]),
              )}
              fill={palette.fill}
            />
            <Path
              d={path(points.map(({ date, timeS }) => [x(date), y(timeS)]))}
              stroke={palette.ink}
              strokeWidth={3}
              fill="none"
            />
            {points.map(({ date, timeS }) =>
              markDays.includes(date) ? (
                <Circle
                  key={date}
                  cx={x(date)}
                  cy={y(timeS)}
                  r={5}
                  fill={palette.ink}
                  stroke={palette.ground}
                  strokeWidth={1.5}
                />
              ) : null,
            )}
            {goal && (
              <>
                <Path
                  d={`M${x(latest.date)} ${y(latest.timeS)}L${x(goal.date)} ${y(goal.timeS)}`}
                  stroke={palette.ink}
                  strokeWidth={2}
                  strokeDasharray="3 6"
                />
                <Path
                  d={`M${x(goal.date)} ${y(goal.timeS)}v-16l-11 5l11 5`}
                  stroke={palette.ink}
                  strokeWidth={2}
                  fill={palette.action}
                />
              </>
            )}
          </>
        );
      }}
    </Plot>
  );
}
