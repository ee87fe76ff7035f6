/** Where the things of a lap sheet stand, in px, and what is written at them. */
import type { Band, Gap, LapSection } from '@core/track/lapSheet';

/** Px of one row: a line of small words over the band. */
export const ROW = { height: 27, words: 13, band: 9, thin: 3 };
const HEADING = 22;
export const AXIS = 16;

/** Where every heading and row stands, in px from the top. */
export function placeRows(sections: readonly LapSection[]) {
  let bottom = AXIS;
  const placed = sections.map((section) => {
    const heading = bottom;
    const rows = section.rows.map((row, i) => ({ row, at: heading + HEADING + i * ROW.height }));
    bottom = heading + HEADING + section.rows.length * ROW.height;
    return { section, heading, rows };
  });
  return { placed, bottom };
}

export type Placed = ReturnType<typeof placeRows>['placed'];

/** The leg whose band is nearest to a place on the drawing; undefined beside all rows. */
export function legAt(placed: Placed, atX: number, atY: number, x: (m: number) => number): number | undefined {
  const rows = placed.flatMap(({ rows: sectionRows }) => sectionRows);
  const row = rows.find(({ at }) => atY >= at && atY < at + ROW.height);
  const off = (band: Band) => Math.max(x(band.fromM) - atX, atX - x(band.toM), 0);
  const bands = [...(row?.row.bands ?? [])].sort((a, b) => off(a) - off(b));
  return bands[0]?.legIndex;
}

/** What stands at a rest: its time, and the walk to the next start where there is one. */
export const gapText = ({ label, walk }: Gap) =>
  walk ? `${label}, ${Math.abs(Math.round(walk.byM))} m ${walk.byM > 0 ? 'on' : 'back'}` : label;
