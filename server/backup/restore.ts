/** Puts a copy in the place of the database. Nothing is lost on the way: what is replaced is kept, and a kill leaves either the old or the new. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { format } from 'date-fns/format';
import { DamagedError, DataError } from '../db/dataError';
import { copiesFolder, databaseFile, prepareFolder, restoringFolder, touchPrivate } from '../db/dataFolder';
import { isNoRoom } from '../db/errorCode';
import { eraseAthlete, erasedAthleteIds } from '../db/erase';
import { asDataError, checkSameSchema, identify, look, type Kind } from '../db/inspect';
import { holdOwnership, openDatabase, type Db } from '../db/open';
import { checkCopy, contentsOf, syncToDisk, type Contents } from './copies';

export type Restored = {
  contents: Contents;
  /** What was there before, if anything was. */
  replacedFile?: string;
  /** How many athletes were taken out of it again, since they had been erased after it was made. */
  erasedAgain: number;
};

/** What kind of database would be replaced; undefined if there is none that can be read. @throws DataError while it is in use. */
function kindOfPresent(file: string): Kind | undefined {
  if (!fs.existsSync(file)) return undefined;
  try {
    return look(file, (client) => identify(client, file)).kind;
  } catch (error) {
    if (error instanceof DamagedError) return undefined;
    throw error;
  }
}

/** No server runs here while this is held. @throws DataError when one does. */
function holdFolder(dataFolder: string): Database.Database {
  const holder = new Database(':memory:', { timeout: 500 });
  try {
    holdOwnership(holder, dataFolder);
    return holder;
  } catch (error) {
    holder.close();
    const dataError = asDataError(error, databaseFile(dataFolder));
    if (!(dataError instanceof DataError)) throw dataError;
    throw new DataError('A server is running on this data. Stop it first, then restore. Nothing was changed.');
  }
}

/** Those erased for good in the database that is replaced: a copy from before must not bring them back. */
function erasedSince(file: string): string[] {
  if (!fs.existsSync(file)) return [];
  try {
    const client = new Database(file, { timeout: 500 });
    try {
      return erasedAthleteIds(client);
    } finally {
      // Closing writes the write-ahead log back: the file is then whole by itself.
      client.close();
    }
  } catch {
    // It is damaged, which may well be why a copy is put back.
    return [];
  }
}

/** Refuses a copy that, brought up to this version, is laid out otherwise than a database made by this version. */
function checkSchema({ $client }: Db, from: string): void {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-fresh-'));
  try {
    const fresh = openDatabase(folder);
    try {
      checkSameSchema($client, fresh.$client, from);
    } finally {
      fresh.$client.close();
    }
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

/** Refuses a folder, a pipe, or the database in use. @throws DataError */
function checkIsCopy(from: string, file: string): void {
  const found = fs.statSync(from, { throwIfNoEntry: false });
  if (!found) throw new DataError(`There is no file ${from}.`);
  if (!found.isFile())
    throw new DataError(`${from} is not a file. Name one of the copies: npm run restore lists them.`);
  const present = fs.statSync(file, { throwIfNoEntry: false });
  if (present && present.dev === found.dev && present.ino === found.ino)
    throw new DataError(`${from} is the data itself, not a copy of it. Nothing was changed.`);
}

/** Copies what FILE holds, checks it and brings it up to this version, apart from what is in use. */
async function makeReady(from: string, ready: string, contents: Contents, erased: string[], nowMs: number) {
  const source = new Database(from, { readonly: true, timeout: 500 });
  try {
    touchPrivate(databaseFile(ready));
    await source.backup(databaseFile(ready));
  } finally {
    source.close();
  }
  checkCopy(databaseFile(ready));
  const db = openDatabase(ready, contents.kind);
  try {
    checkSchema(db, from);
    let again = 0;
    for (const id of erased) if (await eraseAthlete(db, id, nowMs)) again++;
    return again;
  } finally {
    db.$client.close();
  }
}

/** Two restores within a second each keep what they replaced. */
function freeName(stem: string, ending: string, n = 1): string {
  const name = `${stem}${n === 1 ? '' : `-${n}`}${ending}`;
  return fs.existsSync(name) ? freeName(stem, ending, n + 1) : name;
}

/** Keeps what is replaced under another name, also its write-ahead log where it could not be written back. */
function keepReplaced(file: string, dataFolder: string, nowMs: number): string | undefined {
  if (!fs.existsSync(file)) return undefined;
  fs.mkdirSync(copiesFolder(dataFolder), { recursive: true, mode: 0o700 });
  const replaced = freeName(
    path.join(copiesFolder(dataFolder), format(nowMs, 'yyyy-MM-dd.HHmmss')),
    '.replaced.sqlite',
  );
  // A hard link, not a move: there is a database at every moment.
  fs.linkSync(file, replaced);
  const wal = `${file}-wal`;
  if (fs.existsSync(wal) && fs.statSync(wal).size > 0) {
    fs.copyFileSync(wal, `${replaced}-wal`);
    syncToDisk(`${replaced}-wal`);
  }
  syncToDisk(copiesFolder(dataFolder));
  // SQLite would apply it to the file that takes this one's place.
  for (const side of [wal, `${file}-shm`]) fs.rmSync(side, { force: true });
  return replaced;
}

/**
 * Puts the copy `from` in the place of the database in `dataFolder`.
 * @throws DataError when a server runs there, the copy is damaged, not ours, of a newer version, or there is no room; nothing is changed then.
 */
export async function restore(dataFolder: string, from: string, nowMs: number = Date.now()): Promise<Restored> {
  checkIsCopy(from, databaseFile(dataFolder));
  const contents = contentsOf(from);
  prepareFolder(dataFolder);
  const holder = holdFolder(dataFolder);
  const file = databaseFile(dataFolder);
  const ready = restoringFolder(dataFolder);
  try {
    const present = kindOfPresent(file);
    if (present && present !== contents.kind)
      throw new DataError(
        `${from} holds ${contents.kind === 'demo' ? 'the demo’s made-up club' : 'a club’s own data'}, and ${dataFolder} is not for it. Nothing was changed.`,
      );
    fs.rmSync(ready, { recursive: true, force: true });
    prepareFolder(ready);
    const erasedAgain = await makeReady(from, ready, contents, erasedSince(file), nowMs);
    syncToDisk(databaseFile(ready));
    const replacedFile = keepReplaced(file, dataFolder, nowMs);
    fs.renameSync(databaseFile(ready), file);
    syncToDisk(dataFolder);
    return { contents, erasedAgain, ...(replacedFile === undefined ? {} : { replacedFile }) };
  } catch (error) {
    if (isNoRoom(error)) throw new DataError('There is no room on the disk to put it back. Nothing was changed.');
    throw asDataError(error, from);
  } finally {
    fs.rmSync(ready, { recursive: true, force: true });
    holder.close();
  }
}
