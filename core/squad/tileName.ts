const normal = (name: string) => name.trim().replace(/\s+/g, ' ');

/** What makes tile names the same: capitals and spaces do not make a difference at the track. */
export const tileKey = (tileName: string) => normal(tileName).toLowerCase();

const MAX = 12;

/** The first name with ever more letters of the family name: `Ada`, `Ada B`, `Ada Br` …, and numbers as a last resort. */
function* candidates(name: string): Generator<string> {
  const [first = '', ...rest] = normal(name).split(' ');
  const family = rest.join(' ');
  for (let letters = 0; letters <= family.length; letters++)
    yield letters === 0 ? first : `${first.slice(0, MAX - 2)} ${family.slice(0, letters)}`;
  for (let number = 2; ; number++) yield `${first.slice(0, MAX - 5)} ${number}`;
}

/**
 * The shortest tile name for `name` that nobody has yet.
 * @param taken the names given already, by tileKey.
 */
export function suggestTileName(name: string, taken: { has(key: string): boolean }): string {
  for (const candidate of candidates(name)) {
    const tileName = candidate.slice(0, MAX).trim();
    if (tileName !== '' && !taken.has(tileKey(tileName))) return tileName;
  }
  return normal(name);
}
