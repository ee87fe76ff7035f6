/** Times pasted into the grid from a spreadsheet or a message. */
import { isLikelyName, nameKey } from '../squad/likeness';
import { cellKey, columnsOf, type Column, type Typed } from './entered';
import type { PlannedGroup } from './plan';

/** Pasted cells, and what is uncertain: similar or unknown names. */
export type Placed = { cells: Typed; doubts: string[] };

/** Letters, and not one of the words for a rep that was not run. */
const isName = (text: string) => /\p{L}{2}/u.test(text) && !/^(dn[sf]|out|no)$/i.test(text.trim());

/** The athletes a row may belong to, by name, tile name or first name; `isSure` if unambiguous. */
function ownerOf(
  name: string,
  { athletes }: PlannedGroup,
): { athleteId: string; name: string; isSure: boolean } | undefined {
  const key = nameKey(name);
  const first = (text: string) => nameKey(text.split(' ')[0] ?? '');
  const exact = athletes.filter((athlete) => nameKey(athlete.name) === key || nameKey(athlete.tileName) === key);
  const called = exact.length > 0 ? exact : athletes.filter((athlete) => first(athlete.name) === key);
  const [only, second] = called;
  if (only && !second) return { ...only, isSure: true };
  const alike = athletes.filter((athlete) => isLikelyName(name, athlete.name));
  const [likely, other] = alike;
  return likely && !other ? { ...likely, isSure: false } : undefined;
}

/**
 * Puts pasted rows into the grid: by name where rows begin with names, else from the cell at `from` on, row by row. A row of headings is
 * passed over; a name that is nobody's is left out, and said.
 * @param columns the columns of the grid as it stands.
 */
export function placePasted(
  rows: readonly string[][],
  group: PlannedGroup,
  from: { row: number; column: number },
  columns: readonly Column[] = columnsOf(group, {}),
): Placed {
  const { athletes } = group;
  const cellsFor = (athleteId: string, times: readonly string[], column: number) =>
    times.flatMap((text, i): [string, string][] => {
      const place = columns[column + i];
      return place ? [[cellKey(athleteId, place.key), text]] : [];
    });
  const named = rows.filter(([first = '']) => isName(first)).length;
  if (named === 0 || named < rows.length / 2) {
    const cells = rows.flatMap((times, i) => {
      const athlete = athletes[from.row + i];
      return athlete ? cellsFor(athlete.athleteId, times, from.column) : [];
    });
    return { cells: Object.fromEntries(cells), doubts: [] };
  }
  const doubts: string[] = [];
  const cells = rows.flatMap(([name = '', ...times]) => {
    const isHeading = times.every((text) => text === '' || isName(text) || !/\d[:.,]?\d/.test(text));
    if (name === '' || times.every((text) => text === '')) return [];
    const owner = ownerOf(name, group);
    if (!owner) {
      if (!isHeading) doubts.push(`“${name}” is nobody here: their times were left out.`);
      return [];
    }
    if (!owner.isSure) doubts.push(`“${name}” was taken for ${owner.name}.`);
    return cellsFor(owner.athleteId, times, 0);
  });
  return { cells: Object.fromEntries(cells), doubts };
}
