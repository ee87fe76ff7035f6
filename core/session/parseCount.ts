import type { Reader } from './reader';
import type { Count } from './session';
import { MAX_LEGS } from './treeTotals';

/*
 *   count = INT "x" | INT "-" INT "x" | "open" "x"
 *
 * Read as well: `3 sets of`, `8 times`, `6 to 8 x`, and a count behind what it counts: `400 x 6`.
 */

/** How often what has no count is run. One object: an item that has it was not counted. */
export const once: Count = { kind: 'fixed', n: 1 };

/** Reads a count if one stands here. */
export function readCount(r: Reader): Count | undefined {
  r.skipSpace();
  const start = r.at;
  const open = r.take(/open\b/iy);
  if (open) {
    if (!r.take(/[x×*]/iy)) r.fail('After “open” an “x” is expected, as in open x 400 @threshold.');
    r.mark('count', start);
    return { kind: 'open' };
  }
  const match = r.take(
    /([-−]?\d+)(?:\s*(?:([-–—])|to\b)\s*(\d+))?\s*(?:[x×*]|(by\b|times\b|(?:sets?|reps?|rounds?)(?:\s+of)?\b:?|of\b))/iy,
  );
  if (!match) return undefined;
  const [, first, dash, last, word] = match;
  if (word !== undefined || (last !== undefined && dash !== '-')) r.generous();
  r.mark('count', start);
  const from = Number(first?.replace('−', '-'));
  const to = last === undefined ? from : Number(last);
  if (!(from >= 1) || to > MAX_LEGS || from > to) {
    r.refuse(`A count goes from 1 to ${MAX_LEGS}, smaller number first, as in 8-10x400.`, start);
    return once;
  }
  return from === to ? { kind: 'fixed', n: from } : { kind: 'range', min: from, max: to };
}

/** `400 x 6`, `(300, 200) x 3`, where the count was not said before it. */
export function countBehind(r: Reader): Count | undefined {
  const match = r.takeGenerously(/[x×*]\s*(\d{1,2})(?![\w:.])(?:\s*(?:sets?|times|reps)\b)?/iy);
  return match && Number(match[1]) >= 1 ? { kind: 'fixed', n: Number(match[1]) } : undefined;
}

/** How often the reps are run, and how many sets there are of them: `3 sets of 6x300`, `2x3x600`, `6x300 x 3`. */
export type Counts = { reps: Count; sets?: Count };

/** @param outer and `inner` stand before the reps, `behind` behind them. */
export function countsOf(outer: Count | undefined, inner: Count | undefined, behind: Count | undefined): Counts {
  if (outer && inner) return { reps: inner, sets: outer };
  if (outer && behind) return { reps: outer, sets: behind };
  return { reps: outer ?? behind ?? once };
}
