import { surenessAt, type Sureness } from '@core/fitness/howSure';
import type { PaceRow } from '@core/paces/paceTable';
import { capitalised } from '@core/units/capitalised';

const SURE_WORDS: Record<Sureness, string> = { sure: 'sure', fair: 'fairly sure', unsure: 'unsure' };

/** Neighbours in speed as `half to 3k`, others singly. */
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
  const timed = rows.filter(({ nowMps }) => nowMps !== undefined).sort((a, b) => (a.nowMps ?? 0) - (b.nowMps ?? 0));
  return (['sure', 'fair', 'unsure'] as const)
    .flatMap((sureness) => {
      const names = namesText(timed, ({ error = 0 }) => surenessAt(error) === sureness);
      if (names === '') return [];
      return [`${capitalised(SURE_WORDS[sureness])}: ${names}.`];
    })
    .join(' ');
}

/** Where paces stand otherwise than the names suggest, why that is right: by how long a race takes this athlete. Empty where they do not. */
export function changedPlacesText(rows: readonly PaceRow[]): string {
  const speedOf = (name: string) => rows.find(({ entry }) => entry.name === name)?.nowMps;
  // Less than this is the same pace.
  const SAME = 0.995;
  const isSlower = (some: number | undefined, other: number | undefined) =>
    some !== undefined && other !== undefined && some < other * SAME;
  const half = speedOf('half');
  const [threshold, tenK, cv] = ['threshold', '10k', 'cv'].map(speedOf);
  const parts = [
    ...(isSlower(half, threshold) ? ['half is slower than threshold'] : []),
    ...(isSlower(tenK, threshold)
      ? ['10k is slower than threshold']
      : isSlower(tenK, cv)
        ? ['10k is slower than cv']
        : []),
  ];
  if (parts.length === 0) return '';
  return `${capitalised(parts.join(', '))}: threshold is what is held for an hour, cv for 35 minutes, and over these distances this athlete takes longer.`;
}
