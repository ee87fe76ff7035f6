import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import journal from './migrations/meta/_journal.json';
import * as schema from './schema';

export type Db = BetterSQLite3Database<typeof schema> & { $client: Database.Database };

/** Thrown when the data cannot be used; the message is for the person who started the server. The file is left as it was. */
export class DataError extends Error {
  override name = 'DataError';
}

/** Marks a file as ours: “ZLap” in ASCII, in SQLite's application_id. */
const APPLICATION_ID = 0x5a4c6170;
/** The schema's version is the number of migrations it has been through, in SQLite's user_version. */
const SCHEMA_VERSION = journal.entries.length;
const MIGRATIONS = path.join(__dirname, 'migrations');

export const databaseFile = (dataFolder: string) => path.join(dataFolder, 'zest-lap.sqlite');

function makeFolder(folder: string): void {
  try {
    fs.mkdirSync(folder, { recursive: true });
    fs.accessSync(folder, fs.constants.W_OK);
  } catch {
    throw new DataError(
      `The data folder ${folder} cannot be written to. Give this user the right to write there, or choose another with ZEST_DATA.`,
    );
  }
}

function pragma(client: Database.Database, name: string): number {
  return Number(client.pragma(name, { simple: true }));
}

/** Looks at an existing file without changing it, and refuses one that is not ours or is from a newer version. */
function inspect(file: string): void {
  if (!fs.existsSync(file) || fs.statSync(file).size === 0) return;
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { readonly: true, fileMustExist: true, timeout: 500 });
    const tables = pragma(client, 'schema_version');
    if (tables > 0 && pragma(client, 'application_id') !== APPLICATION_ID)
      throw new DataError(
        `${file} is a database of some other program. It was left as it is. Move it away, or set ZEST_DATA.`,
      );
    const version = pragma(client, 'user_version');
    if (version > SCHEMA_VERSION)
      throw new DataError(
        `${file} was written by a newer version of Zest Lap (data version ${version}, this one knows ${SCHEMA_VERSION}). It was left as it is. Update Zest Lap, or set ZEST_DATA.`,
      );
  } catch (error) {
    throw asDataError(error, file);
  } finally {
    client?.close();
  }
}

function asDataError(error: unknown, file: string): Error {
  if (error instanceof DataError) return error;
  const code = error instanceof Database.SqliteError ? error.code : '';
  if (code.startsWith('SQLITE_BUSY'))
    return new DataError(
      `${file} is in use by another Zest Lap. Stop that one first, or set ZEST_DATA and PORT for this one.`,
    );
  if (code === 'SQLITE_NOTADB' || code.startsWith('SQLITE_CORRUPT'))
    return new DataError(
      `${file} is not a database that can be read. It was left as it is. Move it away, or set ZEST_DATA.`,
    );
  if (code.startsWith('SQLITE_CANTOPEN') || code.startsWith('SQLITE_READONLY'))
    return new DataError(`${file} cannot be opened for writing. Check the rights of the file and its folder.`);
  return error instanceof Error ? error : new Error(String(error));
}

/** Athletes stored before tiles had names of their own are given one. */
function nameTiles(client: Database.Database): void {
  const rows = client
    .prepare('SELECT id, name, tile_name AS tileName FROM athletes ORDER BY created_at_ms, id')
    .all() as {
    id: string;
    name: string;
    tileName: string;
  }[];
  const taken = new Set(rows.map(({ tileName }) => tileKey(tileName)));
  const update = client.prepare('UPDATE athletes SET tile_name = ? WHERE id = ?');
  for (const { id, name, tileName } of rows) {
    if (tileName !== '') continue;
    const suggested = suggestTileName(name, taken);
    taken.add(tileKey(suggested));
    update.run(suggested, id);
  }
}

/**
 * Opens the database in `dataFolder`, making the folder, the file and the newest schema as needed. One process owns the
 * file: a second one is refused.
 * @throws DataError when the folder cannot be written or the file is in use, not ours, or from a newer version.
 */
export function openDatabase(dataFolder: string): Db {
  makeFolder(dataFolder);
  const file = databaseFile(dataFolder);
  inspect(file);
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { timeout: 500 });
    // Held for as long as the process lives; the operating system lets go of it even after SIGKILL.
    client.pragma('locking_mode = EXCLUSIVE');
    client.pragma('journal_mode = WAL');
    client.pragma('synchronous = FULL');
    client.pragma('foreign_keys = ON');
    // What is erased for good is overwritten, not only forgotten.
    client.pragma('secure_delete = ON');
    if (pragma(client, 'application_id') === 0) client.pragma(`application_id = ${APPLICATION_ID}`);
    const db = drizzle(client, { schema, casing: 'snake_case' });
    migrate(db, { migrationsFolder: MIGRATIONS });
    nameTiles(client);
    client.pragma(`user_version = ${SCHEMA_VERSION}`);
    return db;
  } catch (error) {
    client?.close();
    throw asDataError(error, file);
  }
}
