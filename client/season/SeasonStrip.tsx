import { useState } from 'react';
import { View } from 'react-native';
import { daysBetween } from '@core/units/dayNumber';
import type { LaidSeason } from '../data/useSeasons';
import { usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

/** Phases are told apart by their names and by how dense they are drawn, not by colour alone. */
const DENSITY: Record<string, number> = {
  base: 0.25,
  transition: 0.4,
  early: 0.55,
  middle: 0.75,
  late: 1,
  taper: 0.5,
  'race week': 0.9,
  break: 0.08,
};

const HEIGHT = 44;
const BAR = { y: 20, height: 10 };

type Props = { laid: LaidSeason; today: string; label: string };

/** The whole season in a strip: its phases with their names, races as flags, today as a notch. */
export function SeasonStrip({ laid, today, label }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const { weeks, season } = laid;
  const from = weeks[0]?.from ?? season.firstDay;
  const x = (date: string) => (daysBetween(from, date) / (weeks.length * 7)) * width;
  const weekPx = width / weeks.length;
  const runs = weeks.flatMap(({ phase, from: start }, i) =>
    weeks[i - 1]?.phase === phase
      ? []
      : [{ phase, start, weeks: weeks.slice(i).findIndex((week) => week.phase !== phase) }],
  );
  const lengthOf = ({ weeks: n, start }: (typeof runs)[number]) =>
    n < 0 ? weeks.length - Math.round(daysBetween(from, start) / 7) : n;
  return (
    <View role="img" aria-label={label} onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
      <View style={{ minHeight: HEIGHT }}>
        {width > 0 && (
          <svg width={width} height={HEIGHT} aria-hidden="true">
            {runs.map((run) => (
              <g key={run.start}>
                <rect
                  x={x(run.start) + 0.5}
                  y={BAR.y}
                  width={Math.max(1, lengthOf(run) * weekPx - 1.5)}
                  height={BAR.height}
                  rx={2}
                  fill={palette.ink}
                  fillOpacity={DENSITY[run.phase] ?? 0.5}
                />
                {lengthOf(run) * weekPx > run.phase.length * 6.5 && (
                  <text
                    x={x(run.start) + 1}
                    y={HEIGHT - 4}
                    fontSize={11}
                    fontFamily="Zest"
                    fontWeight="700"
                    fill={palette.quiet}
                  >
                    {run.phase}
                  </text>
                )}
              </g>
            ))}
            {season.races.map(({ id, date, weight }) => (
              <g key={id} transform={`translate(${x(date)} 2)`}>
                <line x1={0} y1={0} x2={0} y2={BAR.y + BAR.height - 2} stroke={palette.ink} strokeWidth={2} />
                <path
                  d="M0 1h11l-3 4 3 4h-11z"
                  fill={palette.action}
                  stroke={palette.ink}
                  strokeWidth={1.2}
                  transform="scale(-1 1)"
                />
                <text x={3} y={10} fontSize={11} fontFamily="Zest" fontWeight="700" fill={palette.ink}>
                  {weight}
                </text>
              </g>
            ))}
            {today >= from && today <= (weeks.at(-1)?.days.at(-1)?.date ?? '') && (
              <path
                d={`M${x(today)} ${BAR.y - 2}l-5-8h10z`}
                fill={palette.warning}
                stroke={palette.ink}
                strokeWidth={1.2}
              />
            )}
          </svg>
        )}
      </View>
      {weeks.length === 0 && <Text quiet>Nothing laid out.</Text>}
    </View>
  );
}
