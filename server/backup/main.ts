/** npm run backup · npm run restore -- FILE · the server's own copy a night */
import { counted } from '@core/units/counted';
import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { format } from 'date-fns/format';
import { DataError } from '../db/dataError';
import { copiesFolder, databaseFile } from '../db/dataFolder';
import { chosenDataFolder } from '../settings';
import { contentsOf, listCopies, makeCopy, type Contents, type Why } from './copies';
import { restore } from './restore';

function inWords({ kind, version, bytes, athletes, sessions, runs, latestRun }: Contents): string {
  const what = [
    counted(athletes, 'athlete'),
    counted(sessions, 'planned session'),
    `${counted(runs, 'session')} at the track${latestRun ? ` (the last on ${latestRun})` : ''}`,
  ].join(', ');
  return `${kind === 'demo' ? 'the demo’s made-up club: ' : ''}${what}; ${(bytes / 1e6).toFixed(1)} MB, data version ${version}`;
}

async function backup(dataFolder: string, why: Why): Promise<void> {
  const file = databaseFile(dataFolder);
  if (!fs.existsSync(file))
    throw new DataError(`There is no data in ${dataFolder} to copy. ZEST_DATA names the folder.`);
  const client = new Database(file, { readonly: true, timeout: 5000 });
  try {
    const copy = await makeCopy(client, dataFolder, why);
    console.log(`Copied to ${copy}\nIn it: ${inWords(contentsOf(copy))}.`);
  } finally {
    client.close();
  }
}

function listForRestore(dataFolder: string): void {
  const copies = listCopies(dataFolder);
  if (copies.length === 0) throw new DataError(`There are no copies in ${copiesFolder(dataFolder)}.`);
  console.log('Which one? npm run restore -- FILE\n');
  for (const { file, madeAtMs } of copies) {
    let what: string;
    try {
      what = inWords(contentsOf(file));
    } catch (error) {
      what = (error as Error).message;
    }
    console.log(`${file}\n  of ${format(madeAtMs, 'd MMMM yyyy, HH:mm')}: ${what}`);
  }
}

async function putBack(dataFolder: string, named: string): Promise<void> {
  if (named.trim() === '') throw new DataError('No file was named. npm run restore lists the copies there are.');
  const inCopies = path.join(copiesFolder(dataFolder), named);
  const from = !fs.existsSync(named) && fs.existsSync(inCopies) ? inCopies : path.resolve(named);
  const { contents, replacedFile, erasedAgain } = await restore(dataFolder, from);
  console.log(`Restored from ${from}\nIn it: ${inWords(contents)}.`);
  if (erasedAgain > 0) console.log(`${counted(erasedAgain, 'athlete')} erased since then stayed erased.`);
  if (replacedFile) console.log(`What it replaced is kept as ${replacedFile}`);
}

async function main([command, file]: string[]): Promise<void> {
  process.umask(0o077);
  const dataFolder = chosenDataFolder();
  try {
    if (command === 'backup') await backup(dataFolder, 'asked');
    else if (command === 'nightly') await backup(dataFolder, 'nightly');
    else if (file === undefined) listForRestore(dataFolder);
    else await putBack(dataFolder, file);
  } catch (error) {
    if (!(error instanceof DataError)) throw error;
    console.error(error.message);
    process.exitCode = 1;
  }
}

void main(process.argv.slice(2));
