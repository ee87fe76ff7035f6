import type { LibraryEntry } from '@core/library/searchLibrary';
import { whenIdle } from '../ui/whenIdle';

/** How long it reads at once: shorter than a frame of the screen. */
const SLICE_MS = 8;

/**
 * Reads what sessions of the library are found by while nothing else is to be done: the first letter of a search looks into all of them.
 * @returns what stops it.
 */
export function readAhead(entries: readonly LibraryEntry[]): () => void {
  const left = entries.values();
  let isOver = false;
  const readSome = () => {
    const endMs = performance.now() + SLICE_MS;
    while (!isOver && performance.now() < endMs) {
      const { value: entry } = left.next();
      if (entry) void entry.words;
      else isOver = true;
    }
    if (!isOver) whenIdle(readSome);
  };
  whenIdle(readSome);
  return () => {
    isOver = true;
  };
}
