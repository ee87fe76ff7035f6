import { Fragment } from 'react';
import { usePalette } from '../theme';
import { BandShape, type Drawing, type Sheet } from './BandShape';

type ThumbSize = { width?: number; height?: number };

/** The same picture as a thumbnail: bands only. `width` and `height` in px. */
export function LapThumb({ sections, venue, finishLegs, width = 56, height: most = 46 }: Sheet & ThumbSize) {
  const palette = usePalette();
  const rows = sections.flatMap((section) => section.rows.map((row) => ({ row, section })));
  const height = Math.min(4, (most - 2) / Math.max(1, rows.length));
  const drawing: Drawing = { palette, x: (m) => (m / venue.lapM) * width, finishLegs };
  return (
    <svg width={width} height={most} aria-hidden>
      {rows.map(({ row, section }, i) => (
        <Fragment key={i}>
          {row.bands.map((band, j) => (
            <BandShape
              key={j}
              band={band}
              section={section}
              y={i * height}
              height={Math.max(1, height * 0.7)}
              drawing={drawing}
            />
          ))}
        </Fragment>
      ))}
    </svg>
  );
}
