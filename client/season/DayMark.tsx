import type { DayKind } from '@core/season/season';
import { usePalette } from '../ui/theme';

type Props = { kind: DayKind; width?: number; height?: number; isRun?: boolean; isPinned?: boolean; color?: string };

/**
 * What a day is for, as a shape: hard a full block, long a low wide block, easy a thin bar, strides a thin bar with three ticks, off nothing,
 * a race a flag. A session that was run has a notch of light in its block, another day a tick above its bar.
 */
export function DayMark({ kind, width = 36, height = 28, isRun = false, isPinned = false, color }: Props) {
  const palette = usePalette();
  const ink = color ?? palette.ink;
  const middle = height / 2;
  return (
    <svg width={width} height={height} aria-hidden="true" style={{ display: 'block' }}>
      {kind === 'hard' && <rect x={width * 0.2} y={2} width={width * 0.6} height={height - 4} rx={2} fill={ink} />}
      {kind === 'hard' && isRun && (
        <path
          d={`M${width / 2 - 6} ${middle}l4 4 8-8`}
          fill="none"
          stroke={palette.ground}
          strokeWidth={2.5}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
      {kind === 'long' && <rect x={2} y={height - 13} width={width - 4} height={9} rx={2} fill={palette.easy} />}
      {(kind === 'easy' || kind === 'strides') && (
        <rect x={width * 0.14} y={height - 7} width={width * 0.72} height={3} rx={1.5} fill={palette.jog} />
      )}
      {(kind === 'long' || kind === 'easy' || kind === 'strides') && isRun && (
        <path
          d={`M${width / 2 - 5} ${middle - 6}l4 4 7-8`}
          fill="none"
          stroke={ink}
          strokeWidth={2.2}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
      {kind === 'strides' &&
        !isRun &&
        [0.3, 0.5, 0.7].map((at) => (
          <line
            key={at}
            x1={width * at - 1}
            y1={height - 8}
            x2={width * at + 3}
            y2={height - 16}
            stroke={ink}
            strokeWidth={2}
            strokeLinecap="round"
          />
        ))}
      {kind === 'race' && (
        <>
          <line x1={width * 0.28} y1={2} x2={width * 0.28} y2={height - 2} stroke={ink} strokeWidth={2.5} />
          <path
            d={`M${width * 0.28} 3h${width * 0.5}l-${width * 0.12} ${height * 0.22} ${width * 0.12} ${height * 0.22}h-${width * 0.5}z`}
            fill={palette.action}
            stroke={ink}
            strokeWidth={1.5}
          />
        </>
      )}
      {isPinned && <circle cx={width - 5} cy={5} r={3.5} fill={palette.warning} stroke={ink} strokeWidth={1.2} />}
    </svg>
  );
}
