import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/open';
import { accessTokens, joinCodes, knownDevices, passphrases } from '../db/schema';

/** Anything shorter is too easily guessed. */
export const LEAST_PASSPHRASE = 12;

/**
 * scrypt (C. Percival, RFC 7914) with N = 2^15, r = 8, p = 1: about 0.1 s and 32 MB a guess. It runs beside the server's own thread, so
 * that nobody else waits for it.
 */
const COST = 2 ** 15;
const costOf = (N: number) => ({ N, r: 8, p: 1, maxmem: 64 * 1024 * 1024 });
const HASH_BYTES = 32;
const ID = 1;

const scryptOf = promisify<string, Buffer, number, ReturnType<typeof costOf>, Buffer>(scrypt);
const hashOf = (passphrase: string, salt: Buffer, cost: number) =>
  scryptOf(passphrase.normalize('NFC'), salt, HASH_BYTES, costOf(cost));

/** The passphrase in force. */
export type Passphrase = {
  /** Compares in constant time, so a guess learns nothing from how long it took. */
  isRight: (given: string) => Promise<boolean>;
};

async function fits(given: string, stored: { salt: string; hash: string }, cost: number): Promise<boolean> {
  const hash = await hashOf(given, Buffer.from(stored.salt, 'base64'), cost);
  return timingSafeEqual(hash, Buffer.from(stored.hash, 'base64'));
}

/**
 * Puts a passphrase in force. A new one invalidates everything given out for the old: coaches' and helpers' cookies, and
 * codes. @param cost scrypt's N; tests that guess a lot take less.
 */
export async function openPassphrase(db: Db, passphrase: string, cost = COST): Promise<Passphrase> {
  const before = db.select().from(passphrases).where(eq(passphrases.id, ID)).get();
  if (before && (await fits(passphrase, before, cost))) return { isRight: (given) => fits(given, before, cost) };
  const salt = randomBytes(16);
  const stored = { salt: salt.toString('base64'), hash: (await hashOf(passphrase, salt, cost)).toString('base64') };
  db.transaction((tx) => {
    for (const table of [accessTokens, joinCodes, knownDevices]) tx.delete(table).run();
    tx.insert(passphrases)
      .values({ id: ID, ...stored })
      .onConflictDoUpdate({ target: passphrases.id, set: stored })
      .run();
  });
  return { isRight: (given) => fits(given, stored, cost) };
}
