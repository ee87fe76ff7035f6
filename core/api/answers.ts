/** What the server answers, resource by resource: the same types for it and for the client. */
import type { BookSession, Progression } from '../library/bookSession';
import type { DayPlan } from '../planning/dayPlan';
import type { RunSummary } from '../review/summary';
import type { SessionInput } from './schemas';

/** A session on a day, with what is decided for that day. */
export type ScheduledSession = SessionInput & { id: string; plan?: DayPlan };
/** What the server keeps of the library: starter sessions are in it once the coach has changed them. */
export type KeptBook = { sessions: BookSession[]; progressions: Progression[] };
/** A session that was taken to the track: with its summary, unless it cannot be read or was set aside. */
export type ListedRun = {
  id: string;
  sessionId: string;
  title: string;
  date: string;
  summary?: RunSummary;
  /** What is stored of it is damaged. */
  isUnreadable?: true;
  /** The coach has removed it; it can be brought back. */
  isSetAside?: true;
  /** It is being read just now, and has its summary in a moment. */
  isPending?: true;
};

/** Days from and to, YYYY-MM-DD. */
export type DateRange = { from: string; to: string };
/** What was noted of an athlete at the track: for the coach's eyes. */
export type NoteOn = { runId: string; date: string; text: string };

/** What this phone may do: everything, time one session, or nothing until it is let in. */
export type Access = { isLocked: boolean; who: 'coach' | 'helper' | 'nobody'; runId?: string };

/** A code by which one other phone can join a session, until when, and where it reaches the server. */
export type JoinCode = { code: string; untilMs: number; addresses: string[] };
