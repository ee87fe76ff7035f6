import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseFile } from '../db/dataFolder';
import { openDatabase } from '../db/open';
import { changeSquad } from '../db/squad';
import { chosenDataFolder, chosenDemoFolder } from '../settings';
import { bundled } from './bundle';
import { startTestServer, tempFolder } from './testServer';

const ROOT = path.join(__dirname, '../..');
let programs: { server: string; demo: string };
beforeAll(async () => {
  const [server, demo] = await Promise.all([bundled('server/main.ts'), bundled('demo/main.ts')]);
  programs = { server, demo };
});
let folder: string;
beforeEach(() => {
  folder = tempFolder();
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

/** Starts the server as a person does, and waits for it to give up. */
const startIn = (data: string, env: Record<string, string> = {}) => {
  const { status, stderr, stdout } = spawnSync(process.execPath, [programs.server], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, ZEST_DATA: data, PORT: '0', ...env },
    timeout: 30_000,
  });
  return { status, stderr, stdout };
};

test('a new folder gets a database with all that is needed, and it can be opened again', () => {
  const nested = path.join(folder, 'deep/data');
  openDatabase(nested).$client.close();
  const client = openDatabase(nested).$client;
  expect(client.pragma('journal_mode', { simple: true })).toBe('wal');
  expect(client.pragma('synchronous', { simple: true })).toBe(2);
  expect(client.pragma('foreign_keys', { simple: true })).toBe(1);
  client.close();
});

test('what was written is there after the next start', async () => {
  const first = await startTestServer(folder);
  await first.call('PUT', '/api/sessions/01M7ZKC8B0Y78609PN4H3NMY4X', {
    title: 'Reps',
    date: '2026-10-20',
    shorthand: '',
  });
  await first.stop();
  const second = await startTestServer(folder);
  expect((await second.call('GET', '/api/sessions/days?from=1900-01-01')).body).toHaveLength(1);
  await second.stop();
});

describe('the server ends with one clear sentence, a non-zero code and the file untouched', () => {
  const refused = (contents: Buffer, message: RegExp) => {
    const file = databaseFile(folder);
    fs.writeFileSync(file, contents);
    const { status, stderr, stdout } = startIn(folder);
    expect({ status, stdout }).toEqual({ status: 1, stdout: '' });
    expect(stderr.trim()).toMatch(message);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(fs.readFileSync(file).equals(contents)).toBe(true);
  };
  const sqliteFile = (prepare: (client: Database.Database) => void): Buffer => {
    const file = path.join(folder, 'made.sqlite');
    const client = new Database(file);
    prepare(client);
    client.close();
    return fs.readFileSync(file);
  };
  test('when the file is no database', () =>
    refused(Buffer.from('A diary, not a database. '.repeat(100)), /not a database that can be read/));
  test('when it belongs to another program', () =>
    refused(
      sqliteFile((client) => client.exec('CREATE TABLE songs (title TEXT)')),
      /some other program/,
    ));
  test('when it is from a newer version', () =>
    refused(
      sqliteFile((client) => {
        client.pragma(`application_id = ${0x5a4c6170}`);
        client.pragma('user_version = 999');
        client.exec('CREATE TABLE athletes (id TEXT)');
      }),
      /newer version of Zest Lap/,
    ));
  test('when the folder cannot be written', () => {
    const file = path.join(folder, 'a-file');
    fs.writeFileSync(file, '');
    const { status, stderr } = startIn(path.join(file, 'data'));
    expect(status).toBe(1);
    expect(stderr).toMatch(/cannot be written to/);
  });
  test('when it should be reachable from other machines without a passphrase, or with a weak one', () => {
    expect(startIn(folder, { HOST: '0.0.0.0' })).toMatchObject({
      status: 1,
      stderr: expect.stringMatching(/other machines could read the squad. Set ZEST_PASSPHRASE too/),
    });
    for (const HOST of ['0.0.0.0', '127.0.0.1'])
      expect(startIn(folder, { HOST, ZEST_PASSPHRASE: 'elevenchars' })).toMatchObject({
        status: 1,
        stderr: expect.stringMatching(/ZEST_PASSPHRASE has to have at least 12 characters/),
      });
    expect(fs.existsSync(databaseFile(folder))).toBe(false);
  });
  test('when PORT makes no sense', () => {
    expect(startIn(folder, { PORT: 'eighty' })).toMatchObject({
      status: 1,
      stderr: expect.stringMatching(/PORT is “eighty”/),
    });
  });
  test('when the port is in use', async () => {
    const other = net.createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => other.once('listening', resolve));
    const { port } = other.address() as net.AddressInfo;
    const { status, stderr } = startIn(folder, { PORT: String(port) });
    other.close();
    expect(status).toBe(1);
    expect(stderr).toMatch(new RegExp(`Port ${port} is in use`));
  });
  test('when another one is using the data', () => {
    const db = openDatabase(folder);
    const { status, stderr } = startIn(folder);
    db.$client.close();
    expect(status).toBe(1);
    expect(stderr).toMatch(/in use by another Zest Lap/);
  });
});

test('stored files are readable by this user alone, even those an earlier version left open', () => {
  const modeOf = (place: string) => fs.statSync(place).mode & 0o777;
  const data = path.join(folder, 'data');
  const { $client } = openDatabase(data);
  const files = fs.readdirSync(data).map((name) => path.join(data, name));
  expect(files).toContain(`${databaseFile(data)}-wal`);
  expect([modeOf(data), ...files.map(modeOf)]).toEqual([0o700, ...files.map(() => 0o600)]);
  $client.close();
  fs.chmodSync(data, 0o755);
  fs.chmodSync(databaseFile(data), 0o644);
  openDatabase(data).$client.close();
  expect([modeOf(data), modeOf(databaseFile(data))]).toEqual([0o700, 0o600]);
  // A folder with things of others in it stays as it is; our file in it does not.
  fs.writeFileSync(path.join(data, 'holiday.txt'), '');
  for (const place of [data, databaseFile(data)]) fs.chmodSync(place, 0o755);
  openDatabase(data).$client.close();
  expect([modeOf(data), modeOf(databaseFile(data))]).toEqual([0o755, 0o600]);
});

test('what an erasure that was killed has left in the write-ahead log is gone after the next start', () => {
  const script = `
    const { openDatabase } = require('./server/db/open.ts');
    const { changeSquad } = require('./server/db/squad.ts');
    const db = openDatabase(process.argv[1]);
    const id = '01M7ZKC8B0Y78609PN4H3NMY4X';
    changeSquad(db, { athletes: [{ id, name: 'Ada Winterbourne', marks: [] }] }, 1);
    const real = db.$client.pragma.bind(db.$client);
    db.$client.pragma = (text, options) => {
      if (text.includes('TRUNCATE')) process.kill(process.pid, 'SIGKILL');
      return real(text, options);
    };
    const { emptyWalSoon, eraseAthlete } = require('./server/db/erase.ts');
    const { Jobs } = require('./server/jobs.ts');
    void eraseAthlete(db, id, 2).then(() => emptyWalSoon(db, new Jobs(console)));`;
  expect(spawnSync(process.execPath, ['--import', 'tsx', '-e', script, folder], { cwd: ROOT }).signal).toBe('SIGKILL');
  const onDisk = () =>
    fs.readdirSync(folder).filter((name) => fs.readFileSync(path.join(folder, name)).includes('Winterbourne'));
  expect(onDisk()).toEqual(['zest-lap.sqlite-wal']);
  const db = openDatabase(folder);
  expect(onDisk()).toEqual([]);
  db.$client.close();
});

test('any address of this machine’s own works, and one that is none is named', async () => {
  const server = spawn(process.execPath, [programs.server], {
    cwd: ROOT,
    env: { ...process.env, ZEST_DATA: folder, PORT: '0', HOST: '127.0.0.2' },
  });
  const line = await new Promise<string>((resolve) =>
    server.stdout.once('data', (chunk: Buffer) => resolve(chunk.toString())),
  );
  const url = /^Zest Lap is at (http:\/\/127\.0\.0\.2:\d+)\n$/.exec(line)?.[1];
  expect((await fetch(`${url}/api/athletes`)).status).toBe(200);
  server.kill('SIGKILL');
  await new Promise((resolve) => server.once('exit', resolve));
  expect(
    startIn(folder, { HOST: '127.0.0.1.example.invalid', ZEST_PASSPHRASE: 'rain on the back straight' }),
  ).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/^HOST is 127\.0\.0\.1\.example\.invalid, which is no address of this machine/),
  });
});

describe('a club’s data and the demo’s', () => {
  const demo = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [programs.demo, ...args], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, ZEST_DATA: folder, PORT: '0', ZEST_LOOP: '0' },
      timeout: 30_000,
    });
    return { status, stdout, stderr };
  };
  test('npm run demo does not touch a club’s, least of all to start over', () => {
    const db = openDatabase(folder);
    changeSquad(db, { athletes: [{ id: '01M7ZKC8B0Y78609PN4H3NMY4X', name: 'Ada', marks: [] }] }, 1);
    db.$client.close();
    const before = fs.readFileSync(databaseFile(folder));
    for (const args of [[], ['--fresh']])
      expect(demo(...args)).toMatchObject({
        status: 1,
        stdout: '',
        stderr: expect.stringMatching(/holds a club’s own data/),
      });
    expect(fs.readFileSync(databaseFile(folder)).equals(before)).toBe(true);
  });
  test('npm start does not open the demo’s, which can be wiped', () => {
    openDatabase(folder, 'demo').$client.close();
    expect(startIn(folder)).toMatchObject({ status: 1, stderr: expect.stringMatching(/npm run demo/) });
  });
  test('each has a folder of its own', () => {
    const before = process.env.ZEST_DATA;
    delete process.env.ZEST_DATA;
    expect([chosenDataFolder(), chosenDemoFolder()]).toEqual([path.join(ROOT, 'data'), path.join(ROOT, 'data/demo')]);
    process.env.ZEST_DATA = before;
    if (before === undefined) delete process.env.ZEST_DATA;
  });
});

test('it prints one line with its address, and shuts down cleanly when asked', async () => {
  const server = spawn(process.execPath, [programs.server], {
    cwd: ROOT,
    env: { ...process.env, ZEST_DATA: folder, PORT: '0' },
  });
  const line = await new Promise<string>((resolve) =>
    server.stdout.once('data', (chunk: Buffer) => resolve(chunk.toString())),
  );
  const url = /^Zest Lap is at (http:\/\/127\.0\.0\.1:\d+)\n$/.exec(line)?.[1];
  expect((await fetch(`${url}/api/health`)).status).toBe(200);
  const ended = new Promise((resolve) => server.once('exit', resolve));
  server.kill('SIGTERM');
  expect(await ended).toBe(0);
  expect(fs.readFileSync(path.join(folder, 'server.log'), 'utf8')).toContain('/api/health');
});
