import { Circle, Line, Path, Rect } from 'react-native-svg';
import type { Chances } from '@core/outlook/chances';
import type { Outlook } from '@core/outlook/outlook';
import type { MeantArc } from '@core/session/intent';
import { EffortGrid } from '../../ui/EffortGrid';
import { path, scale } from '../../ui/plot';
import { Plot } from '../../ui/Plot';
import { RepNumbers } from '../../ui/PlotAxis';
import { usePalette } from '../../ui/theme';

const HEIGHT = 220;
const PLOT = { top: 12, right: 18, left: 30, effort: 140, gap: 22, reserve: 34 };

type Props = { name: string; outlook: Outlook; arc: MeantArc; chances: Chances | undefined };

/** A session of one long block has two points: its first third, and its end. */
function withFirstThird({ points, meant }: Outlook, arc: MeantArc): Pick<Outlook, 'points' | 'meant'> {
  const [only] = points;
  if (points.length !== 1 || only?.earlyEffort === undefined) return { points, meant };
  const early = { ...only, effort: only.earlyEffort, leftShare: 1 - (1 - only.leftShare) / 3 };
  return { points: [early, only], meant: [arc.first, ...meant] };
}

/**
 * Effort through the session: meant dashed, predicted solid with a dot for each rep, and where four days in five should end. Below it the
 * reserve left after each rep.
 */
export function EffortArc({ name, outlook, arc, chances }: Props) {
  const { points, meant } = withFirstThird(outlook, arc);
  const palette = usePalette();
  const y = scale([1, 10], [PLOT.effort, PLOT.top]);
  const bottom = PLOT.effort + PLOT.gap + PLOT.reserve;
  const last = points.at(-1);
  const description = `${name}: predicted effort ${(points[0]?.effort ?? 0).toFixed(1)} on the first rep and ${(last?.effort ?? 0).toFixed(1)} on the last, meant ${(meant[0] ?? 0).toFixed(1)} to ${(meant.at(-1) ?? 0).toFixed(1)}; ${Math.round((last?.leftShare ?? 1) * 100)} % of the reserve left at the end.`;
  return (
    <Plot description={description} height={HEIGHT}>
      {(width) => {
        const n = points.length;
        const x = scale([0, Math.max(1, n - 1)], [PLOT.left + 8, width - PLOT.right]);
        const at = (i: number) => (n === 1 ? (PLOT.left + width - PLOT.right) / 2 : x(i));
        const bar = Math.max(3, Math.min(18, (width - PLOT.left - PLOT.right) / Math.max(1, n) - 3));
        const predicted = points.flatMap(({ effort }, i): [number, number][] =>
          effort === undefined ? [] : [[at(i), y(effort)]],
        );
        return (
          <>
            <EffortGrid left={PLOT.left} width={width} y={y} />
            <Path
              d={path(meant.map((effort, i) => [at(i), y(effort)]))}
              stroke={palette.quiet}
              strokeWidth={3}
              strokeDasharray="7 5"
              fill="none"
            />
            {chances?.lastEffort && (
              <Line
                x1={at(n - 1)}
                x2={at(n - 1)}
                y1={y(chances.lastEffort.low)}
                y2={y(chances.lastEffort.high)}
                stroke={palette.warning}
                strokeWidth={9}
                strokeLinecap="round"
              />
            )}
            <Path d={path(predicted)} stroke={palette.ink} strokeWidth={2.5} fill="none" />
            {predicted.map(([px, py], i) => (
              <Circle key={i} cx={px} cy={py} r={n > 25 ? 2.5 : 4} fill={palette.ink} />
            ))}
            {points.map(({ leftShare }, i) => {
              const share = Math.min(1, Math.max(0, leftShare));
              const height = Math.max(1.5, share * PLOT.reserve);
              return (
                <Rect
                  key={i}
                  x={at(i) - bar / 2}
                  width={bar}
                  y={bottom - height}
                  height={height}
                  fill={leftShare < 0 ? palette.late : palette.easy}
                />
              );
            })}
            <Line x1={PLOT.left} x2={width - 6} y1={bottom} y2={bottom} stroke={palette.ink} strokeWidth={1} />
            <RepNumbers count={n} x={at} y={HEIGHT - 8} />
          </>
        );
      }}
    </Plot>
  );
}
