import fs from 'node:fs';
import type { Server } from 'node:http';
import path from 'node:path';
import type { Logger } from 'pino';
import { openPassphrase } from './accounts/passphrase';
import { startNightlyCopies } from './backup/nightly';
import { openData } from './backup/openData';
import { DataError } from './db/dataError';
import type { Kind } from './db/inspect';
import { bringQuietUpToDate, bringUpToDate } from './db/behind';
import { emptyWalSoon, finishErasures } from './db/erase';
import type { Db } from './db/open';
import { rebuildPending } from './db/results';
import { makeApp } from './http/app';
import { Jobs } from './jobs';
import { Hub } from './live/hub';
import { Intake } from './loop/intake';
import { serveLoop } from './loop/serve';
import { openLog } from './log';
import { networkAddresses, urlOf, WEB_FOLDER, type Reach } from './settings';

const CATCH_UP_MS = { every: 2000, retry: 60_000 };

/** Starts what runs beside the requests: interrupted work is finished, results are brought up to date, a copy is made a night. */
function startJobs(jobs: Jobs, db: Db, folder: string, log: Logger, nowMs: () => number): void {
  void jobs.untilDone('finish what was left', CATCH_UP_MS.retry, async () => {
    // Erasures first: results are not made of who is being erased.
    const erased = await finishErasures(db, nowMs());
    if (erased.length > 0) {
      log.info({ athletes: erased.length }, 'finished an erasure that was interrupted');
      void emptyWalSoon(db, jobs);
    }
    const sessions = await rebuildPending(db);
    if (sessions > 0) log.info({ sessions }, 'worked the results out anew');
  });
  jobs.every('bring results up to date', CATCH_UP_MS.every, () => bringQuietUpToDate(db, nowMs()));
  startNightlyCopies(jobs, folder, nowMs, log);
}

/** Why the server cannot listen, in a sentence; undefined where nobody can do anything about it. */
function whyNot(code: string | undefined, host: string, port: number): string | undefined {
  if (code === 'EADDRINUSE')
    return `Port ${port} is in use. Stop what is using it, or choose another: PORT=${port + 1} npm start`;
  if (code === 'EACCES') return `Port ${port} is not allowed for this user. Choose one above 1023.`;
  if (code === 'EADDRNOTAVAIL' || code === 'ENOTFOUND' || code === 'EAI_AGAIN' || code === 'EINVAL')
    return `HOST is ${host}, which is no address of this machine. Use 127.0.0.1 for this machine only, or 0.0.0.0 for all its networks.`;
  return undefined;
}

/**
 * How long an idle connection stays open. Taps come many seconds apart; after Node's default of five the phone would open a new one for most
 * them, and now and then send into one that is just being closed.
 */
const KEEP_ALIVE_MS = 65_000;

function listening(server: Server, host: string, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const why = whyNot(error.code, host, port);
      reject(why === undefined ? error : new DataError(why));
    });
    server.once('listening', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : port);
    });
  });
}

export type ServeOptions = {
  /** Whose data it is: a club's own, or the demo's. */
  kind: Kind;
  folder: string;
  /** 0 for any free one. */
  port: number;
  reach: Reach;
  /** Where timing loops are listened for; nowhere if left out. */
  loopPort?: number | undefined;
  /** Run on the open database first. */
  prepare?: ((db: Db) => void) | undefined;
  /** Address of a weather service; none if left out. */
  weatherUrl?: string | undefined;
};

export type Serving = {
  url: string;
  /** Where timing loops are heard; undefined where they are not, as when their port is in use: without them everything else works. */
  loopPort: number | undefined;
  /** Ends connections and timers, and closes the data. */
  stop: () => Promise<void>;
};

/** Opens the data and serves it. @throws DataError for a problem that a person can put right, in one sentence. */
export async function serve({
  kind,
  folder,
  port,
  reach: { host, isOpen, passphrase, proxies },
  loopPort,
  prepare = () => undefined,
  weatherUrl,
}: ServeOptions): Promise<Serving> {
  const db = await openData(folder, kind);
  const log = openLog(folder);
  const hub = new Hub();
  const jobs = new Jobs(log);
  let listeningOn = port;
  const app = makeApp({
    db,
    log,
    hub,
    jobs,
    proxies,
    nowMs: Date.now,
    ...(passphrase === undefined ? {} : { passphrase: await openPassphrase(db, passphrase) }),
    ...(isOpen ? { addresses: () => networkAddresses(listeningOn) } : {}),
    ...(weatherUrl ? { weatherUrl } : {}),
    ...(fs.existsSync(path.join(WEB_FOLDER, 'index.html')) ? { webFolder: WEB_FOLDER } : {}),
  });
  const server = app.listen(port, host);
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  listeningOn = await listening(server, host, port);
  // The data is touched only once the port is ours; no request is read before this is done.
  prepare(db);
  const loop =
    loopPort === undefined
      ? undefined
      : await serveLoop(new Intake(db, hub, Date.now), loopPort, log).catch(() => undefined);
  startJobs(jobs, db, folder, log, Date.now);
  return {
    url: urlOf(host, listeningOn),
    loopPort: loop?.port,
    async stop() {
      jobs.stop();
      const closed = new Promise((resolve) => server.close(resolve));
      server.closeAllConnections();
      await Promise.all([closed, loop?.stop()]);
      bringUpToDate(db);
      db.$client.close();
    },
  };
}
