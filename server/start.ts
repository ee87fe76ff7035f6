import fs from 'node:fs';
import type { Server } from 'node:http';
import path from 'node:path';
import type { Logger } from 'pino';
import { openPassphrase } from './accounts/passphrase';
import { startNightlyCopies } from './backup/nightly';
import { openData } from './backup/openData';
import { DataError } from './db/dataError';
import type { Kind } from './db/inspect';
import { finishErasures } from './db/erase';
import type { Db } from './db/open';
import { rebuildPending } from './db/results';
import { makeApp } from './http/app';
import { Hub } from './live/hub';
import { Intake } from './loop/intake';
import { serveLoop } from './loop/serve';
import { openLog } from './log';
import { chosenDataFolder, chosenReach, DEFAULT_PORT, networkAddresses, portIn, urlOf, WEB_FOLDER } from './settings';

/** Listens for timing loops if their port is free; without them everything else works. */
async function startLoop(intake: Intake, port: number, log: Logger): Promise<void> {
  try {
    const { port: heardAt } = await serveLoop(intake, port, log);
    console.log(`Timing loops are heard at 127.0.0.1:${heardAt}`);
  } catch {
    console.error(`Timing loops are not heard: port ${port} is in use. Set ZEST_LOOP to another.`);
  }
}

/** Finishes what an earlier version or an interruption left undone; requests go first. */
async function catchUp(db: Db, log: Logger): Promise<void> {
  try {
    const erased = await finishErasures(db);
    if (erased.length > 0) log.info({ athletes: erased.length }, 'finished an erasure that was interrupted');
    const sessions = await rebuildPending(db);
    if (sessions > 0) log.info({ sessions }, 'worked the results out anew');
  } catch (error) {
    log.error({ err: error as Error }, 'what was left to do is tried again at the next start');
  }
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

export type StartOptions = {
  /** Whose data it is: a club's own, or the demo's. */
  kind?: Kind;
  folder?: string;
  /** Run on the open database first. */
  prepare?: (db: Db) => void;
  /** Address of a weather service; `ZEST_WEATHER` if left out, none if that is not set either. */
  weatherUrl?: string | undefined;
};

/**
 * Opens the data, starts the server on this machine and prints its address.
 * A problem that a person can put right ends the process with one sentence and exit code 1.
 */
export async function start({
  kind = 'club',
  folder = chosenDataFolder(),
  prepare = () => undefined,
  weatherUrl = process.env.ZEST_WEATHER,
}: StartOptions = {}): Promise<void> {
  // Files we write are for this user alone.
  process.umask(0o077);
  try {
    const port = portIn('PORT') ?? DEFAULT_PORT;
    const loopPort = portIn('ZEST_LOOP');
    const { host, isOpen, passphrase, proxies } = chosenReach();
    const db = await openData(folder, kind);
    const log = openLog(folder);
    const hub = new Hub();
    let listeningOn = port;
    const app = makeApp({
      db,
      log,
      hub,
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
    if (loopPort !== undefined) await startLoop(new Intake(db, hub, Date.now), loopPort, log);
    void catchUp(db, log);
    const stopCopies = startNightlyCopies(folder, log, Date.now);
    console.log(`Zest Lap is at ${urlOf(host, listeningOn)}`);
    const stop = () => {
      stopCopies();
      server.close(() => {
        db.$client.close();
        process.exit(0);
      });
      server.closeAllConnections();
    };
    process.once('SIGINT', stop);
    process.once('SIGTERM', stop);
  } catch (error) {
    if (!(error instanceof DataError)) throw error;
    console.error(error.message);
    process.exitCode = 1;
  }
}
