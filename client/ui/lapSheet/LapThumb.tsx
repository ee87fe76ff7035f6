import { usePalette } from '../theme';
import { Bands, rowsIn, type Drawing, type Sheet } from './Bands';

type ThumbSize = { width?: number; height?: number };

/** The same picture as a thumbnail: bands only. `width` and `height` in px. */
export function LapThumb({ sections, venue, finishLegs, width = 56, height: most = 46 }: Sheet & ThumbSize) {
  const palette = usePalette();
  const rows = rowsIn(sections);
  const height = Math.min(4, (most - 2) / Math.max(1, rows.length));
  const drawing: Drawing = { palette, x: (m) => (m / venue.lapM) * width, finishLegs };
  return (
    <svg width={width} height={most} aria-hidden>
      {rows.map(({ row, section }, i) => (
        <Bands
          key={i}
          row={row}
          section={section}
          y={i * height}
          height={Math.max(1, height * 0.7)}
          drawing={drawing}
        />
      ))}
    </svg>
  );
}
