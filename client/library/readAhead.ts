import type { LibraryEntry } from '@core/library/searchLibrary';
import { inPieces } from '../ui/inPieces';
import { whenIdle } from '../ui/whenIdle';

/**
 * Reads what sessions of the library are found by once nothing else is to be done: the first letter of a search looks into all of them.
 * @returns what stops it.
 */
export function readAhead(entries: readonly LibraryEntry[]): () => void {
  let isOver = false;
  whenIdle(() => {
    // What cannot be read is no error: it is an entry without a tree.
    void inPieces(isOver ? [] : entries.map((entry) => () => entry.words), () => isOver);
  });
  return () => {
    isOver = true;
  };
}
