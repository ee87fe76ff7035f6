import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { brotliCompressSync, brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib';
import { startTestServer, tempFolder, type TestServer } from './testServer';

const CODE = 'export const lap = 400;\n'.repeat(500);
const PAGE = `<!doctype html><title>Zest Lap</title>${'<p>lap</p>'.repeat(300)}`;
let server: TestServer;
let web: string;

beforeAll(async () => {
  web = tempFolder();
  const code = path.join(web, '_expo/static');
  fs.mkdirSync(code, { recursive: true });
  for (const [file, text] of [
    [path.join(code, 'start-1.js'), CODE],
    [path.join(web, 'index.html'), PAGE],
  ] as const) {
    fs.writeFileSync(file, text);
    fs.writeFileSync(`${file}.br`, brotliCompressSync(text));
    fs.writeFileSync(`${file}.gz`, gzipSync(text));
  }
  fs.writeFileSync(path.join(web, 'robots.txt'), 'User-agent: *\nDisallow: /\n');
  fs.writeFileSync(path.join(web, '.built-from'), 'secret');
  server = await startTestServer(tempFolder(), undefined, undefined, { webFolder: web });
});
afterAll(async () => {
  await server.stop();
  for (const folder of [server.folder, web]) fs.rmSync(folder, { recursive: true });
});

type Raw = { status: number; headers: http.IncomingHttpHeaders; bytes: Buffer };

/** As it comes over the wire, unpacked by nobody. */
const raw = (method: string, url: string, headers: Record<string, string> = {}, body?: Buffer | string): Promise<Raw> =>
  new Promise((resolve, reject) => {
    const request = http.request(server.url + url, { method, headers, agent: false }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () =>
        resolve({ status: answer.statusCode ?? 0, headers: answer.headers, bytes: Buffer.concat(parts) }),
      );
    });
    request.once('error', reject);
    request.end(body);
  });

test('the app’s files are served compressed as built, and uncompressed to clients that need it', async () => {
  const url = '/_expo/static/start-1.js';
  const br = await raw('GET', url, { 'accept-encoding': 'gzip, deflate, br' });
  expect(br.headers).toMatchObject({ 'content-encoding': 'br', vary: expect.stringContaining('Accept-Encoding') });
  expect(br.headers['content-type']).toMatch(/javascript/);
  expect(br.headers['cache-control']).toMatch(/immutable/);
  expect(brotliDecompressSync(br.bytes).toString()).toBe(CODE);
  const gz = await raw('GET', url, { 'accept-encoding': 'gzip' });
  expect(gunzipSync(gz.bytes).toString()).toBe(CODE);
  const plain = await raw('GET', url);
  expect(plain.headers['content-encoding']).toBeUndefined();
  expect(plain.bytes.toString()).toBe(CODE);
});

test('every screen’s address is the page, packed and asked for each time; a file that is not there is not the page', async () => {
  for (const url of ['/squad', '/track/run/01M7ZKC8B0Y78609PN4H3NMY4X', '/sessions/plan/x', '/index.html']) {
    const page = await raw('GET', url, { 'accept-encoding': 'br' });
    expect(page.status).toBe(200);
    expect(page.headers).toMatchObject({ 'content-encoding': 'br', 'cache-control': 'no-cache' });
    expect(brotliDecompressSync(page.bytes).toString()).toBe(PAGE);
  }
  for (const url of [
    '/nothing.png',
    '/_expo/static/start-1.js.map',
    '/_expo/static/',
    '/fonts/none',
    '/.built-from',
    '/wp-login.php',
  ]) {
    const { status, bytes } = await raw('GET', url);
    expect({ url, status, isPage: bytes.includes('<!doctype') }).toEqual({ url, status: 404, isPage: false });
  }
  expect((await raw('GET', '/robots.txt')).bytes.toString()).toMatch(/^User-agent: \*\nDisallow: \/\n$/);
  expect((await raw('GET', '/api/none')).headers['content-type']).toMatch(/json/);
  expect((await raw('GET', '/..%2f..%2fetc/passwd')).bytes.toString()).not.toContain('root:');
});

test('an answer of more than 1 kB is compressed on the fly, a short one and a stream of events are not', async () => {
  const packing = { 'accept-encoding': 'br, gzip' };
  expect((await raw('GET', '/api/health', packing)).headers['content-encoding']).toBeUndefined();
  for (let i = 0; i < 20; i++)
    await server.call('PUT', `/api/sessions/01M7ZKC8B0Y78609PN4H3NMY${String(i).padStart(2, '0')}`, {
      title: 'Reps',
      date: '2026-10-20',
      shorthand: '10x400 @5k / 90s',
    });
  const list = await raw('GET', '/api/sessions/days?from=1900-01-01', packing);
  expect(list.headers['content-encoding']).toBe('br');
  expect(JSON.parse(brotliDecompressSync(list.bytes).toString())).toHaveLength(20);
});

test.each([
  ['a range beyond the end', 'GET', '/robots.txt', { range: 'bytes=9000-9001' }, '', 416],
  ['a state of a file nobody has', 'GET', '/robots.txt', { 'if-match': '"other"' }, '', 412],
  ['a packing that is unknown', 'POST', '/api/squad/changes', { 'content-encoding': 'zip' }, '{}', 415],
  ['a packing that is not what it says', 'POST', '/api/squad/changes', { 'content-encoding': 'gzip' }, 'no', 400],
  [
    'letters that are unknown',
    'POST',
    '/api/squad/changes',
    { 'content-type': 'application/json; charset=klingon' },
    '{}',
    415,
  ],
  ['an address that cannot be read', 'GET', '/api/runs/%E0%A4%A', {}, '', 400],
] as const)('%s is the sender’s fault, said in JSON', async (_what, method, url, headers, body, status) => {
  const answer = await raw(method, url, { 'content-type': 'application/json', ...headers }, body);
  expect(answer.status).toBe(status);
  expect((JSON.parse(answer.bytes.toString()) as { error: { message: string } }).error.message).toMatch(/[.]$/);
});
