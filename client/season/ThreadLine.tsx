import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { useState } from 'react';
import { View } from 'react-native';
import { usePalette } from '../ui/theme';

/** One turn of a thread: run, next, waiting at the step it had, missed, or still to come. */
export type Knot = { date: string; step: number; state: 'run' | 'next' | 'coming' | 'missed'; isHeld: boolean };

const HEIGHT = 46;
const AT = { y: 16, r: 7 };
const EDGE = 14;
/** Under each knot its date, where there is room for it. */
const LABEL_PX = 44;

/** A thread as a line with knots: filled was run, a ring is next, a ring with two bars waits at its step, a gap was missed. */
export function ThreadLine({ knots, label }: { knots: readonly Knot[]; label: string }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const step = knots.length > 1 ? (width - 2 * EDGE) / (knots.length - 1) : 0;
  const every = Math.max(1, Math.ceil(LABEL_PX / Math.max(1, step)));
  return (
    <View
      role="img"
      aria-label={label}
      style={{ minHeight: HEIGHT }}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      {width > 0 && (
        <svg width={width} height={HEIGHT} aria-hidden="true">
          <line x1={EDGE} x2={Math.max(EDGE, width - EDGE)} y1={AT.y} y2={AT.y} stroke={palette.line} strokeWidth={3} />
          {knots.map(({ date, state, isHeld }, i) => {
            const x = EDGE + i * step;
            return (
              <g key={date}>
                {state === 'missed' ? (
                  <rect x={x - AT.r} y={AT.y - 4} width={AT.r * 2} height={8} fill={palette.ground} />
                ) : (
                  <circle
                    cx={x}
                    cy={AT.y}
                    r={AT.r}
                    fill={state === 'run' ? palette.ink : state === 'next' ? palette.action : palette.ground}
                    stroke={palette.ink}
                    strokeWidth={2}
                  />
                )}
                {isHeld && state !== 'missed' && (
                  <path
                    d={`M${x - 2.5} ${AT.y - 3}v6M${x + 2.5} ${AT.y - 3}v6`}
                    stroke={state === 'run' ? palette.ground : palette.ink}
                    strokeWidth={2}
                  />
                )}
                {i % every === 0 && (
                  <text
                    x={x}
                    y={HEIGHT - 6}
                    fontSize={11}
                    fontFamily="Zest"
                    fontWeight="700"
                    fill={palette.quiet}
                    textAnchor={i === 0 ? 'start' : i === knots.length - 1 ? 'end' : 'middle'}
                    dx={i === 0 ? -AT.r : i === knots.length - 1 ? AT.r : 0}
                  >
                    {format(parseISO(date), 'd MMM')}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      )}
    </View>
  );
}
