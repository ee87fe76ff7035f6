/** Consistent copies of the database, made while it is in use, each checked before it counts. */
import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { format } from 'date-fns/format';
import { parse } from 'date-fns/parse';
import { DamagedError, DataError } from '../db/dataError';
import { copiesFolder, databaseFile } from '../db/dataFolder';
import { isNoRoom } from '../db/errorCode';
import { asDataError, checkInert, checkSound, identify, look, pragma, type Kind } from '../db/inspect';

/** Why a copy was made. */
export type Why = 'nightly' | 'migration' | 'asked';

/** How many are kept; the oldest goes first. */
export const KEPT_COPIES = 14;

const STAMP = 'yyyy-MM-dd.HHmmss';
const NAME = /^(\d{4}-\d\d-\d\d\.\d{6})\.(nightly|migration|asked)\.sqlite$/;
const PART = '.part';
/** All pages in one step: from another process, a copy made page by page restarts with every write. */
const ALL_PAGES = 2 ** 30;

export type Copy = { file: string; madeAtMs: number; why: Why };

/** What a database holds, as a person would ask. */
export type Contents = {
  kind: Kind;
  version: number;
  bytes: number;
  athletes: number;
  sessions: number;
  runs: number;
  latestRun?: string;
};

/** The copies there are, the newest first. */
export function listCopies(dataFolder: string): Copy[] {
  const folder = copiesFolder(dataFolder);
  const names = fs.existsSync(folder) ? fs.readdirSync(folder) : [];
  return names
    .flatMap((name): Copy[] => {
      const [, stamp, why] = NAME.exec(name) ?? [];
      if (stamp === undefined) return [];
      return [{ file: path.join(folder, name), madeAtMs: parse(stamp, STAMP, new Date(0)).getTime(), why: why as Why }];
    })
    .sort((a, b) => b.madeAtMs - a.madeAtMs);
}

function countRows(client: Database.Database, table: string, where = ''): number {
  const isThere = client.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?").get(table);
  if (!isThere) return 0;
  return Number(client.prepare(`SELECT count(*) FROM ${table} ${where}`).pluck().get());
}

/** @throws DataError when the file is not a database of ours that this version can read. */
export function contentsOf(file: string): Contents {
  return look(file, (client) => {
    const { kind, version } = identify(client, file);
    checkInert(client, file);
    if (!kind) throw new DataError(`${file} is an empty database: there is nothing in it to put back.`);
    const runs = countRows(client, 'runs');
    const latest = runs === 0 ? undefined : (client.prepare('SELECT max(date) FROM runs').pluck().get() as string);
    return {
      kind,
      version,
      bytes: pragma(client, 'page_count') * pragma(client, 'page_size'),
      athletes: countRows(client, 'athletes', 'WHERE removed_at_ms IS NULL'),
      sessions: countRows(client, 'sessions', 'WHERE removed_at_ms IS NULL'),
      runs,
      ...(latest === undefined ? {} : { latestRun: latest }),
    };
  });
}

/** Makes one file of a copy (no side files), and checks all of it. @throws DamagedError when it is not sound. */
export function checkCopy(file: string): void {
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { timeout: 500 });
    client.pragma('journal_mode = DELETE');
    checkSound(client, file, 'integrity_check');
  } catch (error) {
    throw asDataError(error, file);
  } finally {
    client?.close();
  }
}

/** Flushes a file to the disk. */
export function syncToDisk(place: string): void {
  const handle = fs.openSync(place, 'r');
  try {
    fs.fsyncSync(handle);
  } finally {
    fs.closeSync(handle);
  }
}

/** Removes what interrupted copies have left behind; one from the last hour may still be running. */
function removeParts(folder: string, nowMs: number): void {
  for (const name of fs.readdirSync(folder)) {
    const part = path.join(folder, name);
    if (name.includes(PART) && nowMs - fs.statSync(part).mtimeMs > 3_600_000) fs.rmSync(part, { force: true });
  }
}

/**
 * Copies a database that may be in use, all of it as it was at one moment, into `dataFolder`'s copies. The copy has its name only once it has
 * been checked, so that one interrupted by a kill or a full disk never counts; then the oldest beyond those kept go.
 * @param source an open connection to the database.
 * @returns the file. @throws DataError when it cannot be made; earlier copies stay.
 */
export async function makeCopy(
  source: Database.Database,
  dataFolder: string,
  why: Why,
  nowMs: number = Date.now(),
): Promise<string> {
  const folder = copiesFolder(dataFolder);
  const file = path.join(folder, `${format(nowMs, STAMP)}.${why}.sqlite`);
  const part = `${file}.${process.pid}${PART}`;
  try {
    fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
    removeParts(folder, nowMs);
    fs.closeSync(fs.openSync(part, 'w', 0o600));
    await source.backup(part, { progress: () => ALL_PAGES });
    checkCopy(part);
    syncToDisk(part);
    fs.renameSync(part, file);
    syncToDisk(folder);
  } catch (error) {
    for (const left of [part, `${part}-journal`]) fs.rmSync(left, { force: true });
    throw copyError(error, folder);
  }
  for (const { file: old } of listCopies(dataFolder).slice(KEPT_COPIES)) fs.rmSync(old, { force: true });
  return file;
}

function copyError(error: unknown, folder: string): Error {
  if (isNoRoom(error))
    return new DataError(`There is no room for a copy in ${folder}. Earlier copies are still there.`);
  if (error instanceof DamagedError)
    return new DamagedError(`The copy came out damaged and was thrown away. Earlier copies are still there.`);
  if (error instanceof DataError) return error;
  return new DataError(
    `No copy could be made in ${folder} (${(error as Error).message}). Earlier copies are still there.`,
  );
}

/** The newest copy that is whole; undefined if there is none. */
export function newestGoodCopy(dataFolder: string): Copy | undefined {
  return listCopies(dataFolder).find(({ file }) => {
    try {
      look(file, (client) => checkSound(client, file, 'integrity_check'));
      return true;
    } catch {
      return false;
    }
  });
}

/** Copies what is there before a newer version of the app changes it. @throws DataError when that cannot be done: then nothing is changed. */
export async function copyBeforeMigration(dataFolder: string, version: number): Promise<string | undefined> {
  const file = databaseFile(dataFolder);
  if (!fs.existsSync(file) || fs.statSync(file).size === 0) return undefined;
  const client = new Database(file, { readonly: true, timeout: 500 });
  try {
    const identity = identify(client, file);
    if (!identity.kind || identity.version >= version) return undefined;
    return await makeCopy(client, dataFolder, 'migration');
  } catch (error) {
    throw asDataError(error, file);
  } finally {
    client.close();
  }
}
