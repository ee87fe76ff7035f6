import type { Band, LapSection } from '@core/track/lapSheet';
import type { Venue } from '@core/venue/venue';
import type { Palette } from '../palette';
import { ROW } from './lapSheetPlaces';

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

/** One stretch of a lap, run or jogged. */
export function BandShape({
  band,
  section,
  y,
  drawing,
  height = ROW.band,
}: {
  band: Band;
  section: LapSection;
  y: number;
  drawing: Drawing;
  height?: number;
}) {
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
