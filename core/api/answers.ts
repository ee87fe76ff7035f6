/** The type of every answer, by route, for server and client. Their schemas are in answerSchemas.ts. */
import type { LibrarySession, LibraryVersion, Progression } from '../library/librarySession';
import type { CareKnown } from '../judgement/care';
import type { Calibration } from '../outlook/calibration';
import type { LevelRead } from '../review/changeShown';
import type { PaceBook } from '../paces/paceBook';
import type { DayPlan } from '../planning/dayPlan';
import type { History, LastTime, SameSessions, SquadHistory, Standing } from '../review/history';
import type { ResultRow } from '../review/resultRow';
import type { RunSummary } from '../review/summary';
import type { RunEvent } from '../run/events';
import type { Plan } from '../run/plan';
import type { StoredSeason } from '../season/season';
import type { SquadMember } from '../squad/athlete';
import type { Weather } from '../squad/heat';
import type { SquadSettings } from '../squad/squadSettings';
import type { OwnVenue } from '../venue/ownVenue';
import type { AthleteFile } from './athleteFile';
import type { SessionInput } from './schemas';

/** A session in a list: without what has been decided for its day. */
export type ListedSession = SessionInput & { id: string };
/** A session on a day, with what has been decided for that day. */
export type ScheduledSession = ListedSession & { plan?: DayPlan };
/** The coach's part of the library: a starter session is in it once the coach has changed it. */
export type StoredLibrary = { sessions: LibrarySession[]; progressions: Progression[] };
/** On how many days each session of the library was used, and the last of them that is not still to come; by its id. */
export type LibraryUses = Record<string, { days: number; last?: string }>;
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

/** A page of a list, the latest first. `next` is the cursor of the page after it: left out on the last. */
export type Page<T> = { rows: T[]; next?: string };
/** Runs that the list of results leaves out: damaged or set aside; and how many are still being worked out. */
export type RunsApart = { pending: number; runs: ListedRun[] };

/** Days from and to, YYYY-MM-DD. */
export type DateRange = { from: string; to: string };
/** A note about an athlete from the track, for the coach only. */
export type NoteOn = { runId: string; date: string; text: string };

/** What this phone may do: everything, time one session, or nothing yet. */
export type Access = { isLocked: boolean; who: 'coach' | 'helper' | 'nobody'; runId?: string };

/** A code with which one other phone can join a session, when it expires, and the server's address. */
export type JoinCode = { code: string; untilMs: number; addresses: string[] };

/** An event that was not taken, and why; `index` is its place in the batch. */
export type RefusedEvent = {
  index: number;
  id?: string;
  code: 'invalid' | 'not_for_helper' | 'conflict';
  field: string;
  message: string;
};

/** Every refusal. */
export type Refusal = { error: { code: string; message: string; field?: string } };

/** What each route answers; `undefined` is an empty answer (204). */
export type Answers = {
  'GET /api/health': { status: 'ok' | 'failing'; version: string; database: 'ok' | 'failing' };
  'GET /api/clock': { nowMs: number };
  'GET /api/access': Access;
  'POST /api/access/passphrase': undefined;
  'POST /api/access/join': { runId: string };
  'POST /api/access/codes': JoinCode;
  'DELETE /api/access': undefined;
  'GET /api/athletes': SquadMember[];
  'GET /api/athletes/:id/file': AthleteFile;
  'POST /api/athletes/:id/erase': undefined;
  'GET /api/squad': SquadSettings;
  'POST /api/squad/changes': undefined;
  'GET /api/pace-books': PaceBook[];
  'PUT /api/pace-books/:id': PaceBook;
  'DELETE /api/pace-books/:id': undefined;
  'POST /api/pace-books/:id/restore': undefined;
  'GET /api/sessions': Page<ListedSession>;
  'GET /api/sessions/days': ScheduledSession[];
  'GET /api/sessions/:id': ScheduledSession;
  'PUT /api/sessions/:id': ListedSession;
  'PUT /api/sessions/:id/plan': DayPlan;
  'DELETE /api/sessions/:id': undefined;
  'POST /api/sessions/:id/restore': undefined;
  'GET /api/library': StoredLibrary;
  'GET /api/library/uses': LibraryUses;
  'GET /api/library/:id/versions': Page<LibraryVersion>;
  'POST /api/library/changes': undefined;
  'GET /api/venues': OwnVenue[];
  'PUT /api/venues/:id': OwnVenue;
  'DELETE /api/venues/:id': undefined;
  'POST /api/venues/:id/restore': undefined;
  'GET /api/weather': Weather | undefined;
  'GET /api/seasons': StoredSeason[];
  'PUT /api/seasons/:id': StoredSeason;
  'DELETE /api/seasons/:id': undefined;
  'POST /api/seasons/:id/restore': undefined;
  'POST /api/seasons/:id/days': StoredSeason & { sessionId: string };
  'GET /api/seasons/:id/calendar.ics': string;
  'GET /api/runs': Page<ListedRun>;
  'GET /api/runs/days': ListedRun[];
  'GET /api/runs/open': ListedRun[];
  'GET /api/runs/apart': RunsApart;
  'GET /api/runs/:id': { plan: Plan; events: RunEvent[] };
  'GET /api/runs/:id/live': string;
  'PUT /api/runs/:id/plan': undefined;
  'POST /api/runs/:id/events': { accepted: string[]; refused: RefusedEvent[] };
  'DELETE /api/runs/:id': undefined;
  'POST /api/runs/:id/restore': undefined;
  'GET /api/review/squad': SquadHistory;
  'GET /api/review/calibrations': Record<string, Calibration>;
  'GET /api/review/levels': Record<string, LevelRead[]>;
  'GET /api/review/care': Record<string, CareKnown>;
  'GET /api/review/athletes/:id': History & { notes: NoteOn[] };
  'GET /api/review/reps': ResultRow[];
  'GET /api/review/runs/:id/same': SameSessions;
  'GET /api/review/progressions/:id': Standing[];
  'GET /api/review/sessions/:id/last': LastTime | null;
};

export type Route = keyof Answers;
