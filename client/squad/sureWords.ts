import { surenessAt, type Sureness } from '@core/fitness/howSure';
import type { PaceRow } from '@core/paces/paceTable';

const SURE_WORDS: Record<Sureness, string> = { sure: 'sure', fair: 'fairly sure', unsure: 'unsure' };

/** Neighbours in the book's order as `half to 3k`, others singly. */
function namesText(rows: readonly PaceRow[], isIn: (row: PaceRow) => boolean): string {
  const runs: string[][] = [];
  rows.forEach((row, i) => {
    if (!isIn(row)) return;
    const before = rows[i - 1];
    if (before && isIn(before)) runs.at(-1)?.push(row.entry.name);
    else runs.push([row.entry.name]);
  });
  return runs.map((names) => (names.length > 2 ? `${names[0]} to ${names.at(-1)}` : names.join(', '))).join(', ');
}

/** How sure each pace is, in words: `Sure: half to 3k. Fairly sure: mile. Unsure: 800, 400.` Empty without times. */
export function surePacesText(rows: readonly PaceRow[]): string {
  const timed = rows.filter(({ nowMps }) => nowMps !== undefined);
  return (['sure', 'fair', 'unsure'] as const)
    .flatMap((sureness) => {
      const names = namesText(timed, ({ error = 0 }) => surenessAt(error) === sureness);
      if (names === '') return [];
      const word = SURE_WORDS[sureness];
      return [`${word.charAt(0).toUpperCase()}${word.slice(1)}: ${names}.`];
    })
    .join(' ');
}
