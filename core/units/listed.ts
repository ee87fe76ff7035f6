/** Names in a row, as they are said: `Ada`, `Ada and Bo`, `Ada, Bo and Cleo`. */
export function listed(names: readonly string[]): string {
  // Not by Intl.ListFormat: the first use of Intl takes a slow phone a fifth of a second, and the first screen has such rows.
  const last = names.at(-1) ?? '';
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last}` : last;
}
