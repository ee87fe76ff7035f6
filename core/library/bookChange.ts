import type { BookChange, BookSession, Progression } from './bookSession';
import { isStarter } from './starters';

/** The whole book, starter sessions among it. */
type Book = { sessions: readonly BookSession[]; progressions: readonly Progression[] };

/** The change that takes `change` back, for a book that was as it is now. */
export function inverseOfBookChange(change: BookChange, book: Book): BookChange {
  const touched = new Set([...(change.sessions ?? []).map(({ id }) => id), ...(change.removedSessionIds ?? [])]);
  const moved = new Set([...(change.progressions ?? []).map(({ id }) => id), ...(change.removedProgressionIds ?? [])]);
  const before = book.sessions.filter(({ id }) => touched.has(id));
  const movedBefore = book.progressions.filter(({ id }) => moved.has(id));
  const known = new Set([...before, ...movedBefore].map(({ id }) => id));
  return {
    sessions: before,
    removedSessionIds: [...touched].filter((id) => !known.has(id) && !isStarter(id)),
    progressions: movedBefore,
    removedProgressionIds: [...moved].filter((id) => !known.has(id)),
  };
}
