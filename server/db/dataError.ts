/** Thrown when the data cannot be used; the message is for the person who started the server. The file is left as it was. */
export class DataError extends Error {
  override name = 'DataError';
}

/** The database itself is damaged: a copy of it may help. */
export class DamagedError extends DataError {}
