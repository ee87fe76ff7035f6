import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import { eq, lte } from 'drizzle-orm';
import type { Db } from '../db/open';
import { accessTokens, joinCodes } from '../db/schema';

/** Who may do what: the coach everything, a helper's phone only what timing one session takes. */
export type Access = { who: 'coach' } | { who: 'helper'; runId: string };

/** Fewer characters are guessed. */
export const LEAST_PASSPHRASE = 12;

const DAY_MS = 86_400_000;
const VALID_MS = { coach: 30 * DAY_MS, helper: DAY_MS / 2, code: 600_000 };

/** Without those that are taken for each other. */
const LETTERS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
const CODE_LENGTH = 8;

const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex');

/** True if the passphrase is the one asked for; how long that takes says nothing about it. */
const isSame = (given: string, asked: string) =>
  timingSafeEqual(Buffer.from(hashOf(given)), Buffer.from(hashOf(asked)));

function newToken(db: Db, madeFor: { runId?: string; madeFor?: string }, untilMs: number): string {
  const token = randomBytes(32).toString('base64url');
  db.insert(accessTokens)
    .values({ hash: hashOf(token), untilMs, ...madeFor })
    .run();
  return token;
}

const forgetOld = (db: Db, nowMs: number) => {
  db.delete(accessTokens).where(lte(accessTokens.untilMs, nowMs)).run();
  db.delete(joinCodes).where(lte(joinCodes.untilMs, nowMs)).run();
};

/** @returns a token for the coach, or undefined if the passphrase is another one. */
export function openWithPassphrase(db: Db, given: string, asked: string, nowMs: number): string | undefined {
  if (!isSame(given, asked)) return undefined;
  forgetOld(db, nowMs);
  return newToken(db, { madeFor: hashOf(asked) }, nowMs + VALID_MS.coach);
}

/** A code as it is read out, whatever is typed of it: `abcd 2345` is `ABCD2345`. */
const plainCode = (code: string) => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** A code by which one phone can join a session within ten minutes: `ABCD-2345`. */
export function newJoinCode(db: Db, runId: string, nowMs: number): { code: string; untilMs: number } {
  forgetOld(db, nowMs);
  const letters = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');
  const untilMs = nowMs + VALID_MS.code;
  db.insert(joinCodes)
    .values({ hash: hashOf(letters), runId, untilMs })
    .run();
  return { code: `${letters.slice(0, 4)}-${letters.slice(4)}`, untilMs };
}

/** Takes a code, once. @returns the session and a token for it, or undefined if the code is used, too old, or none. */
export function openWithCode(db: Db, code: string, nowMs: number): { token: string; runId: string } | undefined {
  return db.transaction((tx) => {
    forgetOld(db, nowMs);
    const hash = hashOf(plainCode(code));
    const found = tx.select().from(joinCodes).where(eq(joinCodes.hash, hash)).get();
    if (!found) return undefined;
    tx.delete(joinCodes).where(eq(joinCodes.hash, hash)).run();
    return { token: newToken(db, { runId: found.runId }, nowMs + VALID_MS.helper), runId: found.runId };
  });
}

/** What a token is good for now; undefined if for nothing. @param asked the passphrase in force. */
export function accessOf(db: Db, token: string | undefined, asked: string, nowMs: number): Access | undefined {
  if (token === undefined) return undefined;
  const found = db
    .select()
    .from(accessTokens)
    .where(eq(accessTokens.hash, hashOf(token)))
    .get();
  if (!found || found.untilMs <= nowMs) return undefined;
  if (found.runId !== null) return { who: 'helper', runId: found.runId };
  return found.madeFor === hashOf(asked) ? { who: 'coach' } : undefined;
}

export function closeAccess(db: Db, token: string): void {
  db.delete(accessTokens)
    .where(eq(accessTokens.hash, hashOf(token)))
    .run();
}
