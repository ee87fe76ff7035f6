import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { databaseFile } from '../db/dataFolder';
import { APPLICATION_ID } from '../db/inspect';
import { tempFolder } from './testServer';

const MIGRATIONS = path.join(__dirname, '../db/migrations');

/** A data folder as it was before a migration (its number, like `0011`), empty and open to be filled. */
export function dataBefore(migration: string): { folder: string; client: Database.Database } {
  const folder = tempFolder();
  const before = path.join(folder, 'migrations');
  const journal = JSON.parse(fs.readFileSync(path.join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string }[];
  };
  const entries = journal.entries.filter(({ tag }) => tag < migration);
  fs.cpSync(MIGRATIONS, before, { recursive: true });
  fs.writeFileSync(path.join(before, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
  const client = new Database(databaseFile(folder));
  migrate(drizzle(client), { migrationsFolder: before });
  client.pragma(`application_id = ${APPLICATION_ID.club}`);
  client.pragma(`user_version = ${entries.length}`);
  return { folder, client };
}

/** Puts an athlete with a race over 5000 m for each time into such a folder, of a version before marks had ids. */
export function addOldAthlete(client: Database.Database, id: string, timesS: readonly number[]): void {
  client.prepare('INSERT INTO athletes (id, name, created_at_ms, updated_at_ms) VALUES (?,?,1,1)').run(id, 'Ada');
  const insert = client.prepare(
    "INSERT INTO marks (athlete_id, distance_m, time_s, date, kind) VALUES (?, 5000, ?, '2026-10-01', 'race')",
  );
  for (const timeS of timesS) insert.run(id, timeS);
}

/** Puts a session that was run into such a folder, of a version before results were rows. */
export function addOldRun(client: Database.Database, plan: Plan, events: readonly RunEvent[]): void {
  client
    .prepare(
      'INSERT INTO runs (id, session_id, title, date, plan_json, summary_json, created_at_ms, event_count) VALUES (?,?,?,?,?,?,1,?)',
    )
    .run(plan.id, plan.sessionId, plan.title, plan.date, JSON.stringify(plan), '{}', events.length);
  const insert = client.prepare('INSERT INTO run_events VALUES (?,?,?,?,?,?)');
  for (const event of events) insert.run(event.id, plan.id, event.atMs, event.type, JSON.stringify(event), 1);
}
