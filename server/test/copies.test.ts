import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import { contentsOf, KEPT_COPIES, listCopies, makeCopy, newestGoodCopy } from '../backup/copies';
import { copyBeside, isCopyDue, startNightlyCopies } from '../backup/nightly';
import { openData } from '../backup/openData';
import { restore } from '../backup/restore';
import { changeSquad } from '../db/squad';
import { eraseAthlete } from '../db/erase';
import { Jobs } from '../jobs';
import { listAthletes } from '../db/athletes';
import { copiesFolder, databaseFile } from '../db/dataFolder';
import { openDatabase, type Db } from '../db/open';
import { SCHEMA_VERSION } from '../db/inspect';
import { bundled } from './bundle';
import { tempFolder } from './testServer';

const ROOT = path.join(__dirname, '../..');
const NOW = new Date(2026, 10, 27, 12).getTime();
const HOUR = 3_600_000;
let folder: string;
beforeEach(() => {
  folder = tempFolder();
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

const add = (db: Db, name: string) => {
  const id = ulid();
  changeSquad(db, { athletes: [{ id, name, marks: [] }] }, NOW);
  return id;
};
const names = (db: Db) => listAthletes(db).map(({ name }) => name);
/** A folder with one athlete in it, and nothing running. */
const used = (name = 'Ada') => {
  const db = openDatabase(folder);
  const id = add(db, name);
  db.$client.close();
  return id;
};
const copied = async (atMs = NOW) => {
  const client = new Database(databaseFile(folder), { readonly: true });
  const file = await makeCopy(client, folder, 'asked', atMs);
  client.close();
  return file;
};
const opened = () => {
  const db = openDatabase(folder);
  const found = names(db);
  db.$client.close();
  return found;
};
let program: string;
beforeAll(async () => {
  program = await bundled('server/backup/main.ts');
});
/** As a person does it. */
const run = (args: string[], env: Record<string, string> = {}) =>
  spawnSync(process.execPath, [program, ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, ZEST_DATA: folder, ...env },
  });

describe('a copy', () => {
  test('is whole, one file, for this user alone, and made while the data is written', async () => {
    const db = openDatabase(folder);
    for (let i = 0; i < 200; i++) add(db, `Runner ${i}`);
    const copying = makeCopy(db.$client, folder, 'nightly', NOW);
    add(db, 'Late');
    const file = await copying;
    expect(fs.readdirSync(copiesFolder(folder))).toEqual([path.basename(file)]);
    expect(fs.statSync(file).mode & 0o777).toBe(0o600);
    expect(contentsOf(file)).toMatchObject({ kind: 'club', version: SCHEMA_VERSION });
    expect([200, 201]).toContain(contentsOf(file).athletes);
    db.$client.close();
  });
  test('is one of the last fourteen', async () => {
    used();
    for (let i = 0; i < KEPT_COPIES + 3; i++) await copied(NOW + i * HOUR);
    expect(listCopies(folder).map(({ madeAtMs }) => madeAtMs)).toEqual(
      Array.from({ length: KEPT_COPIES }, (_, i) => NOW + (KEPT_COPIES + 2 - i) * HOUR),
    );
  });
  test('that is interrupted by a kill never counts, and is removed with a later one', async () => {
    used();
    const kept = await copied();
    const script = `
      const Database = require('better-sqlite3');
      const client = new Database(process.argv[1], { readonly: true });
      client.backup(process.argv[2], { progress: () => { console.log('half'); return 1; } });`;
    const part = path.join(copiesFolder(folder), '2026-11-27.130000.nightly.sqlite.1.part');
    const copying = spawn(process.execPath, ['-e', script, databaseFile(folder), part], { cwd: ROOT });
    await new Promise((resolve) => copying.stdout.once('data', resolve));
    copying.kill('SIGKILL');
    await new Promise((resolve) => copying.once('exit', resolve));
    for (const left of fs.readdirSync(copiesFolder(folder)))
      if (left.includes('.part')) fs.utimesSync(path.join(copiesFolder(folder), left), 0, 0);
    expect(listCopies(folder).map(({ file }) => file)).toEqual([kept]);
    const next = await copied(NOW + HOUR);
    expect(fs.readdirSync(copiesFolder(folder)).sort()).toEqual([kept, next].map((file) => path.basename(file)).sort());
  });
  test('for which there is no room leaves the others, and says so', async () => {
    used();
    const kept = await copied();
    const client = new Database(databaseFile(folder), { readonly: true });
    const full = Object.assign(new Error('no space left on device'), { code: 'ENOSPC' });
    jest.spyOn(fs, 'openSync').mockImplementationOnce(() => {
      throw full;
    });
    await expect(makeCopy(client, folder, 'nightly', NOW + HOUR)).rejects.toThrow(/no room for a copy.*Earlier copies/);
    client.close();
    expect(fs.readdirSync(copiesFolder(folder))).toEqual([path.basename(kept)]);
  });
  test('is due once a night, and caught up by a machine that was off', () => {
    const at = (day: number, hour: number) => new Date(2026, 10, day, hour).getTime();
    expect(isCopyDue(undefined, at(27, 12))).toBe(true);
    expect(isCopyDue(at(27, 3), at(27, 12))).toBe(false);
    expect(isCopyDue(at(27, 2), at(27, 12))).toBe(true);
    expect(isCopyDue(at(26, 4), at(27, 2))).toBe(false);
    expect(isCopyDue(at(20, 3), at(27, 2))).toBe(true);
  });
  test('each night is made beside the running server, checked for every ten minutes, and retried when it fails', async () => {
    used();
    const db = openDatabase(folder);
    await copyBeside(folder);
    expect(listCopies(folder).map(({ why }) => why)).toEqual(['nightly']);
    db.$client.close();
    jest.useFakeTimers();
    const copy = jest.fn().mockRejectedValueOnce(new Error('no room')).mockResolvedValue('');
    const [info, error] = [jest.fn(), jest.fn()];
    const due = Date.now() + 2 * 86_400_000;
    const jobs = new Jobs({ error });
    startNightlyCopies(jobs, folder, () => due, { info }, copy);
    await jest.advanceTimersByTimeAsync(61_000);
    expect(error).toHaveBeenCalledTimes(1);
    await jest.advanceTimersByTimeAsync(600_000);
    expect(info).toHaveBeenCalledTimes(1);
    jobs.stop();
    await jest.advanceTimersByTimeAsync(6_000_000);
    expect(copy).toHaveBeenCalledTimes(2);
    jest.useRealTimers();
  });
  test('is made before a newer version changes anything', async () => {
    used();
    const client = new Database(databaseFile(folder));
    client.pragma(`user_version = ${SCHEMA_VERSION - 1}`);
    client.close();
    const db = await openData(folder);
    const [copy] = listCopies(folder);
    expect(copy?.why).toBe('migration');
    expect(contentsOf(copy?.file ?? '')).toMatchObject({ version: SCHEMA_VERSION - 1, athletes: 1 });
    db.$client.close();
    (await openData(folder)).$client.close();
    expect(listCopies(folder)).toHaveLength(1);
  });
});

describe('a database that was lost names the newest good copy', () => {
  const spoil = (file: string) => fs.writeFileSync(file, 'A diary, not a database. '.repeat(400));
  test.each([
    ['cannot be read', () => spoil(databaseFile(folder)), /not a database that can be read/],
    ['is empty', () => fs.truncateSync(databaseFile(folder)), /is empty, but this folder has been in use/],
    ['is missing', () => fs.rmSync(databaseFile(folder)), /is missing, but there are copies/],
    [
      'is damaged inside',
      () => {
        const size = fs.statSync(databaseFile(folder)).size;
        const handle = fs.openSync(databaseFile(folder), 'r+');
        for (let at = 4096; at < size; at += 4096) fs.writeSync(handle, Buffer.alloc(64, 0xa5), 0, 64, at);
        fs.closeSync(handle);
      },
      /is damaged|not a database that can be read/,
    ],
  ])('when it %s', async (_what, lose, message) => {
    used();
    const good = await copied();
    spoil(await copied(NOW + HOUR));
    lose();
    expect(newestGoodCopy(folder)?.file).toBe(good);
    const before = fs.existsSync(databaseFile(folder)) && fs.readFileSync(databaseFile(folder));
    const refused = await openData(folder).catch((error: Error) => error.message);
    expect(refused).toMatch(message);
    expect(refused).toContain(`npm run restore -- ${good}`);
    if (before) expect(fs.readFileSync(databaseFile(folder)).equals(before)).toBe(true);
    await restore(folder, good, NOW + 2 * HOUR);
    expect(opened()).toEqual(['Ada']);
  });
});

describe('restoring', () => {
  test('says what is in it, and keeps what it replaces', async () => {
    used();
    const copy = await copied();
    const db = openDatabase(folder);
    add(db, 'Bo');
    db.$client.close();
    const { status, stdout } = run(['restore', path.basename(copy)]);
    expect(status).toBe(0);
    expect(stdout).toMatch(/In it: 1 athlete, 0 planned sessions, 0 sessions at the track; [\d.]+ MB/);
    expect(opened()).toEqual(['Ada']);
    const replaced = /kept as (\S+)/.exec(stdout)?.[1] ?? '';
    expect(fs.statSync(replaced).mode & 0o777).toBe(0o600);
    expect(run(['restore', replaced]).status).toBe(0);
    expect(opened()).toEqual(['Ada', 'Bo']);
    expect(run(['restore']).stdout).toContain(copy);
  });
  test('twice within a second keeps both replaced databases', async () => {
    used();
    const copy = await copied();
    const [first, second] = [await restore(folder, copy, NOW), await restore(folder, copy, NOW)];
    expect(first.replacedFile).not.toBe(second.replacedFile);
    for (const { replacedFile = '' } of [first, second])
      expect(contentsOf(replacedFile)).toMatchObject({ athletes: 1 });
  });
  test('does not bring back who was erased since', async () => {
    const id = used();
    const db = openDatabase(folder);
    add(db, 'Bo');
    db.$client.close();
    const copy = await copied();
    const again = openDatabase(folder);
    await eraseAthlete(again, id, NOW);
    again.$client.close();
    expect(await restore(folder, copy, NOW)).toMatchObject({ erasedAgain: 1 });
    expect(opened()).toEqual(['Bo']);
    expect(fs.readFileSync(databaseFile(folder), 'latin1')).not.toContain('Ada');
  });
  test('brings a copy of an older version up to this one, and leaves the copy as it is', async () => {
    used();
    const copy = await copied();
    const client = new Database(copy);
    client.pragma(`user_version = ${SCHEMA_VERSION - 1}`);
    client.close();
    const before = fs.readFileSync(copy);
    await restore(folder, copy, NOW);
    expect(opened()).toEqual(['Ada']);
    expect(fs.readFileSync(copy).equals(before)).toBe(true);
  });
  const untouched = async (from: string, message: RegExp) => {
    const before = fs.readFileSync(databaseFile(folder));
    await expect(restore(folder, from, NOW)).rejects.toThrow(message);
    expect(fs.readFileSync(databaseFile(folder)).equals(before)).toBe(true);
    expect(fs.existsSync(path.join(folder, 'restoring'))).toBe(false);
  };
  test('refuses while a server runs', async () => {
    used();
    const copy = await copied();
    const db = openDatabase(folder);
    await expect(restore(folder, copy, NOW)).rejects.toThrow(/A server is running on this data/);
    add(db, 'Bo');
    expect(names(db)).toEqual(['Ada', 'Bo']);
    db.$client.close();
  });
  test('refuses what is newer, damaged, of another program, of the demo, or not there', async () => {
    used();
    const newer = await copied();
    const change = (file: string, pragma: string) => {
      const client = new Database(file);
      client.pragma(pragma);
      client.close();
    };
    change(newer, 'user_version = 999');
    await untouched(newer, /newer version of Zest Lap/);
    const foreign = await copied(NOW + HOUR);
    change(foreign, 'application_id = 7');
    await untouched(foreign, /some other program/);
    const damaged = await copied(NOW + 2 * HOUR);
    const bytes = fs.readFileSync(damaged);
    bytes.fill(0xa5, 8192, 8192 + 3000);
    fs.writeFileSync(damaged, bytes);
    await untouched(damaged, /damaged|cannot be read|can be read/);
    const demoFolder = path.join(folder, 'demo');
    openDatabase(demoFolder, 'demo').$client.close();
    await untouched(databaseFile(demoFolder), /demo’s made-up club/);
    await untouched(path.join(folder, 'none.sqlite'), /no file/);
  });
  test('refuses a pipe, a folder, no name, and the data itself', async () => {
    used();
    const pipe = path.join(folder, 'pipe');
    spawnSync('mkfifo', [pipe]);
    await untouched(pipe, /is not a file/);
    await untouched(folder, /is not a file/);
    await untouched(databaseFile(folder), /is the data itself/);
    const link = path.join(folder, 'link.sqlite');
    fs.symlinkSync(databaseFile(folder), link);
    await untouched(link, /is the data itself/);
    expect(run(['restore', ''])).toMatchObject({ status: 1, stderr: expect.stringMatching(/^No file was named.*\n$/) });
  });
  test.each([
    [
      'a trigger',
      'CREATE TRIGGER t AFTER INSERT ON erased_athletes BEGIN DELETE FROM athletes; END',
      /a trigger \(t\)/,
    ],
    ['a view', 'CREATE VIEW v AS SELECT * FROM athletes', /a view \(v\)/],
    ['a virtual table', 'CREATE VIRTUAL TABLE f USING fts5(text)', /a table \(f\)/],
    ['another table', 'CREATE TABLE extra (a)', /table extra is not as it was made/],
    ['another index', 'CREATE INDEX extra ON athletes (lower(name))', /index extra is not as it was made/],
    ['a changed table', 'ALTER TABLE athletes ADD COLUMN extra', /table athletes is not as it was made/],
    ['a table too few', 'DROP TABLE venues', /a part is missing/],
  ])('refuses a copy with %s, and runs nothing of it', async (_what, sql, message) => {
    used();
    const copy = await copied();
    const client = new Database(copy);
    client.exec(sql);
    client.close();
    await untouched(copy, message);
    expect(opened()).toEqual(['Ada']);
  });
  test('for which there is no room changes nothing', async () => {
    used();
    const copy = await copied();
    jest
      .spyOn(Database.prototype, 'backup')
      .mockRejectedValueOnce(Object.assign(new Error('full'), { code: 'SQLITE_FULL' }));
    await untouched(copy, /no room on the disk.*Nothing was changed/);
  });
  test('killed at any moment leaves either database whole', async () => {
    used();
    const copy = await copied();
    const db = openDatabase(folder);
    add(db, 'Bo');
    db.$client.close();
    // Each call that changes a name on the disk is a moment at which the plug may be pulled: before it, and after it.
    for (const step of ['linkSync', 'renameSync'] as const)
      for (const when of ['before', 'after']) {
        const script = `
          const fs = require('node:fs');
          const real = fs.${step};
          fs.${step} = (...args) => {
            ${when === 'after' ? 'real(...args);' : ''}
            process.kill(process.pid, 'SIGKILL');
          };
          require('./server/backup/restore.ts').restore(process.argv[1], process.argv[2]);`;
        const { signal } = spawnSync(process.execPath, ['--import', 'tsx', '-e', script, folder, copy], { cwd: ROOT });
        expect(signal).toBe('SIGKILL');
        const isDone = step === 'renameSync' && when === 'after';
        expect(opened()).toEqual(isDone ? ['Ada'] : ['Ada', 'Bo']);
      }
  });
});

test('npm run backup copies while a server runs, and says where to', async () => {
  used();
  const db = openDatabase(folder);
  const { status, stdout } = run(['backup']);
  expect({ status, stdout }).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/Copied to .*asked\.sqlite\nIn it: 1 athlete/),
  });
  db.$client.close();
  expect(run(['backup'], { ZEST_DATA: path.join(folder, 'none') })).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/no data in/),
  });
});
