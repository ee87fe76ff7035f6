/** Charts in the look of the app, drawn by react-native-gifted-charts: in a file of their own, fetched when the first is shown. */
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { BarChart, LineChart } from 'react-native-gifted-charts';
import { INERT } from '../inert';
import { SPACE, usePalette } from '../theme';
import { Text } from '../Text';
import { daysBetween } from '@core/units/dayNumber';

const LABEL_WIDTH = 46;
const HEIGHT = 150;
const INSET = 8;
const SECTIONS = 4;

/** Room for a chart as wide as its place; for screen readers it is a picture with words. */
function Frame({
  description,
  height,
  children,
}: {
  description: string;
  height: number;
  children: (width: number) => ReactNode;
}) {
  const [width, setWidth] = useState(0);
  return (
    <View
      role="img"
      aria-label={description}
      style={{ width: '100%', minHeight: height, overflow: 'hidden' }}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      {width > 0 && <View {...INERT}>{children(width - LABEL_WIDTH - INSET)}</View>}
    </View>
  );
}

function useLabels() {
  const palette = usePalette();
  const text = { color: palette.quiet, fontFamily: 'Zest', fontWeight: '500', fontSize: 12 } as const;
  return {
    yAxisTextStyle: text,
    xAxisLabelTextStyle: text,
    yAxisColor: 'transparent',
    xAxisColor: palette.ink,
    rulesColor: palette.line,
    rulesType: 'solid' as const,
    yAxisLabelWidth: LABEL_WIDTH,
    disableScroll: true,
    noOfSections: SECTIONS,
  };
}

/** A round top for the axis: sections of whole numbers above nothing. */
function roundTop(most: number): number {
  const step = [1, 2, 5, 10, 20, 25, 50, 100, 200, 250, 500, 1000, 2000, 5000].find((step) => step * SECTIONS >= most);
  return (step ?? Math.ceil(most / SECTIONS)) * SECTIONS;
}

export type Bar = { date: string; value: number; planned?: number; isMarked?: boolean };

type BarsProps = { description: string; bars: readonly Bar[]; unit: string };

/** A bar a week, as it was run, with a line across at what was planned; a week that stands out is dark. */
export function WeekBars({ description, bars, unit }: BarsProps) {
  const palette = usePalette();
  const labels = useLabels();
  const top = roundTop(Math.max(1, ...bars.flatMap(({ value, planned = 0 }) => [value, planned])));
  const every = Math.ceil(bars.length / 5);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Frame description={description} height={HEIGHT + 30}>
        {(inner) => {
          const step = inner / Math.max(1, bars.length);
          return (
            <BarChart
              {...labels}
              data={bars.map(({ date, value, isMarked }, i) => ({
                value,
                frontColor: isMarked ? palette.late : palette.ink,
                label: i % every === 0 && i <= bars.length - every ? format(parseISO(date), 'd MMM') : '',
                labelWidth: step * every,
              }))}
              width={inner}
              height={HEIGHT}
              maxValue={top}
              barWidth={step * 0.6}
              spacing={step * 0.4}
              initialSpacing={step * 0.2}
              endSpacing={step * 0.6}
              barBorderRadius={2}
              showLine={bars.some(({ planned }) => planned !== undefined)}
              lineData={bars.map(({ planned = 0 }) => ({ value: planned }))}
              lineConfig={{
                color: palette.warning,
                thickness: 3,
                hideDataPoints: true,
              }}
              formatYLabel={(value) => String(Math.round(Number(value)))}
            />
          );
        }}
      </Frame>
      <Text as="label" quiet>
        {unit}
      </Text>
    </View>
  );
}

/** How a dot is drawn. */
type Look = 'filled' | 'square' | 'pale';

/** Without a dot where `isMarked` says no. */
export type DatedPoint = { date: string; value: number; isMarked?: boolean; look?: Look };
type Line = { points: readonly DatedPoint[]; kind: 'main' | 'band' | 'goal' };

/** A dot is a line of its own: straight up over its error, with the dot half way. */
const asLine = ({ date, value, low, high, look }: DatedDot) => ({
  kind: 'dot' as const,
  points: [
    { date, value: low, isMarked: false },
    { date, value, look },
    { date, value: high, isMarked: false },
  ],
});

/** A value of its own with how far it may be off. */
export type DatedDot = { date: string; value: number; low: number; high: number; look: Look };

type LinesProps = {
  description: string;
  lines: readonly Line[];
  dots?: readonly DatedDot[];
  /** A value as it is read, `4:36`, with so many decimals as the steps of the axis have. */
  text: (value: number, digits: 0 | 1) => string;
  /** Steps that the axis may go in. */
  steps: readonly number[];
  /** Smaller is better, and drawn higher. */
  isUpsideDown?: boolean;
  /** An axis of its own, such as that of effort; fitted to the values if left out. */
  axis?: { low: number; step: number; sections: number };
};

/** Values over dates: the line itself with dots, its error as thin lines, a goal as a dashed one. */
export function DateLines({ description, lines, dots = [], text, steps, isUpsideDown = false, axis }: LinesProps) {
  const palette = usePalette();
  const labels = useLabels();
  const all = lines.flatMap(({ points }) => points);
  const dates = [...all, ...dots].map(({ date }) => date).sort();
  const [first, last] = [dates[0], dates.at(-1)];
  if (first === undefined || last === undefined) return null;
  const values = [...all.map(({ value }) => value), ...dots.flatMap(({ low, high }) => [low, high])];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const fitting = steps.find((step) => (most - least) / step <= SECTIONS - 1) ?? 1;
  const { low, step, sections } = axis ?? {
    low: Math.floor(least / fitting) * fitting,
    step: fitting,
    sections: SECTIONS,
  };
  const high = low + step * sections;
  const digits = step % 1 === 0 ? 0 : 1;
  const days = Math.max(1, daysBetween(first, last));
  // The library draws upwards from nothing: what is better goes up.
  const drawn = (value: number) => (isUpsideDown ? high - value : value - low);
  const STYLE = {
    main: { color: palette.ink, thickness: 3, hideDataPoints: false },
    band: { color: palette.jog, thickness: 1.5, hideDataPoints: true },
    goal: { color: palette.ink, thickness: 2, hideDataPoints: true },
    dot: { color: palette.quiet, thickness: 1.5, hideDataPoints: false },
  } as const;
  const LOOKS = {
    filled: {},
    square: { dataPointShape: 'rectangular', dataPointWidth: 9, dataPointHeight: 9 },
    pale: { dataPointColor: palette.warning },
  } as const;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Frame description={description} height={HEIGHT + 16}>
        {(inner) => {
          const perDay = (inner - 2 * INSET) / days;
          return (
            <LineChart
              {...labels}
              dataSet={[...lines, ...dots.map(asLine)]
                .filter(({ points }) => points.length > 0)
                .map(({ points: given, kind }) => {
                  // Every line begins at the left: one that starts later is drawn unseen up to there.
                  const [begins] = given;
                  const isLater = begins !== undefined && begins.date > first;
                  const points = isLater ? [{ ...begins, date: first, isMarked: false }, ...given] : given;
                  return {
                    data: points.map(({ date, value, isMarked = true, look = 'filled' }, i) => {
                      const next = points[i + 1];
                      return {
                        value: drawn(value),
                        hideDataPoint: !isMarked,
                        ...LOOKS[look],
                        spacing: next ? daysBetween(date, next.date) * perDay : 0,
                      };
                    }),
                    ...STYLE[kind],
                    dataPointsColor: palette.ink,
                    dataPointsRadius: 4,
                    ...(kind === 'goal' ? { strokeDashArray: [3, 6] } : {}),
                    ...(isLater ? { lineSegments: [{ startIndex: 0, endIndex: 1, color: 'transparent' }] } : {}),
                  };
                })}
              width={inner}
              height={HEIGHT}
              noOfSections={sections}
              maxValue={step * sections}
              stepValue={step}
              // Else what is after the point is cut off.
              showFractionalValues
              roundToDigits={2}
              initialSpacing={INSET}
              endSpacing={INSET}
              formatYLabel={(label) => text(isUpsideDown ? high - Number(label) : low + Number(label), digits)}
            />
          );
        }}
      </Frame>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', paddingLeft: LABEL_WIDTH }}>
        <Text as="label" quiet>
          {format(parseISO(first), 'd MMM')}
        </Text>
        <Text as="label" quiet>
          {format(parseISO(last), 'd MMM')}
        </Text>
      </View>
    </View>
  );
}
