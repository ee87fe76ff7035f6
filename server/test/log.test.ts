import fs from 'node:fs';
import path from 'node:path';
import { openLog } from '../log';
import { startTestServer, tempFolder } from './testServer';

let folder: string;
let warn: jest.SpyInstance;
beforeEach(() => {
  folder = tempFolder();
  warn = jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => {
  warn.mockRestore();
  fs.rmSync(folder, { recursive: true });
});
const file = () => path.join(folder, 'server.log');

test('a log on a full disk stops nothing, is said once, and goes on when there is room', async () => {
  // A file that takes nothing, as a full disk does.
  fs.symlinkSync('/dev/full', file());
  const log = openLog(folder);
  const server = await startTestServer(tempFolder(), undefined, undefined, { log });
  for (let i = 0; i < 3; i++) expect((await server.call('GET', '/api/health')).status).toBe(200);
  expect(warn).toHaveBeenCalledTimes(1);
  expect(warn).toHaveBeenCalledWith(expect.stringMatching(/cannot be written .*All else goes on/));
  await server.stop();
  fs.rmSync(server.folder, { recursive: true });
});

test('a log that cannot be opened stops nothing either', () => {
  fs.mkdirSync(file());
  openLog(folder).info('anything');
  expect(warn).toHaveBeenCalledWith(expect.stringMatching(/There is no log/));
});

test('it rotates while the server runs, keeps one older file, and is readable by this user alone', () => {
  const log = openLog(folder, 2000);
  for (let i = 0; i < 100; i++) log.info({ i }, 'a line of the log');
  const older = path.join(folder, 'server.1.log');
  const lines = [older, file()].flatMap((name) => fs.readFileSync(name, 'utf8').trim().split('\n').filter(Boolean));
  expect(fs.readdirSync(folder).sort()).toEqual(['server.1.log', 'server.log']);
  for (const name of [older, file()]) expect(fs.statSync(name).size).toBeLessThan(2200);
  expect(JSON.parse(lines.at(-1) ?? '')).toMatchObject({ i: 99 });
  expect(fs.statSync(file()).mode & 0o777).toBe(0o600);
});

test('of a long address only the beginning is logged, and never the query', async () => {
  const server = await startTestServer();
  await server.call('GET', `/api/${'x'.repeat(5000)}?name=Ada`);
  expect(server.logLines.join('')).not.toContain('Ada');
  expect(server.logLines.join('').length).toBeLessThan(1000);
  await server.stop();
  fs.rmSync(server.folder, { recursive: true });
});
