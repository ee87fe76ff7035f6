const normal = (name: string) => name.trim().replace(/\s+/g, ' ');

/** What makes tile names the same: capitals and spaces do not make a difference at the track. */
export const tileKey = (tileName: string) => normal(tileName).toLowerCase();

const MAX = 12;

/** The first name with ever more letters of the family name: `Ada`, `Ada B`, `Ada Br` … */
function byLetters(name: string): string[] {
  const [first = '', ...rest] = normal(name).split(' ');
  const family = rest.join(' ');
  const longer = Array.from(family, (_, i) => `${first.slice(0, MAX - 2)} ${family.slice(0, i + 1)}`);
  return [first, ...longer].map((candidate) => candidate.slice(0, MAX).trim());
}

/** A number from 2 on that is free, where those below it are as a rule taken: found in a few steps even among thousands. */
function freeNumber(isFree: (number: number) => boolean): number {
  let high = 2;
  while (!isFree(high)) high *= 2;
  let low = high / 2;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (isFree(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * The shortest tile name for `name` that nobody has yet; with a number when no letters tell it apart.
 * @param taken the names given already, by tileKey.
 */
export function suggestTileName(name: string, taken: { has(key: string): boolean }): string {
  const free = byLetters(name).find((tileName) => tileName !== '' && !taken.has(tileKey(tileName)));
  if (free !== undefined) return free;
  const [first = ''] = normal(name).split(' ');
  const numbered = (number: number) => `${first.slice(0, MAX - 5)} ${number}`.trim();
  return numbered(freeNumber((number) => !taken.has(tileKey(numbered(number)))));
}
