import type { LibraryChange, LibrarySession, Progression } from './librarySession';
import { isStarter } from './starters';

/** The whole library, starter sessions among it. */
type Library = { sessions: readonly LibrarySession[]; progressions: readonly Progression[] };

/** The change that takes `change` back, for a library that was as it is now. */
export function inverseOfLibraryChange(change: LibraryChange, library: Library): LibraryChange {
  const touched = new Set([...(change.sessions ?? []).map(({ id }) => id), ...(change.removedSessionIds ?? [])]);
  const moved = new Set([...(change.progressions ?? []).map(({ id }) => id), ...(change.removedProgressionIds ?? [])]);
  const before = library.sessions.filter(({ id }) => touched.has(id));
  const movedBefore = library.progressions.filter(({ id }) => moved.has(id));
  const knownIds = new Set([...before, ...movedBefore].map(({ id }) => id));
  return {
    sessions: before,
    removedSessionIds: [...touched].filter((id) => !knownIds.has(id) && !isStarter(id)),
    progressions: movedBefore,
    removedProgressionIds: [...moved].filter((id) => !knownIds.has(id)),
  };
}
