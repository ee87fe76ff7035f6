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

function ofThoseDays(sessions: readonly ScheduledSession[], today: string): ScheduledSession[] {
  const days = [today, daysAfter(today, 1)];
  return sessions.filter(({ date }) => days.includes(date));
}

/** What is kept of each resource; those not named here are not kept. */
const KEPT: Record<string, (answer: unknown, today: string) => unknown> = {
  athletes: (answer) => withoutNotes(answer as SquadMember[]),
  squad: (answer) => answer,
  'pace-books': (answer) => answer,
  venues: (answer) => answer,
  seasons: (answer) => (answer as StoredSeason[]).map(withoutRemarks),
  sessions: (answer, today) => ofThoseDays(answer as ScheduledSession[], today),
};

export type OfflineCopy = {
  isKept(resource: string): boolean;
  /** @param today YYYY-MM-DD, by the club's calendar. */
  keep(resource: string, answer: unknown, today: string): Promise<void>;
  /** The kept answer; undefined if there is none, or no storage. */
  read(resource: string): Promise<unknown>;
};

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
  return {
    isKept: (resource) => resource in KEPT,
    async keep(resource, answer, today) {
      const shorten = KEPT[resource];
      if (!shorten) return;
      try {
        await (await db()).put('answers', shorten(answer, today), resource);
      } catch {
        // The next answer is tried again.
      }
    },
    async read(resource) {
      try {
        return await (await db()).get('answers', resource);
      } catch {
        return undefined;
      }
    },
  };
}
