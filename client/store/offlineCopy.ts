/**
 * What the phone keeps of the server's answers, so that today's and tomorrow's sessions can be laid out and run with no network.
 * As little as that takes: no notes on anyone, no other days.
 */
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { openDB, type DBSchema } from 'idb';
import type { StoredSeason } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import type { Session } from './api';

interface CopyDb extends DBSchema {
  answers: { key: string; value: unknown };
}

const dayName = (day: Date) => format(day, 'yyyy-MM-dd');

function withoutNotes(athletes: readonly SquadMember[]): SquadMember[] {
  return athletes.map(({ notes: _notes, ...athlete }) => athlete);
}

/** Who is away is needed at the track; why is not. */
const withoutRemarks = ({ season, ...stored }: StoredSeason): StoredSeason => ({
  ...stored,
  season: { ...season, exceptions: season.exceptions.map(({ note: _note, ...exception }) => exception) },
});

function ofThoseDays(sessions: readonly Session[], now: Date): Session[] {
  const days = [dayName(now), dayName(addDays(now, 1))];
  return sessions.filter(({ date }) => days.includes(date));
}

/** What is kept of each resource; those not named here are not kept. */
const KEPT: Record<string, (answer: unknown, now: Date) => unknown> = {
  athletes: (answer) => withoutNotes(answer as SquadMember[]),
  squad: (answer) => answer,
  'pace-books': (answer) => answer,
  venues: (answer) => answer,
  seasons: (answer) => (answer as StoredSeason[]).map(withoutRemarks),
  sessions: (answer, now) => ofThoseDays(answer as Session[], now),
};

export type OfflineCopy = {
  isKept(resource: string): boolean;
  keep(resource: string, answer: unknown, now: Date): Promise<void>;
  /** The kept answer; undefined if there is none, or no storage. */
  read(resource: string): Promise<unknown>;
};

/** Opens this phone's copy. Storage that is full or switched off keeps nothing, and troubles nobody. */
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
    async keep(resource, answer, now) {
      const shorten = KEPT[resource];
      if (!shorten) return;
      try {
        await (await db()).put('answers', shorten(answer, now), resource);
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
