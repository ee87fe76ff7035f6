import fs from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import pino from 'pino';
import { ANSWER_SCHEMAS, refusalSchema, routeOf } from '@core/api/answerSchemas';
import { openPassphrase, type Passphrase } from '../accounts/passphrase';
import { openDatabase, type Db } from '../db/open';
import { makeApp, type AppOptions } from '../http/app';

/** A real server on a real database file in a folder of its own, on a port of its own. */
export type TestServer = {
  folder: string;
  db: Db;
  logLines: string[];
  call(
    method: string,
    url: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; body: unknown }>;
  url: string;
  stop(): Promise<void>;
};

/** Holds an answer against the contract. @throws Error where it is not what the client is told to expect. */
export function checkAnswer(method: string, path_: string, { status, body }: { status: number; body: unknown }): void {
  const route = routeOf(method, path_);
  if (status < 400 && !route) throw new Error(`${method} ${path_} is in no contract.`);
  const schema = status < 400 && route ? ANSWER_SCHEMAS[route] : refusalSchema;
  // The health of a failing server is no refusal.
  if (route === 'GET /api/health') return;
  const { error } = schema.validate(body, { convert: false });
  if (error)
    throw new Error(
      `${method} ${path_} answered ${status} against the contract: ${error.message} in ${JSON.stringify(body)}`,
    );
}

/** A real hash, at a thirtieth of the cost. */
const QUICK_HASH = 2 ** 10;

export const tempFolder = () => fs.mkdtempSync(path.join(os.tmpdir(), 'zest-server-'));

/** Sets `nowMs` as the server's clock, where it asks for the weather, and how it is locked. */
export async function startTestServer(
  folder = tempFolder(),
  nowMs = () => 1_800_000_000_000,
  weatherUrl?: string,
  { passphrase, ...more }: Partial<Omit<AppOptions, 'passphrase'>> & { passphrase?: string | Passphrase } = {},
): Promise<TestServer> {
  const db = openDatabase(folder);
  const logLines: string[] = [];
  const log = pino({ base: null }, { write: (line: string) => logLines.push(line) });
  const server: Server = makeApp({
    db,
    log,
    nowMs,
    ...(weatherUrl === undefined ? {} : { weatherUrl }),
    ...(passphrase === undefined
      ? {}
      : { passphrase: typeof passphrase === 'string' ? await openPassphrase(db, passphrase, QUICK_HASH) : passphrase }),
    ...more,
  }).listen(0, '127.0.0.1');
  // A connection closed for being idle, just as the next request is sent on it, would fail that test.
  server.keepAliveTimeout = 0;
  await new Promise((resolve) => server.once('listening', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    folder,
    db,
    logLines,
    url,
    async call(method, path_, body, headers = {}) {
      const text = body === undefined || typeof body === 'string' ? body : JSON.stringify(body);
      const answer = await fetch(`${url}${path_}`, {
        method,
        headers: { ...(method === 'GET' ? {} : { 'content-type': 'application/json' }), ...headers },
        ...(text === undefined ? {} : { body: text }),
      });
      const answerText = await answer.text();
      const answered = { status: answer.status, body: answerText ? (JSON.parse(answerText) as unknown) : undefined };
      checkAnswer(method, path_, answered);
      return answered;
    },
    async stop() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      db.$client.close();
    },
  };
}

/** The server of the test that runs. */
export type ServerForEach = TestServer & {
  /** Stops it and starts another on the same folder. */
  startAgain: (start: (folder: string) => Promise<TestServer>) => Promise<void>;
};

/** A server for each test of a file, with a folder of its own, gone after it; what is returned is the one of the test that runs. */
export function serverForEach(start: () => Promise<TestServer> = () => startTestServer()): ServerForEach {
  let now: TestServer | undefined;
  const current = (): TestServer => {
    if (!now) throw new Error('There is a server only while a test runs.');
    return now;
  };
  beforeEach(async () => {
    now = await start();
  });
  afterEach(async () => {
    const { folder, stop } = current();
    await stop();
    fs.rmSync(folder, { recursive: true, force: true });
    now = undefined;
  });
  return {
    get folder() {
      return current().folder;
    },
    get db() {
      return current().db;
    },
    get logLines() {
      return current().logLines;
    },
    get url() {
      return current().url;
    },
    call: (...args) => current().call(...args),
    stop: () => current().stop(),
    async startAgain(startOn) {
      const { folder, stop } = current();
      await stop();
      now = await startOn(folder);
    },
  };
}
