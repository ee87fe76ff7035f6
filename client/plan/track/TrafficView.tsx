import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { crossings, type BusySpan, type Clash, type GroupTraffic, type StartGaps } from '@core/track/traffic';
import { placeName, type Venue } from '@core/venue/venue';
import { formatClock } from '@core/units/time';
import { scale } from '../../ui/plot';
import { FootMarks, LevelLines } from '../../ui/PlotAxis';
import { PlotText } from '../../ui/PlotText';
import { SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { DASHES, letterOf, strokesOf } from './trafficPlaces';

const HEIGHT = 250;
const PLOT = { top: 20, bottom: 226, left: 34, right: 12 };
/** Least px for a minute: closer than that, lines cannot be told apart. */
const MINUTE_PX = 30;

type Props = {
  traffic: readonly GroupTraffic[];
  names: readonly string[];
  gaps: StartGaps;
  clashes: readonly Clash[];
  busy: readonly BusySpan[];
  venue: Venue;
  /** Where the coach stands, in metres past the finish line. */
  lineM: number;
};

/**
 * Time across, place on the lap up, a line for each group: thick while it runs a rep, thin in between. Bands are seconds in which
 * one person would have to time two groups; dots are crossings of the line where the coach stands.
 */
export function TrafficView({ traffic, names, gaps, clashes, busy, venue, lineM }: Props) {
  const palette = usePalette();
  const [room, setRoom] = useState(0);
  const endS = Math.max(60, ...traffic.map(({ id, endS: end }) => end + (gaps[id] ?? 0)));
  const width = Math.max(room, PLOT.left + PLOT.right + (endS / 60) * MINUTE_PX);
  const x = scale([0, endS], [PLOT.left, width - PLOT.right]);
  const y = scale([0, venue.lapM], [PLOT.bottom, PLOT.top]);
  const minutes = Array.from({ length: Math.floor(endS / 60) + 1 }, (_, i) => i);
  const every = Math.max(1, Math.ceil(44 / (((width - PLOT.left) / endS) * 60)));
  const description = `Who is where when, from the first start to ${formatClock(endS)}: ${names.join(', ')}. ${clashes.length === 0 ? 'No clash.' : `${clashes.length} clashes.`}`;
  return (
    <View style={{ gap: SPACE.xs }} onLayout={(event) => setRoom(event.nativeEvent.layout.width)}>
      <ScrollView horizontal tabIndex={0} aria-label="Traffic, scrolls sideways">
        <View role="img" aria-label={description}>
          <svg width={width} height={HEIGHT}>
            {busy.map(({ fromS, toS }, i) => (
              <rect
                key={i}
                x={x(Math.max(0, fromS))}
                width={Math.max(0, x(Math.min(endS, toS)) - x(Math.max(0, fromS)))}
                y={PLOT.top}
                height={PLOT.bottom - PLOT.top}
                fill={palette.sand}
              />
            ))}
            {clashes.map(({ fromS, toS }, i) => (
              <g key={i}>
                <rect
                  x={x(fromS) - 2}
                  width={Math.max(5, x(toS) - x(fromS) + 4)}
                  y={PLOT.top - 6}
                  height={PLOT.bottom - PLOT.top + 6}
                  fill={palette.warning}
                  fillOpacity={0.55}
                />
                <path d={`M${x((fromS + toS) / 2) - 5} ${PLOT.top - 14}h10l-5 9z`} fill={palette.ink} />
              </g>
            ))}
            <LevelLines
              left={PLOT.left}
              right={width - PLOT.right}
              levels={venue.marks.map(({ atM }) => ({ y: y(atM), text: String(Math.round(atM)) }))}
            />
            <line
              x1={PLOT.left}
              x2={width - PLOT.right}
              y1={y(lineM)}
              y2={y(lineM)}
              stroke={palette.ink}
              strokeWidth={2.5}
            />
            {traffic.map((group, i) => {
              const dash = DASHES[i % DASHES.length];
              const gapS = gaps[group.id] ?? 0;
              return (
                <g key={group.id}>
                  {strokesOf(group, venue, gapS, x, y).map(({ kind, points }, k) => (
                    <polyline
                      key={k}
                      points={points.map((point) => point.join(',')).join(' ')}
                      fill="none"
                      stroke={kind === 'rep' ? palette.ink : palette.jog}
                      strokeWidth={kind === 'rep' ? 2.4 : 1.2}
                      {...(dash && kind === 'rep' ? { strokeDasharray: dash } : {})}
                    />
                  ))}
                  {crossings(group, venue, lineM).map((atS) => (
                    <circle key={atS} cx={x(atS + gapS)} cy={y(lineM)} r={3.5} fill={palette.ink} />
                  ))}
                  {group.legs
                    .filter(({ kind }) => kind === 'rep')
                    .map(({ fromS, fromM, toS, toM }, k) => {
                      // Beside each other, where groups run together.
                      const into = 0.2 + 0.14 * (i % 5);
                      const atM = fromM + into * (toM - fromM);
                      const onLap = ((atM % venue.lapM) + venue.lapM) % venue.lapM;
                      return (
                        <g key={k}>
                          <circle
                            cx={x(fromS + into * (toS - fromS) + gapS)}
                            cy={y(onLap)}
                            r={8}
                            fill={palette.ground}
                            stroke={palette.ink}
                            strokeWidth={1}
                          />
                          <PlotText
                            x={x(fromS + into * (toS - fromS) + gapS)}
                            y={y(onLap) + 4}
                            color={palette.ink}
                            bold
                          >
                            {letterOf(i)}
                          </PlotText>
                        </g>
                      );
                    })}
                </g>
              );
            })}
            <FootMarks
              bottom={PLOT.bottom}
              places={minutes
                .filter((minute) => minute % every === 0)
                .map((minute) => ({ x: x(minute * 60), text: `${minute} min` }))}
            />
          </svg>
        </View>
      </ScrollView>
      <Text as="label" quiet>
        {`Metres of the lap up, minutes from the first start across. The heavy line is where you stand, at ${placeName(venue, lineM)}; yellow: two groups at once${busy.length > 0 ? '; sand: the track is someone else’s' : ''}.`}
      </Text>
    </View>
  );
}
