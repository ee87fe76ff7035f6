/** Rebuilds the results of every run from its log: `npm run rebuild`, with the server stopped. */
import { DataError } from './db/dataError';
import { openDatabase } from './db/open';
import { rebuildPending } from './db/results';
import { runResults } from './db/schema';
import { chosenDataFolder } from './settings';

async function main(): Promise<void> {
  try {
    const db = openDatabase(chosenDataFolder());
    db.delete(runResults).run();
    const sessions = await rebuildPending(db);
    db.$client.close();
    console.log(`The results of ${sessions} ${sessions === 1 ? 'session' : 'sessions'} were worked out anew.`);
  } catch (error) {
    if (!(error instanceof DataError)) throw error;
    console.error(error.message);
    process.exitCode = 1;
  }
}

void main();
