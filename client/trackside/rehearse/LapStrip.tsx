import { View } from 'react-native';
import { Circle, G, Line, Svg, Text as SvgText } from 'react-native-svg';
import { metresInto, type Truth } from '@core/rehearsal/rehearsal';
import { usePalette } from '../../ui/theme';

const SIZE = { width: 366, height: 58, y: 42, edge: 14 };
/** Names nearer together than this would run into each other. */
const NAME_GAP = 26;

type Props = { truths: readonly Truth[]; names: Readonly<Record<string, string>>; lapM: number; now: number };

/** The lap laid straight, and who is where on it: what a coach at the finish line would see. */
export function LapStrip({ truths, names, lapM, now }: Props) {
  const palette = usePalette();
  const x = (m: number) => SIZE.edge + (m / lapM) * (SIZE.width - 2 * SIZE.edge);
  const dots = truths
    .flatMap((truth) => {
      const metres = metresInto(truth, now);
      if (metres === undefined) return [];
      const onLapM = (((truth.startM + metres) % lapM) + lapM) % lapM;
      return [{ athleteId: truth.athleteId, x: x(onLapM) }];
    })
    .sort((a, b) => b.x - a.x);
  const named: number[] = [];
  return (
    <View role="img" aria-label={`${dots.length} running`} style={{ alignItems: 'center' }}>
      <Svg width="100%" height={SIZE.height} viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}>
        <Line x1={x(0)} x2={x(lapM)} y1={SIZE.y} y2={SIZE.y} stroke={palette.quiet} strokeWidth={6} />
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <Line
            key={share}
            x1={x(share * lapM)}
            x2={x(share * lapM)}
            y1={SIZE.y - 9}
            y2={SIZE.y + 9}
            stroke={palette.ink}
            strokeWidth={share === 0 || share === 1 ? 4 : 2}
          />
        ))}
        {dots.map((dot) => {
          const isNamed = named.every((other) => Math.abs(other - dot.x) >= NAME_GAP);
          if (isNamed) named.push(dot.x);
          return (
            <G key={dot.athleteId}>
              <Circle cx={dot.x} cy={SIZE.y} r={6} fill={palette.action} stroke={palette.ink} strokeWidth={2} />
              {isNamed && (
                <SvgText
                  x={dot.x}
                  y={SIZE.y - 16}
                  textAnchor="middle"
                  fontFamily="Zest"
                  fontWeight="700"
                  fontSize={13}
                  fill={palette.ink}
                >
                  {(names[dot.athleteId] ?? '').slice(0, 4)}
                </SvgText>
              )}
            </G>
          );
        })}
      </Svg>
    </View>
  );
}
