/**
 * Stored answers of the server, so that today's and tomorrow's sessions can be laid out and run without a network. As little as that
 * takes: no notes on anyone, no other days.
 */
import { openDB, type DBSchema } from 'idb';
import type { StoredSeason } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import { daysAfter } from '@core/units/dayNumber';
import type { ScheduledSession } from '@core/api/answers';

interface CopyDb extends DBSchema {
  answers: { key: string; value: unknown };
}

function withoutNotes(athletes: readonly SquadMember[]): SquadMember[] {
  return athletes.map(({ notes: _notes, ...athlete }) => athlete);
}

/** Who is away is needed at the track; why is not. */
const withoutRemarks = ({ season, ...stored }: StoredSeason): StoredSeason => ({
  ...stored,
  season: { ...season, exceptions: season.exceptions.map(({ note: _note, ...exception }) => exception) },
});

type Kept = {
  /** What is kept of an answer; undefined if nothing. @param today YYYY-MM-DD, by the club's calendar. */
  shorten: (answer: unknown, today: string, asked: URLSearchParams) => unknown;
  /** What of it answers a question. */
  pick?: (kept: unknown, asked: URLSearchParams) => unknown;
};

/** Today's and tomorrow's sessions, of an answer that has both days. */
function ofThoseDays(answer: unknown, today: string, asked: URLSearchParams): ScheduledSession[] | undefined {
  const tomorrow = daysAfter(today, 1);
  if ((asked.get('from') ?? today) > today || (asked.get('to') ?? tomorrow) < tomorrow) return undefined;
  return (answer as ScheduledSession[]).filter(({ date }) => date === today || date === tomorrow);
}

const inDays = (kept: unknown, asked: URLSearchParams): ScheduledSession[] => {
  const [from, to] = [asked.get('from') ?? '', asked.get('to')];
  return (kept as ScheduledSession[]).filter(({ date }) => date >= from && (to === null || date <= to));
};

const DAYS = 'sessions/days';
/** What is kept, by the path it is asked for at; other answers are not kept. */
const KEPT: Record<string, Kept> = {
  athletes: { shorten: (answer) => withoutNotes(answer as SquadMember[]) },
  squad: { shorten: (answer) => answer },
  'pace-books': { shorten: (answer) => answer },
  venues: { shorten: (answer) => answer },
  seasons: { shorten: (answer) => (answer as StoredSeason[]).map(withoutRemarks) },
  [DAYS]: { shorten: ofThoseDays, pick: inDays },
};

export type OfflineCopy = {
  /** @param resource as it is asked for: `sessions/days?from=2026-11-28`. */
  keep(resource: string, answer: unknown, today: string): Promise<void>;
  /** The kept answer; undefined if there is none, or no storage. */
  read(resource: string): Promise<unknown>;
};

/** Path and parameters of what is asked for. */
function partsOf(resource: string): { path: string; asked: URLSearchParams } {
  const [path = '', query] = resource.split('?');
  return { path, asked: new URLSearchParams(query) };
}

/** Opens this phone's copy. Storage that is full or switched off stores nothing, and is no error. */
export function openOfflineCopy(name = 'zest-lap-offline'): OfflineCopy {
  const open = () =>
    openDB<CopyDb>(name, 1, {
      upgrade(db) {
        db.createObjectStore('answers');
      },
    });
  let ready: ReturnType<typeof open> | undefined;
  const db = () => (ready ??= open());
  const readAt = async (path: string) => {
    try {
      return await (await db()).get('answers', path);
    } catch {
      return undefined;
    }
  };
  return {
    async keep(resource, answer, today) {
      const { path, asked } = partsOf(resource);
      const shortened = KEPT[path]?.shorten(answer, today, asked);
      if (shortened === undefined) return;
      try {
        await (await db()).put('answers', shortened, path);
      } catch {
        // The next answer is tried again.
      }
    },
    async read(resource) {
      const { path, asked } = partsOf(resource);
      const [sessions, id, ...more] = path.split('/');
      if (sessions === 'sessions' && id !== undefined && path !== DAYS && more.length === 0) {
        // One session is found among those of the kept days.
        const days = (await readAt(DAYS)) as ScheduledSession[] | undefined;
        return days?.find((session) => session.id === id);
      }
      const kept = path in KEPT ? await readAt(path) : undefined;
      return kept === undefined ? undefined : (KEPT[path]?.pick?.(kept, asked) ?? kept);
    },
  };
}
