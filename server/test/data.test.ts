import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseFile, openDatabase } from '../db/open';
import { startTestServer, tempFolder } from './testServer';

const ROOT = path.join(__dirname, '../..');
const ARGS = ['--import', 'tsx', 'server/main.ts'];

let folder: string;
beforeEach(() => {
  folder = tempFolder();
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

/** Starts the server as a person does, and waits for it to give up. */
const startIn = (data: string, env: Record<string, string> = {}) => {
  const { status, stderr, stdout } = spawnSync(process.execPath, ARGS, {
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
  expect((await second.call('GET', '/api/sessions')).body).toHaveLength(1);
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
  test('when it is to answer beyond this machine without a passphrase, or with one that is soon guessed', () => {
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

test('it prints one line with its address, and ends in order when asked', async () => {
  const server = spawn(process.execPath, ARGS, { cwd: ROOT, env: { ...process.env, ZEST_DATA: folder, PORT: '0' } });
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
