/** The undo history of a session's text. */
export type History = {
  past: readonly string[];
  now: string;
  future: readonly string[];
  /** The kind of the last change: letters typed in a row are undone together. */
  last: 'typing' | 'deleting' | 'other';
};

export const newHistory = (now: string): History => ({ past: [], now, future: [], last: 'other' });

/** One character more or less at one place is typing or deleting; a space, a comma or a new line starts a new step. */
function kindOf(before: string, after: string): History['last'] {
  const grown = after.length - before.length;
  if (Math.abs(grown) !== 1) return 'other';
  const [short, long] = grown > 0 ? [before, after] : [after, before];
  let at = 0;
  while (at < short.length && short[at] === long[at]) at++;
  if (short.slice(at) !== long.slice(at + 1)) return 'other';
  if (/[\s,]/.test(long[at] ?? '')) return 'other';
  return grown > 0 ? 'typing' : 'deleting';
}

/** After a change of the text. */
export function changed(history: History, text: string): History {
  const { past, now, last } = history;
  if (text === now) return history;
  const kind = kindOf(now, text);
  const goesOn = kind !== 'other' && kind === last;
  return { past: goesOn ? past : [...past, now], now: text, future: [], last: kind };
}

/** One step back; the same where there is none. */
export function undone({ past, now, future, ...rest }: History): History {
  const before = past.at(-1);
  if (before === undefined) return { past, now, future, ...rest };
  return { past: past.slice(0, -1), now: before, future: [now, ...future], last: 'other' };
}

/** One step forth again; the same where there is none. */
export function redone({ past, now, future, ...rest }: History): History {
  const [after, ...later] = future;
  if (after === undefined) return { past, now, future, ...rest };
  return { past: [...past, now], now: after, future: later, last: 'other' };
}
