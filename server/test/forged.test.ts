import fs from 'node:fs';
import { ulid } from 'ulid';
import { putAthlete } from './athletes';
import { startTestServer, type TestServer } from './testServer';

let server: TestServer;
const id = ulid();

beforeAll(async () => {
  server = await startTestServer();
  await putAthlete(server, id, { name: 'Ada', marks: [] });
});
afterAll(async () => {
  await server.stop();
  fs.rmSync(server.folder, { recursive: true });
});

const erase = `/api/athletes/${id}/erase`;
const isThere = async () => (await server.call('GET', `/api/athletes/${id}/file`)).status === 200;
/** As a browser sends what a page wants; headers in capitals there are not the page's to set. */
const from = async (headers: Record<string, string>, method = 'POST', body?: string) =>
  (await fetch(server.url + erase, { method, headers, ...(body === undefined ? {} : { body }) })).status;

test('a form, or a script, of another page changes nothing', async () => {
  const json = { 'content-type': 'application/json' };
  const other = 'http://127.0.0.1:9';
  expect(await from({ 'content-type': 'application/x-www-form-urlencoded', origin: other }, 'POST', 'a=b')).toBe(403);
  expect(await from({ 'content-type': 'text/plain', origin: server.url }, 'POST', '{}')).toBe(415);
  expect(await from({})).toBe(415);
  for (const origin of [other, 'https://example.org', 'null', 'nonsense'])
    expect(await from({ ...json, origin })).toBe(403);
  for (const site of ['cross-site', 'same-site']) expect(await from({ ...json, 'sec-fetch-site': site })).toBe(403);
  expect(await from({ ...json, origin: other, 'sec-fetch-site': 'same-origin' })).toBe(403);
  for (const method of ['PUT', 'DELETE', 'PATCH']) expect(await from({ ...json, origin: other }, method)).toBe(403);
  expect(await isThere()).toBe(true);
});

test('the app’s own pages, and programs that are no browser, do', async () => {
  expect(await from({ 'content-type': 'application/json', origin: server.url, 'sec-fetch-site': 'same-origin' })).toBe(
    204,
  );
  expect(await isThere()).toBe(false);
});

test('a preflight request from another page is refused', async () => {
  const asked = await fetch(server.url + erase, {
    method: 'OPTIONS',
    headers: { origin: 'https://example.org', 'access-control-request-method': 'POST' },
  });
  expect(asked.headers.get('access-control-allow-origin')).toBeNull();
});

test('a missing body is not an empty object', async () => {
  for (const [method, path] of [
    ['POST', '/api/squad/changes'],
    ['POST', '/api/library/changes'],
    ['PUT', `/api/sessions/${id}/plan`],
  ] as const)
    expect(await server.call(method, path)).toMatchObject({ status: 400, body: { error: { code: 'no_body' } } });
});

test('the body of a request without access is not read', async () => {
  const locked = await startTestServer(undefined, undefined, undefined, { passphrase: 'rain on the back straight' });
  // Not even JSON: that would be found out by reading it.
  expect(await locked.call('POST', '/api/squad/changes', '{broken')).toMatchObject({ status: 401 });
  await locked.stop();
  fs.rmSync(locked.folder, { recursive: true });
});
