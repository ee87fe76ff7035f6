/**
 * Edits that turn one word into the other: insert, delete, replace, or swap two neighbours
 * (Damerau, CACM 7:171, 1964; each stretch edited once).
 */
export function editDistance(a: string, b: string): number {
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const replaced = (row[j - 1] ?? 0) + (a[i - 1] === b[j - 1] ? 0 : 1);
      const isSwap = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
      const swapped = isSwap ? (before[j - 2] ?? 0) + 1 : Infinity;
      next.push(Math.min(replaced, swapped, (row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1));
    }
    before = row;
    row = next;
  }
  return row[b.length] ?? 0;
}

/** Up to three names that a mistyped word may have meant, nearest first. */
export function closestNames(written: string, names: readonly string[]): string[] {
  const word = written.slice(0, 24).toLowerCase();
  return names
    .map((name) => ({
      name,
      away: name.startsWith(word) && word.length > 1 ? 0.5 : editDistance(word, name),
    }))
    .filter(({ name, away }) => away <= Math.max(1, Math.floor(name.length / 3)))
    .sort((a, b) => a.away - b.away)
    .slice(0, 3)
    .map(({ name }) => name);
}
