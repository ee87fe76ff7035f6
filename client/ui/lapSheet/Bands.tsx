import type { Band, LapRow, LapSection } from '@core/track/lapSheet';
import type { Venue } from '@core/venue/venue';
import type { Palette } from '../palette';

/** What is drawn: a session's laps, on a place. */
export type Sheet = { sections: LapSection[]; venue: Venue; finishLegs: ReadonlySet<number> };

/** How it is drawn: where metres of a lap lie, and what stands out. */
export type Drawing = {
  palette: Palette;
  x: (m: number) => number;
  finishLegs: ReadonlySet<number>;
  chosenLeg?: number | undefined;
};

/** Px round the bands of the rep that is looked at. */
const RING = 3;

function bandColor(palette: Palette, section: LapSection, band: Band): string {
  if (band.kind === 'jog') return palette.jog;
  return section.role === 'main' ? palette.rep : palette.easy;
}

type BandsProps = { section: LapSection; y: number; drawing: Drawing; height: number };

/** One stretch of a lap, run or jogged. */
function BandShape({ band, section, y, drawing, height }: BandsProps & { band: Band }) {
  const { palette, x, finishLegs, chosenLeg } = drawing;
  const thin = band.kind === 'jog';
  const fast = !thin && finishLegs.has(band.legIndex);
  const shape = thin ? height / 3 : height;
  const [left, width] = [x(band.fromM), Math.max(1.5, x(band.toM) - x(band.fromM) - (thin ? 0 : 1.5))];
  return (
    <>
      {band.legIndex === chosenLeg && (
        <rect
          x={left - RING}
          y={y - RING}
          width={width + 2 * RING}
          height={height + 2 * RING}
          rx={4}
          fill={palette.warning}
        />
      )}
      <rect
        x={left}
        y={y + (height - shape) / 2}
        width={width}
        height={shape}
        rx={thin ? 0 : 2}
        fill={fast ? palette.action : bandColor(palette, section, band)}
        {...(fast ? { stroke: palette.ink, strokeWidth: 1 } : {})}
        {...(band.approximate
          ? { fillOpacity: 0.55, stroke: palette.rep, strokeWidth: 1, strokeDasharray: '5 3' }
          : {})}
      />
    </>
  );
}

/** All stretches of a lap. `y` and `height` in px. */
export function Bands({ row, ...props }: BandsProps & { row: LapRow }) {
  return row.bands.map((band, i) => <BandShape key={i} band={band} {...props} />);
}

/** The laps of all parts, each with the part it is of. */
export const rowsIn = (sections: readonly LapSection[]) =>
  sections.flatMap((section) => section.rows.map((row) => ({ row, section })));
