/**
 * Caches lines that were read without a problem, so that each keystroke re-reads only its own line. Bounded: the oldest entries go first
 * (a map keeps insertion order).
 */
import type { ReadLine } from './parseLine';
import type { KnownPaces, Span } from './reader';

const MOST_LINES = 1000;

const caches = new WeakMap<KnownPaces, Map<string, ReadLine>>();

/** A cached line shifted by some characters; its session lines are copies, as if read anew. */
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
 * Reads a line, or returns it from the cache.
 * @param key everything that reading depends on beside the paces.
 * @param from where the line begins in its text.
 */
export function cachedLine(paces: KnownPaces, key: string, from: number, read: () => ReadLine): ReadLine {
  const cache = caches.get(paces) ?? new Map<string, ReadLine>();
  caches.set(paces, cache);
  const cached = cache.get(key);
  if (cached) return moved(cached, from);
  const fresh = read();
  // Problems quote the whole text in their answers.
  if (fresh.problems.length > 0) return fresh;
  const [oldest] = cache.size >= MOST_LINES ? cache.keys() : [];
  if (oldest !== undefined) cache.delete(oldest);
  cache.set(key, moved(fresh, -from));
  return fresh;
}
