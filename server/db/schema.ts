import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { MarkKind } from '@core/fitness/mark';

/** Athletes. Removing one hides it (`removedAtMs`), so that it can be undone. */
export const athletes = sqliteTable('athletes', {
  id: text().primaryKey(),
  name: text().notNull(),
  createdAtMs: integer('created_at_ms').notNull(),
  updatedAtMs: integer('updated_at_ms').notNull(),
  removedAtMs: integer('removed_at_ms'),
});

/** Marks of an athlete, in the order they were entered. */
export const marks = sqliteTable(
  'marks',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    athleteId: text('athlete_id')
      .notNull()
      .references(() => athletes.id, { onDelete: 'cascade' }),
    distanceM: real('distance_m').notNull(),
    timeS: real('time_s').notNull(),
    date: text().notNull(),
    kind: text().$type<MarkKind>().notNull(),
  },
  (table) => [index('marks_by_athlete').on(table.athleteId)],
);

/** Sessions as written; the shorthand may still be a draft. */
export const sessions = sqliteTable('sessions', {
  id: text().primaryKey(),
  title: text().notNull(),
  date: text().notNull(),
  shorthand: text().notNull(),
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
    /** What lists show of it; empty when events have come in since. */
    summaryJson: text('summary_json'),
    createdAtMs: integer('created_at_ms').notNull(),
  },
  (table) => [index('runs_by_date').on(table.date)],
);

/** What happened at the track: only ever added to. */
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
