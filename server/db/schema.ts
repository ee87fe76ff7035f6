import { isNull } from 'drizzle-orm';
import { index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { ChainLink, Lever } from '@core/library/librarySession';
import type { ModelName, Nudge } from '@core/fitness/curve';
import type { Course, MarkKind } from '@core/fitness/mark';
import type { PaceEntry } from '@core/paces/paceBook';
import type { DayPlan } from '@core/planning/dayPlan';
import type { HeatLimits } from '@core/squad/heat';
import type { OwnVenue } from '@core/venue/ownVenue';
import type { TimeSource } from '@core/review/evenness';
import type { EffortSource } from '@core/review/load';
import type { RepResult } from '@core/review/results';
import type { SeasonPlan } from '@core/season/season';
import type { KindCount } from '@core/review/sameSession';
import type { Intent, MeantArc } from '@core/session/intent';
import type { VolumeGuides } from '@core/squad/volumeGuides';
import type { Leaning } from '@core/fitness/shapePrior';
import type { Goal, Status } from '@core/squad/athlete';
import type { Club } from '@core/squad/club';
import type { Schools } from '@core/squad/schools';
import type { Conditions, Flag, NextDay, NextStep, Presence, StopReason } from '@core/run/events';
import type { Verdict } from '@core/run/verdict';

/** The squad's settings: one row. */
export const squad = sqliteTable('squad', {
  id: integer().primaryKey(),
  paceBookId: text('pace_book_id').notNull(),
  guides: text({ mode: 'json' }).$type<VolumeGuides>(),
  heat: text({ mode: 'json' }).$type<HeatLimits>(),
  schools: text({ mode: 'json' }).$type<Schools>(),
  club: text({ mode: 'json' }).$type<Club>(),
});

/** Training groups, by their place in the list. */
export const groups = sqliteTable('groups', {
  id: text().primaryKey(),
  name: text().notNull(),
  place: integer().notNull(),
});

/** Pace books the coach has made; those that come with the app are in the code. */
export const paceBooks = sqliteTable('pace_books', {
  id: text().primaryKey(),
  name: text().notNull(),
  model: text().$type<ModelName>().notNull(),
  entries: text({ mode: 'json' }).$type<PaceEntry[]>().notNull(),
  createdAtMs: integer('created_at_ms').notNull(),
  updatedAtMs: integer('updated_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** Athletes. Removing one hides it (`removedAtMs`), so that it can be undone; erasing takes the row and all else away. */
export const athletes = sqliteTable('athletes', {
  id: text().primaryKey(),
  name: text().notNull(),
  tileName: text('tile_name').notNull().default(''),
  status: text().$type<Status>().notNull().default('training'),
  bornYear: integer('born_year'),
  leaning: text().$type<Leaning>(),
  runningSince: text('running_since'),
  wellOn: text('well_on'),
  weeklyKm: real('weekly_km'),
  groupId: text('group_id').references(() => groups.id, { onDelete: 'set null' }),
  notes: text(),
  goal: text({ mode: 'json' }).$type<Goal>(),
  nudge: text({ mode: 'json' }).$type<Nudge>(),
  paceBookId: text('pace_book_id'),
  /** What the timing chip they wear says of itself. */
  chip: text(),
  archived: integer({ mode: 'boolean' }).notNull().default(false),
  createdAtMs: integer('created_at_ms').notNull(),
  updatedAtMs: integer('updated_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** Marks of an athlete, in the order they were entered. */
export const marks = sqliteTable(
  'marks',
  {
    /** Stays the same when the mark is changed: an estimate may refer to it. */
    id: text().primaryKey(),
    athleteId: text('athlete_id')
      .notNull()
      .references(() => athletes.id, { onDelete: 'cascade' }),
    place: integer().notNull(),
    distanceM: real('distance_m').notNull(),
    timeS: real('time_s').notNull(),
    date: text().notNull(),
    kind: text().$type<MarkKind>().notNull(),
    course: text().$type<Course>(),
    courseName: text('course_name'),
    note: text(),
    leftOut: integer('left_out', { mode: 'boolean' }).notNull().default(false),
    runId: text('run_id'),
    /** Of a fitness estimate: what its session says alone. */
    aloneTimeS: real('alone_time_s'),
    aloneSd: real('alone_sd'),
  },
  (table) => [index('marks_by_athlete').on(table.athleteId)],
);

/** Sessions in the library. Those that come with the app are in the code until the coach changes them. */
export const librarySessions = sqliteTable('book_sessions', {
  id: text().primaryKey(),
  title: text().notNull(),
  shorthand: text().notNull(),
  intent: text().$type<Intent>(),
  purpose: text(),
  season: text(),
  easier: text(),
  harder: text(),
  tags: text({ mode: 'json' }).$type<string[]>().notNull(),
  favourite: integer({ mode: 'boolean' }).notNull().default(false),
  archived: integer({ mode: 'boolean' }).notNull().default(false),
  createdAtMs: integer('created_at_ms').notNull(),
  updatedAtMs: integer('updated_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** How a session in the library read when it was run, before it was changed: append-only. */
export const libraryVersions = sqliteTable(
  'book_versions',
  {
    libraryId: text('book_id').notNull(),
    version: integer().notNull(),
    title: text().notNull(),
    shorthand: text().notNull(),
    untilMs: integer('until_ms').notNull(),
  },
  (table) => [primaryKey({ columns: [table.libraryId, table.version] })],
);

/** Ordered families of sessions in the library. */
export const progressions = sqliteTable('progressions', {
  id: text().primaryKey(),
  name: text().notNull(),
  lever: text().$type<Lever>().notNull(),
  stepIds: text('step_ids', { mode: 'json' }).$type<string[]>().notNull(),
  chain: text({ mode: 'json' }).$type<ChainLink[]>(),
  everyDays: integer('every_days'),
  round: integer(),
  createdAtMs: integer('created_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** Places to run that the coach has measured; the usual ones are in the code. */
export const venues = sqliteTable('venues', {
  id: text().primaryKey(),
  name: text().notNull(),
  shape: text().$type<OwnVenue['shape']>().notNull(),
  lengthM: real('length_m').notNull(),
  marks: text({ mode: 'json' }).$type<OwnVenue['marks']>().notNull(),
  slopePct: real('slope_pct'),
  createdAtMs: integer('created_at_ms').notNull(),
  updatedAtMs: integer('updated_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** Sessions on a day, as written; the shorthand may still be a draft. */
export const sessions = sqliteTable(
  'sessions',
  {
    id: text().primaryKey(),
    title: text().notNull(),
    date: text().notNull(),
    shorthand: text().notNull(),
    startTime: text('start_time'),
    intent: text().$type<Intent>(),
    /** The effort it is meant to take, where that is not the usual one for its intent. */
    arc: text({ mode: 'json' }).$type<MeantArc>(),
    /** The session in the library it was taken from. */
    libraryId: text('book_id'),
    /** What is decided for that day, beyond the text. */
    plan: text({ mode: 'json' }).$type<DayPlan>(),
    createdAtMs: integer('created_at_ms').notNull(),
    updatedAtMs: integer('updated_at_ms').notNull(),
    removedAtMs: integer('removed_at_ms'),
  },
  (table) => [
    // Lists and calendars read by day, the library by what it was used for; neither reads what is decided for a day.
    index('sessions_by_day').on(table.date, table.createdAtMs, table.id),
    index('sessions_by_library').on(table.libraryId, table.date, table.removedAtMs),
  ],
);

/** Seasons, each as a whole; the version goes up with every change, so that two who change it at once do not lose each other's work. */
export const seasons = sqliteTable('seasons', {
  id: text().primaryKey(),
  version: integer().notNull(),
  plan: text({ mode: 'json' }).$type<SeasonPlan>().notNull(),
  /** Who changed it last. */
  actor: text().notNull(),
  createdAtMs: integer('created_at_ms').notNull(),
  updatedAtMs: integer('updated_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** Sessions taken to the track: the plan as it was then, never changed afterwards. */
export const runs = sqliteTable(
  'runs',
  {
    id: text().primaryKey(),
    sessionId: text('session_id').notNull(),
    title: text().notNull(),
    date: text().notNull(),
    planJson: text('plan_json').notNull(),
    createdAtMs: integer('created_at_ms').notNull(),
    /** How many events it has; counted here, since every post asks. */
    eventCount: integer('event_count').notNull().default(0),
    /** Number of `joined` events among them. */
    joinedCount: integer('joined_count').notNull().default(0),
    /** Put away by the coach, for example since it cannot be read; nothing of it is lost. */
    setAsideAtMs: integer('set_aside_at_ms'),
  },
  (table) => [
    // A covering index for lists, so that they never read the plans.
    index('runs_listed').on(table.date, table.createdAtMs, table.id, table.sessionId, table.title, table.setAsideAtMs),
    index('runs_by_session').on(table.sessionId),
  ],
);

/** What happened at the track: append-only. */
export const runEvents = sqliteTable(
  'run_events',
  {
    id: text().primaryKey(),
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    atMs: integer('at_ms').notNull(),
    type: text().notNull(),
    eventJson: text('event_json').notNull(),
    receivedAtMs: integer('received_at_ms').notNull(),
  },
  (table) => [index('run_events_by_run').on(table.runId)],
);

/**
 * A projection of each session at the track: what lists show of it. Written with the events, and made anew from them at any time (see
 * results.ts).
 */
export const runResults = sqliteTable(
  'run_results',
  {
    runId: text('run_id')
      .primaryKey()
      .references(() => runs.id, { onDelete: 'cascade' }),
    /** Which RESULTS_VERSION it was worked out by. */
    version: integer().notNull(),
    /** What is stored of the session is damaged. */
    isUnreadable: integer('is_unreadable', { mode: 'boolean' }).notNull().default(false),
    athletes: integer().notNull().default(0),
    planned: integer().notNull().default(0),
    finished: integer().notNull().default(0),
    early: integer().notNull().default(0),
    on: integer().notNull().default(0),
    late: integer().notNull().default(0),
    startedAtMs: integer('started_at_ms'),
    endedAtMs: integer('ended_at_ms'),
    /** Of those who were there, on average. */
    minutes: real(),
    /** What it is made of, and the same without the counts, by which sessions of a kind are found. */
    kinds: text({ mode: 'json' }).$type<KindCount[]>().notNull().default([]),
    kindsKey: text('kinds_key').notNull().default(''),
    conditions: text({ mode: 'json' }).$type<Conditions>().notNull().default({}),
    intent: text().$type<Intent>(),
  },
  (table) => [
    index('run_results_by_kinds').on(table.kindsKey),
    index('run_results_open').on(table.runId).where(isNull(table.endedAtMs)),
  ],
);

const ofRun = () => ({
  runId: text('run_id')
    .notNull()
    .references(() => runs.id, { onDelete: 'cascade' }),
  athleteId: text('athlete_id').notNull(),
  date: text().notNull(),
});

/** The same projection, one athlete's part of a session: everyone a session names has one. */
export const athleteResults = sqliteTable(
  'athlete_results',
  {
    ...ofRun(),
    presence: text().$type<Presence>(),
    groupId: text('group_id'),
    isThere: integer('is_there', { mode: 'boolean' }).notNull().default(false),
    planned: integer().notNull(),
    finished: integer().notNull(),
    early: integer().notNull(),
    on: integer().notNull(),
    late: integer().notNull(),
    isStopped: integer('is_stopped', { mode: 'boolean' }).notNull().default(false),
    stopReason: text('stop_reason').$type<StopReason>(),
    meantLast: real('meant_last'),
    meanPercent: real('mean_percent'),
    evennessPercent: real('evenness_percent'),
    fadePercent: real('fade_percent'),
    lastEffort: real('last_effort'),
    sessionEffort: real('session_effort'),
    startedAtMs: integer('started_at_ms'),
    minutes: real(),
    hardMinutes: real('hard_minutes'),
    loadEffort: real('load_effort'),
    nextDay: text('next_day').$type<NextDay>(),
    nextStep: text('next_step').$type<NextStep>(),
    /** The session in the library that they ran as a version of this one. */
    libraryId: text('book_id'),
    effortSource: text('effort_source').$type<EffortSource>(),
    plannedMinutes: real('planned_minutes'),
    plannedHardMinutes: real('planned_hard_minutes'),
    plannedEffort: real('planned_effort'),
  },
  (table) => [
    primaryKey({ columns: [table.runId, table.athleteId] }),
    index('athlete_results_by_athlete').on(table.athleteId, table.date),
  ],
);

/** The same projection, rep by rep. */
export const repResults = sqliteTable(
  'rep_results',
  {
    ...ofRun(),
    place: integer().notNull(),
    repIndex: integer('rep_index').notNull(),
    groupId: text('group_id').notNull(),
    role: text().$type<RepResult['role']>().notNull(),
    state: text().$type<RepResult['state']>().notNull(),
    distanceM: real('distance_m'),
    durationS: real('duration_s'),
    coveredM: real('covered_m'),
    pace: text(),
    targetS: real('target_s'),
    expectedM: real('expected_m'),
    timeS: real('time_s'),
    deltaS: real('delta_s'),
    verdict: text().$type<Verdict>(),
    openingDeltaS: real('opening_delta_s'),
    effort: real(),
    beatsPerMin: integer('beats_per_min'),
    restS: real('rest_s'),
    plannedRestS: real('planned_rest_s'),
    recovery: text(),
    isHill: integer('is_hill', { mode: 'boolean' }).notNull().default(false),
    flags: text({ mode: 'json' }).$type<Flag[]>().notNull(),
    notes: text({ mode: 'json' }).$type<string[]>().notNull(),
    source: text().$type<TimeSource>(),
    isExcluded: integer('is_excluded', { mode: 'boolean' }).notNull().default(false),
    isAdded: integer('is_added', { mode: 'boolean' }).notNull().default(false),
    cutFromM: real('cut_from_m'),
  },
  (table) => [
    primaryKey({ columns: [table.runId, table.athleteId, table.place] }),
    index('rep_results_by_athlete').on(table.athleteId, table.date),
  ],
);

/** The passphrase in force, as a scrypt hash: one row. Another passphrase takes its place, and all that was given out for it ends. */
export const passphrases = sqliteTable('passphrases', {
  id: integer().primaryKey(),
  salt: text().notNull(),
  hash: text().notNull(),
});

/** Cookies that were given out, as hashes: to the coach for the passphrase, or to a helper's phone for one session only. */
export const accessTokens = sqliteTable('access_tokens', {
  hash: text().primaryKey(),
  runId: text('run_id').references(() => runs.id, { onDelete: 'cascade' }),
  /** The helper's phone: its events carry no other device. */
  deviceId: text('device_id'),
  /** How many events it has brought. */
  events: integer().notNull().default(0),
  untilMs: integer('until_ms').notNull(),
});

/** Devices that have been let in by the passphrase once, by the hash of a cookie: wrong guesses of others do not keep them out. */
export const knownDevices = sqliteTable('known_devices', {
  hash: text().primaryKey(),
  untilMs: integer('until_ms').notNull(),
});

/** Phones that have timed a session as a helper, so that one which joins again is told from one that takes the coach's name. */
export const runHelpers = sqliteTable(
  'run_helpers',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    deviceId: text('device_id').notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.deviceId] })],
);

/** Codes by which a phone joins a session, as hashes: each good once and for some minutes. */
export const joinCodes = sqliteTable('join_codes', {
  hash: text().primaryKey(),
  runId: text('run_id')
    .notNull()
    .references(() => runs.id, { onDelete: 'cascade' }),
  untilMs: integer('until_ms').notNull(),
});

/**
 * Ids of athletes erased for good: a phone that still has one of their sessions may send it again, and they are taken out of it.
 * An id is a random number; it says nothing about anyone.
 */
export const erasedAthletes = sqliteTable('erased_athletes', {
  id: text().primaryKey(),
  erasedAtMs: integer('erased_at_ms').notNull(),
  /** When nothing about them was left; missing while the erasure is under way, or was interrupted. */
  finishedAtMs: integer('finished_at_ms'),
});
