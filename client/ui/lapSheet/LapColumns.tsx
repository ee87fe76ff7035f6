import { usePalette } from '../theme';
import { Bands, rowsIn, type Drawing, type Sheet } from './Bands';

/** On paper: as high as lets one lap be told from the next, and what lies between columns. */
const COLUMN = { lap: 9, band: 6, gap: 10 };

/** The same picture in columns, for a small piece of paper: down the first, then the next, a row a lap and a line at each finish. */
export function LapColumns({ sections, venue, finishLegs, width, height }: Sheet & { width: number; height: number }) {
  const palette = usePalette();
  const rows = rowsIn(sections);
  const each = Math.max(1, Math.floor(height / COLUMN.lap));
  const columns = Math.max(1, Math.ceil(rows.length / each));
  const across = (width - (columns - 1) * COLUMN.gap) / columns;
  const drawing: Drawing = { palette, x: (m) => (m / venue.lapM) * across, finishLegs };
  return (
    <svg width={width} height={height} aria-hidden>
      {Array.from({ length: columns }, (_, column) => {
        const own = rows.slice(column * each, (column + 1) * each);
        return (
          <g key={column} transform={`translate(${column * (across + COLUMN.gap)} 0)`}>
            {[0, across].map((x) => (
              <path key={x} d={`M${x} 0v${own.length * COLUMN.lap}`} stroke={palette.ink} strokeWidth={0.5} />
            ))}
            {own.map(({ row, section }, i) => (
              <Bands
                key={i}
                row={row}
                section={section}
                y={i * COLUMN.lap + 1}
                height={COLUMN.band}
                drawing={drawing}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}
