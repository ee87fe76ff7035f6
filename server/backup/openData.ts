import { format } from 'date-fns/format';
import { DamagedError } from '../db/dataError';
import { SCHEMA_VERSION, type Kind } from '../db/inspect';
import { openDatabase, type Db } from '../db/open';
import { copyBeforeMigration, newestGoodCopy } from './copies';

/** What to do about a database that is damaged: the newest copy that is whole, by name. */
function withCopyNamed(error: DamagedError, dataFolder: string): DamagedError {
  const copy = newestGoodCopy(dataFolder);
  if (!copy) return error;
  const made = format(copy.madeAtMs, "d MMMM yyyy 'at' HH:mm");
  return new DamagedError(
    `${error.message} The newest good copy is of ${made}. Put it back with: npm run restore -- ${copy.file}`,
  );
}

/**
 * Opens the data of a server: a copy is made before a newer version of the app changes anything, and where the database is damaged the
 * newest good copy is named.
 * @throws DataError as openDatabase does.
 */
export async function openData(dataFolder: string, kind: Kind = 'club'): Promise<Db> {
  try {
    await copyBeforeMigration(dataFolder, SCHEMA_VERSION);
    return openDatabase(dataFolder, kind);
  } catch (error) {
    if (error instanceof DamagedError) throw withCopyNamed(error, dataFolder);
    throw error;
  }
}
