/** Where the data lies on the disk, and who may read it there. */
import fs from 'node:fs';
import path from 'node:path';
import { DataError } from './dataError';

const DATABASE = 'zest-lap.sqlite';
const OWNER = 'owner.lock';
const COPIES = 'copies';
const RESTORING = 'restoring';
const LOG = 'server.log';
const OLDER_LOG = 'server.1.log';

export const databaseFile = (dataFolder: string) => path.join(dataFolder, DATABASE);
/** Held by the one process that may write. */
export const ownerFile = (dataFolder: string) => path.join(dataFolder, OWNER);
export const copiesFolder = (dataFolder: string) => path.join(dataFolder, COPIES);
/** Where a copy is prepared before it replaces the database. */
export const restoringFolder = (dataFolder: string) => path.join(dataFolder, RESTORING);
export const logFile = (dataFolder: string) => path.join(dataFolder, LOG);
export const olderLogFile = (dataFolder: string) => path.join(dataFolder, OLDER_LOG);

const OURS = new Set([
  DATABASE,
  `${DATABASE}-wal`,
  `${DATABASE}-shm`,
  OWNER,
  COPIES,
  RESTORING,
  LOG,
  OLDER_LOG,
  'demo',
]);

const FOLDER_MODE = 0o700;
const FILE_MODE = 0o600;

/**
 * Makes the folder if it is missing, for this user alone. One that was there is closed to others too, if nothing but our files is in it:
 * a folder shared with other programs keeps its rights, and only our files are closed.
 * @throws DataError when it cannot be written.
 */
export function prepareFolder(folder: string): void {
  try {
    fs.mkdirSync(folder, { recursive: true, mode: FOLDER_MODE });
    fs.accessSync(folder, fs.constants.W_OK);
  } catch {
    throw new DataError(
      `The data folder ${folder} cannot be written to. Give this user the right to write there, or choose another with ZEST_DATA.`,
    );
  }
  const names = fs.readdirSync(folder);
  for (const name of names) if (OURS.has(name)) closeToOthers(path.join(folder, name));
  if (names.length > 0 && names.every((name) => OURS.has(name))) closeToOthers(folder);
}

/** Removes everyone else's access; where we may not, the rights stay as they are. */
function closeToOthers(place: string): void {
  try {
    const isFolder = fs.statSync(place).isDirectory();
    fs.chmodSync(place, isFolder ? FOLDER_MODE : FILE_MODE);
  } catch {
    // Another user's file: its owner decides who may read it.
  }
}

/** Makes an empty file that only this user can read, if there is none. SQLite gives its side files the same rights. */
export function touchPrivate(file: string): void {
  fs.closeSync(fs.openSync(file, 'a', FILE_MODE));
}

/** True if a server has run here before: an empty database is then one that was lost. */
export function isUsed(dataFolder: string): boolean {
  const wal = `${databaseFile(dataFolder)}-wal`;
  return (
    fs.existsSync(logFile(dataFolder)) ||
    (fs.existsSync(wal) && fs.statSync(wal).size > 0) ||
    (fs.existsSync(copiesFolder(dataFolder)) && fs.readdirSync(copiesFolder(dataFolder)).length > 0)
  );
}
