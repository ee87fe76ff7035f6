import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
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
