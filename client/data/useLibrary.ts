import { useMemo } from 'react';
import { inverseOfLibraryChange } from '@core/library/libraryChange';
import type { LibraryChange, LibrarySession, Progression } from '@core/library/librarySession';
import { libraryEntry, type LibraryEntry } from '@core/library/searchLibrary';
import { withStarters } from '@core/library/starters';
import { curveBook } from '@core/paces/shippedPaceBooks';
import type { PaceBook } from '@core/paces/paceBook';
import { squadPaceBookOf, useSquad } from './useSquad';
import { troubleText, useLibraryQuery, useLibraryUsesQuery, useChangeLibraryMutation } from '../store/api';
import { useToday } from '../ui/useToday';
import { useNotice } from '../ui/Notices';

/** On how many days a library session was used, and the last of them. */
export type LibraryUse = { days: number; last?: string };

/** The library as the screens need it. */
export type LibraryView = {
  sessions: LibrarySession[];
  /** The same, to be searched; favourites first, then what was used last, then by title. */
  entries: LibraryEntry[];
  progressions: Progression[];
  useOf: (id: string) => LibraryUse;
};

const NEVER: LibraryUse = { days: 0 };
const NO_USES: Record<string, LibraryUse> = {};

/** What was read of a session is kept for as long as session and paces are the same. */
const kept = new WeakMap<LibrarySession, { paceNames: readonly string[]; paceBook: PaceBook; entry: LibraryEntry }>();

function entryOf(session: LibrarySession, paceNames: readonly string[], paceBook: PaceBook): LibraryEntry {
  const cached = kept.get(session);
  if (cached?.paceNames === paceNames && cached.paceBook === paceBook) return cached.entry;
  const entry = libraryEntry(session, { paceNames, paceBook });
  kept.set(session, { paceNames, paceBook, entry });
  return entry;
}

/** The library, once it is here with when each was used, by which it is sorted; else what went wrong. */
export function useLibrary(): { library: LibraryView | undefined; error: unknown; retry: () => void } {
  const { data, error, refetch } = useLibraryQuery();
  const used = useLibraryUsesQuery(useToday());
  const uses = used.data ?? (used.isError ? NO_USES : undefined);
  const { squad } = useSquad();
  const library = useMemo((): LibraryView | undefined => {
    if (!data || !uses) return undefined;
    const sessions = withStarters(data.sessions);
    const paceBook = squad ? squadPaceBookOf(squad) : curveBook;
    const entries = sessions.map((session) => entryOf(session, squad?.paceNames ?? [], paceBook));
    const rank = ({ session }: LibraryEntry) => [session.favourite ? 0 : 1, uses[session.id]?.last ?? ''] as const;
    entries.sort((a, b) => {
      const [[favA, lastA], [favB, lastB]] = [rank(a), rank(b)];
      return favA - favB || lastB.localeCompare(lastA) || a.session.title.localeCompare(b.session.title);
    });
    return { sessions, entries, progressions: data.progressions, useOf: (id) => uses[id] ?? NEVER };
  }, [data, squad, uses]);
  const retry = () => {
    if (!data) void refetch();
  };
  return { library: squad ? library : undefined, error, retry };
}

/** The stored part of the library, for pages that search nothing in it. */
export type StoredLibraryView = Pick<LibraryView, 'sessions' | 'progressions'>;

/** Sessions and progressions alone, unparsed. */
export function useStoredLibrary(): { library: StoredLibraryView | undefined; error: unknown; retry: () => void } {
  const { data, error, refetch } = useLibraryQuery();
  const library = useMemo(
    () => data && { sessions: withStarters(data.sessions), progressions: data.progressions },
    [data],
  );
  return { library, error, retry: () => void refetch() };
}

/** Changes the library, with a notice and Undo. */
export function useLibraryChange(library: LibraryView | undefined) {
  const [send] = useChangeLibraryMutation();
  const notice = useNotice();
  return async (change: LibraryChange, noticeText: string): Promise<string | undefined> => {
    const sent = await send(change);
    if (sent.error) return troubleText(sent.error);
    notice({
      text: noticeText,
      undo: () => send(inverseOfLibraryChange(change, library ?? { sessions: [], progressions: [] })),
    });
    return undefined;
  };
}
