/**
 * Lines that were read without a problem, so that with each letter typed only the line it is in is read again. Bounded: the oldest go
 * first (a map keeps the order in which its keys came).
 */
import type { ReadLine } from './parseLine';
import type { KnownPaces, Span } from './reader';

const MOST_LINES = 1000;

const caches = new WeakMap<KnownPaces, Map<string, ReadLine>>();

/** A line as read, moved by so many characters; its lines of the session are objects of their own, as if they were read anew. */
function moved({ lines, problems, tokens, readAs }: ReadLine, by: number): ReadLine {
  const move = <S extends Span>(span: S): S => ({ ...span, from: span.from + by, to: span.to + by });
  return {
    lines: lines.map(({ line, items }) => ({ line: { ...line }, items: items.map(move) })),
    problems,
    tokens: tokens.map(move),
    ...(readAs ? { readAs: move(readAs) } : {}),
  };
}

/**
 * Reads a line, or gives what it was read as before.
 * @param key all that reading depends on beside the paces.
 * @param from where the line begins in its text.
 */
export function cachedLine(paces: KnownPaces, key: string, from: number, read: () => ReadLine): ReadLine {
  const cache = caches.get(paces) ?? new Map<string, ReadLine>();
  caches.set(paces, cache);
  const known = cache.get(key);
  if (known) return moved(known, from);
  const fresh = read();
  // Problems quote the whole text in their answers.
  if (fresh.problems.length > 0) return fresh;
  const [oldest] = cache.size >= MOST_LINES ? cache.keys() : [];
  if (oldest !== undefined) cache.delete(oldest);
  cache.set(key, moved(fresh, -from));
  return fresh;
}
