import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import { DamagedError, DataError } from './dataError';
import { copiesFolder, databaseFile, isUsed, ownerFile, prepareFolder, touchPrivate } from './dataFolder';
import { APPLICATION_ID, asDataError, checkSound, identify, look, pragma, SCHEMA_VERSION, type Kind } from './inspect';
import * as schema from './schema';

export type Db = BetterSQLite3Database<typeof schema> & { $client: Database.Database };
/** What one transaction works with. */
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];

const MIGRATIONS = path.join(__dirname, 'migrations');

/** The demo may be wiped, a club's data never: each opens only its own. */
function checkKind(kind: Kind | undefined, wanted: Kind, file: string): void {
  if (kind === undefined || kind === wanted) return;
  throw new DataError(
    wanted === 'demo'
      ? `${file} holds a club’s own data, and the demo is not for it. It was left as it is. The demo has a folder of its own, unless ZEST_DATA names another.`
      : `${file} holds the demo’s made-up club, which can be wiped at any time. Open it with npm run demo, or set ZEST_DATA to another folder.`,
  );
}

/** Refuses what is there if it is not ours, or if it was lost. */
function inspect(dataFolder: string, wanted: Kind): void {
  const file = databaseFile(dataFolder);
  const copies = copiesFolder(dataFolder);
  const isThere = fs.existsSync(file);
  if (!isThere && fs.existsSync(copies) && fs.readdirSync(copies).length > 0)
    throw new DamagedError(`${file} is missing, but there are copies of it.`);
  if (!isThere) return;
  if (fs.statSync(file).size > 0) return checkKind(look(file, (client) => identify(client, file)).kind, wanted, file);
  if (isUsed(dataFolder))
    throw new DamagedError(
      `${file} is empty, but this folder has been in use: the data in it was lost. It was left as it is.`,
    );
}

/** Locked for as long as the process lives; the operating system releases it even after SIGKILL. Others may still read. */
export function holdOwnership(client: Database.Database, dataFolder: string): void {
  touchPrivate(ownerFile(dataFolder));
  client.prepare('ATTACH ? AS owner').run(ownerFile(dataFolder));
  client.pragma('owner.locking_mode = EXCLUSIVE');
  client.pragma('owner.journal_mode = MEMORY');
  client.exec('BEGIN EXCLUSIVE; COMMIT');
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
 * Writes the write-ahead log back and empties it: what was erased is then nowhere on the disk.
 * @returns false if somebody is reading just now, and it has to be tried again.
 */
export function truncateWal(db: Db): boolean {
  const [result] = db.$client.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
  return result?.busy === 0;
}

/**
 * Opens the database in `dataFolder`, making the folder, the file and the newest schema as needed. One process owns the
 * file: a second one is refused.
 * @throws DataError when the folder cannot be written or the file is in use, not ours, of the other kind, or from a newer version;
 * DamagedError when it is damaged or was lost.
 */
export function openDatabase(dataFolder: string, kind: Kind = 'club'): Db {
  prepareFolder(dataFolder);
  const file = databaseFile(dataFolder);
  inspect(dataFolder, kind);
  let client: Database.Database | undefined;
  try {
    touchPrivate(file);
    client = new Database(file, { timeout: 500 });
    holdOwnership(client, dataFolder);
    client.pragma('main.journal_mode = WAL');
    client.pragma('synchronous = FULL');
    client.pragma('foreign_keys = ON');
    // What is erased for good is overwritten, not only forgotten.
    client.pragma('secure_delete = ON');
    checkSound(client, file, 'quick_check');
    if (pragma(client, 'application_id') === 0) client.pragma(`application_id = ${APPLICATION_ID[kind]}`);
    const db = drizzle(client, { schema, casing: 'snake_case' });
    migrate(db, { migrationsFolder: MIGRATIONS });
    nameTiles(client);
    client.pragma(`user_version = ${SCHEMA_VERSION}`);
    // An erasure that was interrupted has left its old pages in the write-ahead log.
    truncateWal(db);
    return db;
  } catch (error) {
    client?.close();
    throw asDataError(error, file);
  }
}
