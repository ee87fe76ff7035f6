/** The type of every answer, by resource, for server and client. */
import type { LibrarySession, Progression } from '../library/librarySession';
import type { DayPlan } from '../planning/dayPlan';
import type { RunSummary } from '../review/summary';
import type { SessionInput } from './schemas';

/** A session on a day, with what has been decided for that day. */
export type ScheduledSession = SessionInput & { id: string; plan?: DayPlan };
/** The coach's part of the library: a starter session is in it once the coach has changed it. */
export type StoredLibrary = { sessions: LibrarySession[]; progressions: Progression[] };
/** A session that was taken to the track, with its summary unless it is unreadable or set aside. */
export type ListedRun = {
  id: string;
  sessionId: string;
  title: string;
  date: string;
  summary?: RunSummary;
  /** Its stored data is damaged. */
  isUnreadable?: true;
  /** The coach has removed it; it can be restored. */
  isSetAside?: true;
  /** Its summary is still being worked out. */
  isPending?: true;
};

/** Days from and to, YYYY-MM-DD. */
export type DateRange = { from: string; to: string };
/** A note about an athlete from the track, for the coach only. */
export type NoteOn = { runId: string; date: string; text: string };

/** What this phone may do: everything, time one session, or nothing yet. */
export type Access = { isLocked: boolean; who: 'coach' | 'helper' | 'nobody'; runId?: string };

/** A code with which one other phone can join a session, when it expires, and the server's address. */
export type JoinCode = { code: string; untilMs: number; addresses: string[] };
