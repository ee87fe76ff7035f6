import type { Server } from 'node:http';
import type { Logger } from 'pino';
import os from 'node:os';
import path from 'node:path';
import fs from 'node:fs';
import { LEAST_PASSPHRASE } from './accounts/access';
import { DataError, openDatabase, type Db } from './db/open';
import { makeApp } from './http/app';
import { Hub } from './live/hub';
import { Intake } from './loop/intake';
import { serveLoop } from './loop/serve';
import { openLog } from './log';

const ROOT = path.join(__dirname, '..');
const DEFAULT_PORT = 4400;
const THIS_MACHINE = '127.0.0.1';

/** Where the data lives: `ZEST_DATA`, else `data` in the project's folder. */
export const dataFolder = () => path.resolve(process.env.ZEST_DATA ?? path.join(ROOT, 'data'));

/** A port that the environment names; undefined if it does not. */
function portIn(name: string): number | undefined {
  const written = process.env[name];
  if (written === undefined || written === '') return undefined;
  const port = Number(written);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new DataError(`${name} is “${written}”. It has to be a whole number from 0 to 65535.`);
  return port;
}

/** Timing loops are heard too, if that port can be had; without them everything else goes on. */
async function startLoop(intake: Intake, port: number, log: Logger): Promise<void> {
  try {
    const { port: heardAt } = await serveLoop(intake, port, log);
    console.log(`Timing loops are heard at 127.0.0.1:${heardAt}`);
  } catch {
    console.error(`Timing loops are not heard: port ${port} is in use. Set ZEST_LOOP to another.`);
  }
}

/** Beyond this machine only when `HOST` says so, and then only with a passphrase that is not soon guessed. */
function reachWanted(): { host: string; isOpen: boolean; passphrase: string | undefined } {
  const host = process.env.HOST || THIS_MACHINE;
  const passphrase = process.env.ZEST_PASSPHRASE || undefined;
  const isOpen = !/^(127\.\d+\.\d+\.\d+|localhost|::1)$/.test(host);
  if (passphrase !== undefined && passphrase.length < LEAST_PASSPHRASE)
    throw new DataError(`ZEST_PASSPHRASE has to have at least ${LEAST_PASSPHRASE} characters.`);
  if (isOpen && passphrase === undefined)
    throw new DataError(
      `HOST is ${host}: other machines could read the squad. Set ZEST_PASSPHRASE too, with at least ${LEAST_PASSPHRASE} characters.`,
    );
  return { host, isOpen, passphrase };
}

/** The addresses of this machine in its networks. */
const networkAddresses = (port: number): string[] =>
  Object.values(os.networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => `http://${address}:${port}`);

function listen(server: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE')
        reject(
          new DataError(`Port ${port} is in use. Stop what is using it, or choose another: PORT=${port + 1} npm start`),
        );
      else if (error.code === 'EACCES')
        reject(new DataError(`Port ${port} is not allowed for this user. Choose one above 1023.`));
      else reject(error);
    });
    server.once('listening', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : port);
    });
  });
}

/**
 * Opens the data, starts the server on this machine and prints its address. `prepare` is run on the open database first;
 * `weatherUrl` is the address of a weather service, `ZEST_WEATHER` if left out, none if that is not set either.
 * Trouble that a person can mend ends the process with one sentence and exit code 1.
 */
export async function start(
  prepare: (db: Db) => void = () => undefined,
  weatherUrl: string | undefined = process.env.ZEST_WEATHER,
): Promise<void> {
  try {
    const port = portIn('PORT') ?? DEFAULT_PORT;
    const { host, isOpen, passphrase } = reachWanted();
    const folder = dataFolder();
    let listeningOn = port;
    const db = openDatabase(folder);
    const log = openLog(folder);
    const hub = new Hub();
    const webFolder = path.join(ROOT, 'dist');
    const app = makeApp({
      db,
      log,
      hub,
      nowMs: Date.now,
      ...(passphrase === undefined ? {} : { passphrase }),
      ...(isOpen ? { addresses: () => networkAddresses(listeningOn) } : {}),
      ...(weatherUrl ? { weatherUrl } : {}),
      ...(fs.existsSync(path.join(webFolder, 'index.html')) ? { webFolder } : {}),
    });
    const loopPort = portIn('ZEST_LOOP');
    const server = app.listen(port, host);
    listeningOn = await listen(server, port);
    // Only once the port is ours is the data touched; no request is read before this is done.
    prepare(db);
    if (loopPort !== undefined) await startLoop(new Intake(db, hub, Date.now), loopPort, log);
    console.log(`Zest Lap is at http://${host}:${listeningOn}`);
    const stop = () => {
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
