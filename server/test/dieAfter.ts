/** Brings a data folder up to this version and works its results out, but dies after so many statements, as with the plug pulled. */
import Database from 'better-sqlite3';
import { openDatabase } from '../db/open';
import { rebuildPending } from '../db/results';

const [folder = '', statements = ''] = process.argv.slice(2);
let left = Number(statements);
const { prepare } = Database.prototype;
Database.prototype.prepare = function (this: Database.Database, source: string) {
  if (left-- === 0) process.kill(process.pid, 'SIGKILL');
  return prepare.call(this, source);
} as typeof prepare;

async function main(): Promise<void> {
  const db = openDatabase(folder);
  await rebuildPending(db);
  db.$client.close();
}

void main();
