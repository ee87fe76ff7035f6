/** What the environment says about where the data lies and who can reach the server. */
import os from 'node:os';
import path from 'node:path';
import { LEAST_PASSPHRASE } from './accounts/passphrase';
import { DataError } from './db/dataError';

const ROOT = path.join(__dirname, '..');
const THIS_MACHINE = '127.0.0.1';

export const WEB_FOLDER = path.join(ROOT, 'dist');
export const DEFAULT_PORT = 4400;

/** Where the data lives: `ZEST_DATA`, else `data` in the project's folder. */
export const chosenDataFolder = () => path.resolve(process.env.ZEST_DATA || path.join(ROOT, 'data'));

/** Where the demo's data lives: apart from a club's own. */
export const chosenDemoFolder = () => path.resolve(process.env.ZEST_DATA || path.join(ROOT, 'data/demo'));

/** A port that the environment names; undefined if it does not. @throws DataError when it is none. */
export function portIn(name: string): number | undefined {
  const written = process.env[name];
  if (written === undefined || written === '') return undefined;
  const port = Number(written);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new DataError(`${name} is “${written}”. It has to be a whole number from 0 to 65535.`);
  return port;
}

export type Reach = { host: string; isOpen: boolean; passphrase: string | undefined; proxies: number };

/** Reachable from other machines only when `HOST` says so, and then only with a passphrase that is hard to guess. @throws DataError otherwise. */
export function chosenReach(): Reach {
  const host = process.env.HOST || THIS_MACHINE;
  const passphrase = process.env.ZEST_PASSPHRASE || undefined;
  const proxies = proxiesIn('ZEST_PROXIES');
  // Behind a proxy every request comes from this machine's own address.
  const isOpen = proxies > 0 || !/^(127\.\d+\.\d+\.\d+|localhost|::1)$/.test(host);
  if (passphrase !== undefined && passphrase.length < LEAST_PASSPHRASE)
    throw new DataError(`ZEST_PASSPHRASE has to have at least ${LEAST_PASSPHRASE} characters.`);
  if (isOpen && passphrase === undefined)
    throw new DataError(
      `${proxies > 0 ? 'With ZEST_PROXIES' : `HOST is ${host}:`} other machines could read the squad. Set ZEST_PASSPHRASE too, with at least ${LEAST_PASSPHRASE} characters.`,
    );
  return { host, isOpen, passphrase, proxies };
}

/** How many of the club's own proxies are in front: that many entries of X-Forwarded-For are trusted. */
function proxiesIn(name: string): number {
  const written = process.env[name] || '0';
  const proxies = Number(written);
  if (!Number.isInteger(proxies) || proxies < 0 || proxies > 5)
    throw new DataError(`${name} is “${written}”. It has to be the number of proxies in front, from 0 to 5.`);
  return proxies;
}

/** An address as a browser takes it. */
export const urlOf = (host: string, port: number) => `http://${host.includes(':') ? `[${host}]` : host}:${port}`;

/** The addresses of this machine in its networks. */
export const networkAddresses = (port: number): string[] =>
  Object.values(os.networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => urlOf(address, port));
