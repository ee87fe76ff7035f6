/** What a database file says of itself. Looking at it changes nothing. */
import fs from 'node:fs';
import Database from 'better-sqlite3';
import { DamagedError, DataError } from './dataError';
import { errorCode, isNoRoom } from './errorCode';
import journal from './migrations/meta/_journal.json';

/** The schema's version is the number of migrations it has been through, in SQLite's user_version. */
export const SCHEMA_VERSION = journal.entries.length;

/** A club's own data, or the made-up club, which may be wiped and made anew. */
export type Kind = 'club' | 'demo';

/** SQLite's application_id says whose a file is, also of a copy that was moved elsewhere: “ZLap” and “ZLdm” in ASCII. */
export const APPLICATION_ID: Record<Kind, number> = { club: 0x5a4c6170, demo: 0x5a4c646d };

/** `kind` is missing in a file that has nothing in it yet. */
export type Identity = { kind?: Kind; version: number };

export function pragma(client: Database.Database, name: string): number {
  return Number(client.pragma(name, { simple: true }));
}

/** Turns what SQLite throws into a sentence for the person who started the server; anything else stays as it is. */
export function asDataError(error: unknown, file: string): Error {
  if (error instanceof DataError) return error;
  const code = errorCode(error);
  if (code.startsWith('SQLITE_BUSY'))
    return new DataError(
      `${file} is in use by another Zest Lap. Stop that one first, or set ZEST_DATA and PORT for this one.`,
    );
  if (code === 'SQLITE_NOTADB' || code.startsWith('SQLITE_CORRUPT'))
    return new DamagedError(
      `${file} is not a database that can be read. It was left as it is. Move it away, or set ZEST_DATA.`,
    );
  if (code.startsWith('SQLITE_CANTOPEN') || code.startsWith('SQLITE_READONLY'))
    return new DataError(`${file} cannot be opened for writing. Check the rights of the file and its folder.`);
  if (isNoRoom(error))
    return new DataError(`There is no room left on the disk of ${file}. Make some, then start again.`);
  return error instanceof Error ? error : new Error(String(error));
}

/**
 * Whose a file is and how new, read from an open connection.
 * @throws DataError when it is another program's, or written by a newer version.
 */
export function identify(client: Database.Database, file: string): Identity {
  const isEmpty = pragma(client, 'schema_version') === 0;
  const id = pragma(client, 'application_id');
  const kind = (Object.keys(APPLICATION_ID) as Kind[]).find((candidate) => APPLICATION_ID[candidate] === id);
  if (!isEmpty && !kind)
    throw new DataError(
      `${file} is a database of some other program. It was left as it is. Move it away, or set ZEST_DATA.`,
    );
  const version = pragma(client, 'user_version');
  if (version > SCHEMA_VERSION)
    throw new DataError(
      `${file} was written by a newer version of Zest Lap (data version ${version}, this one knows ${SCHEMA_VERSION}). It was left as it is. Update Zest Lap, or set ZEST_DATA.`,
    );
  return { ...(kind ? { kind } : {}), version };
}

/** @throws DamagedError when a check of SQLite's finds something wrong. */
export function checkSound(client: Database.Database, file: string, check: 'quick_check' | 'integrity_check'): void {
  const found = client.pragma(`${check}(1)`, { simple: true });
  if (found !== 'ok')
    throw new DamagedError(`${file} is damaged (SQLite says: ${String(found).slice(0, 200)}). It was left as it is.`);
}

/** Looks at a file without changing it. @throws DataError when it is not there or cannot be ours. */
export function look<T>(file: string, at: (client: Database.Database) => T): T {
  if (!fs.existsSync(file)) throw new DataError(`There is no file ${file}.`);
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { readonly: true, fileMustExist: true, timeout: 500 });
    return at(client);
  } catch (error) {
    throw asDataError(error, file);
  } finally {
    client?.close();
  }
}

/** The tables and indexes of a database, each with its SQL; what SQLite keeps for itself is left out. */
const partsOf = (client: Database.Database) =>
  client
    .prepare(
      "SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY type, name",
    )
    .all() as { type: string; name: string; sql: string }[];

/** Refuses a database that would do something by itself as soon as it is written to. @throws DataError */
export function checkInert(client: Database.Database, file: string): void {
  const active = partsOf(client).find(
    ({ type, sql }) => !['table', 'index'].includes(type) || /^\s*create\s+virtual/i.test(sql),
  );
  if (active)
    throw new DataError(
      `${file} has a ${active.type} (${active.name.slice(0, 60)}) that Zest Lap never made. It was not taken; nothing was changed.`,
    );
}

/** Compares the tables and indexes of a database with those of a fresh one. @throws DataError if they differ. */
export function checkSameSchema(client: Database.Database, fresh: Database.Database, file: string): void {
  const known = new Map(partsOf(fresh).map(({ type, name, sql }) => [`${type} ${name}`, sql]));
  const parts = partsOf(client);
  const strange = parts.find(({ type, name, sql }) => known.get(`${type} ${name}`) !== sql);
  if (strange || parts.length !== known.size)
    throw new DataError(
      `${file} is not laid out as Zest Lap’s data${strange ? `: ${strange.type} ${strange.name.slice(0, 60)} is not as it was made` : ': a part is missing'}. It was not taken; nothing was changed.`,
    );
}
