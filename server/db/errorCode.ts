/** The code that SQLite or Node gave an error, or its cause; empty if there is none. */
export function errorCode(error: unknown): string {
  for (let at = error; typeof at === 'object' && at !== null; at = (at as { cause?: unknown }).cause)
    if ('code' in at && typeof at.code === 'string') return at.code;
  return '';
}

/** Codes of a write that found no room, in the database itself or in its side files. */
const NO_ROOM = new Set(['SQLITE_FULL', 'SQLITE_IOERR_WRITE', 'SQLITE_IOERR_FSYNC', 'SQLITE_IOERR_TRUNCATE', 'ENOSPC']);

export const isNoRoom = (error: unknown): boolean => NO_ROOM.has(errorCode(error));
