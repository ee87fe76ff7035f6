import { useMemo } from 'react';
import { inverseOfBookChange } from '@core/library/bookChange';
import type { BookChange, BookSession, Progression } from '@core/library/bookSession';
import { bookEntry, type BookEntry } from '@core/library/searchBook';
import { withStarters } from '@core/library/starters';
import { curveBook } from '@core/paces/shippedBooks';
import type { PaceBook } from '@core/paces/paceBook';
import { squadBookOf, useSquad } from './useSquad';
import type { ListedRun } from '@core/api/answers';
import { troubleText, useBookQuery, useChangeBookMutation, useRunsQuery, useSessionsQuery } from '../store/api';
import { today } from '../ui/days';
import { useNotice } from '../ui/Notices';

/** What is known of how often a session of the book was used: its days, the last one, and its results. */
export type BookUse = { days: number; last?: string; runs: ListedRun[] };

/** The book as the screens need it. */
export type BookView = {
  sessions: BookSession[];
  /** The same, read for searching; favourites first, then what was used last, then by title. */
  entries: BookEntry[];
  progressions: Progression[];
  useOf: (id: string) => BookUse;
};

const NEVER: BookUse = { days: 0, runs: [] };

/** Reading a session takes longer than looking at it: each is read once, for as long as it and the paces are the same. */
const read = new WeakMap<BookSession, { paceNames: readonly string[]; paceBook: PaceBook; entry: BookEntry }>();

function entryOf(session: BookSession, paceNames: readonly string[], paceBook: PaceBook): BookEntry {
  const known = read.get(session);
  if (known?.paceNames === paceNames && known.paceBook === paceBook) return known.entry;
  const entry = bookEntry(session, { paceNames, paceBook });
  read.set(session, { paceNames, paceBook, entry });
  return entry;
}

/** The book, once it is here; else what went wrong. */
export function useBook(): { book: BookView | undefined; error: unknown; retry: () => void } {
  const kept = useBookQuery();
  const days = useSessionsQuery();
  const runs = useRunsQuery();
  const { squad } = useSquad();
  const day = today();
  const uses = useMemo(() => {
    const found = new Map<string, BookUse>();
    for (const { id, bookId, date } of days.data ?? []) {
      if (bookId === undefined) continue;
      const before = found.get(bookId) ?? NEVER;
      const own = (runs.data ?? []).filter(({ sessionId }) => sessionId === id);
      // A day still to come is no use yet.
      const last = [...(before.last === undefined ? [] : [before.last]), ...(date <= day ? [date] : [])].sort().at(-1);
      found.set(bookId, {
        days: before.days + 1,
        ...(last === undefined ? {} : { last }),
        runs: [...before.runs, ...own],
      });
    }
    return found;
  }, [days.data, runs.data, day]);
  const book = useMemo((): BookView | undefined => {
    if (!kept.data) return undefined;
    const sessions = withStarters(kept.data.sessions);
    const paceBook = squad ? squadBookOf(squad) : curveBook;
    const entries = sessions.map((session) => entryOf(session, squad?.paceNames ?? [], paceBook));
    const rank = ({ session }: BookEntry) => [session.favourite ? 0 : 1, uses.get(session.id)?.last ?? ''] as const;
    entries.sort((a, b) => {
      const [[favA, lastA], [favB, lastB]] = [rank(a), rank(b)];
      return favA - favB || lastB.localeCompare(lastA) || a.session.title.localeCompare(b.session.title);
    });
    return { sessions, entries, progressions: kept.data.progressions, useOf: (id) => uses.get(id) ?? NEVER };
  }, [kept.data, squad, uses]);
  const retry = () => {
    if (!kept.data) void kept.refetch();
  };
  return { book: squad ? book : undefined, error: kept.error, retry };
}

/** The book as it is kept, for who searches nothing in it. */
export type KeptBookView = Pick<BookView, 'sessions' | 'progressions'>;

/** Sessions and progressions alone: none of them is read. */
export function useKeptBook(): { book: KeptBookView | undefined; error: unknown; retry: () => void } {
  const { data, error, refetch } = useBookQuery();
  const book = useMemo(
    () => data && { sessions: withStarters(data.sessions), progressions: data.progressions },
    [data],
  );
  return { book, error, retry: () => void refetch() };
}

/** Changes the book and says so, with a way to take it back. */
export function useBookChange(book: BookView | undefined) {
  const [send] = useChangeBookMutation();
  const notice = useNotice();
  return async (change: BookChange, says: string): Promise<string | undefined> => {
    const sent = await send(change);
    if (sent.error) return troubleText(sent.error);
    notice({
      text: says,
      undo: () => void send(inverseOfBookChange(change, book ?? { sessions: [], progressions: [] })),
    });
    return undefined;
  };
}
