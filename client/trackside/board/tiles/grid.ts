export const GAP = 8;
const TILE = { least: 72, most: 132, mostWide: 176 };
const LEAST_WIDTH = 76;

/** Columns and tile size so that everyone is in sight at once, each big enough for a cold thumb. */
export function gridFor(count: number, width: number, height: number): { tileWidth: number; tileHeight: number } {
  const phone = width < 600;
  let columns = phone
    ? count > 8
      ? 3
      : 2
    : Math.max(3, Math.round(Math.sqrt((count * width) / Math.max(1, height) / 1.4)));
  const fits = () => (height + GAP) / Math.ceil(count / columns) - GAP >= TILE.least;
  while (!fits() && (width + GAP) / (columns + 1) - GAP >= LEAST_WIDTH) columns++;
  const rows = Math.ceil(count / columns);
  const share = Math.floor((height + GAP) / rows - GAP);
  const tileHeight = Math.min(phone ? TILE.most : TILE.mostWide, Math.max(TILE.least, share));
  return { tileWidth: Math.floor((width + GAP) / columns - GAP), tileHeight };
}
