/** Names in a row, as they are said: `Ada`, `Ada and Bo`, `Ada, Bo and Cleo`. */
export function listed(names: readonly string[]): string {
  // Not by Intl.ListFormat: the first use of Intl takes a slow phone a fifth of a second, and the first screen has such rows.
  const last = names.at(-1) ?? '';
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last}` : last;
}

/** Names as they are said, cut short where there are more than `most`: `Ada, Bo, Cleo and 3 more`. */
export const listedAtMost = (names: readonly string[], most: number): string =>
  names.length > most ? `${names.slice(0, most - 1).join(', ')} and ${names.length - most + 1} more` : listed(names);
