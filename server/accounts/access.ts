import { createHash, randomBytes, randomInt } from 'node:crypto';
import { and, eq, gt, lte, sql } from 'drizzle-orm';
import type { Db } from '../db/open';
import { accessTokens, joinCodes, knownDevices, runEvents, runHelpers } from '../db/schema';

/** Who may do what: the coach everything, a helper's phone only what timing one session takes, under the name of one device. */
export type Access = { who: 'coach' } | { who: 'helper'; runId: string; deviceId: string };

/** Somebody who was let in by a cookie, until then; `id` stands for that cookie and is no secret. */
export type LetIn = Access & { id: string; untilMs: number };

const DAY_MS = 86_400_000;
export const VALID_MS = { coach: 30 * DAY_MS, helper: DAY_MS / 2, code: 600_000, device: 365 * DAY_MS };

/** How many events one cookie may bring in its lifetime: far more than anyone can tap. */
const MOST_EVENTS = { coach: 200_000, helper: 10_000 };

/** Leaves out letters and digits that are mistaken for each other. */
const LETTERS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
const CODE_LENGTH = 8;

const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex');
const newSecret = () => randomBytes(32).toString('base64url');

function newToken(db: Db, helper: { runId?: string; deviceId?: string }, untilMs: number): string {
  const token = newSecret();
  db.insert(accessTokens)
    .values({ hash: hashOf(token), untilMs, ...helper })
    .run();
  return token;
}

const forgetOld = (db: Db, nowMs: number) => {
  for (const table of [accessTokens, joinCodes, knownDevices]) db.delete(table).where(lte(table.untilMs, nowMs)).run();
};

/** Lets a phone in whose passphrase was right. @returns a token for the coach, and one by which the device is known from now on. */
export function letCoachIn(db: Db, nowMs: number): { token: string; device: string } {
  forgetOld(db, nowMs);
  const device = newSecret();
  db.insert(knownDevices)
    .values({ hash: hashOf(device), untilMs: nowMs + VALID_MS.device })
    .run();
  return { token: newToken(db, {}, nowMs + VALID_MS.coach), device };
}

/** True if this device was let in by the passphrase before. */
export function isKnownDevice(db: Db, device: string | undefined, nowMs: number): boolean {
  if (device === undefined) return false;
  const ofThisDevice = and(eq(knownDevices.hash, hashOf(device)), gt(knownDevices.untilMs, nowMs));
  return db.select({ hash: knownDevices.hash }).from(knownDevices).where(ofThisDevice).get() !== undefined;
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

/** True if that device has timed this session as something other than a helper: nobody else may use its name. */
function isSomeoneElse(db: Db, runId: string, deviceId: string): boolean {
  const helper = and(eq(runHelpers.runId, runId), eq(runHelpers.deviceId, deviceId));
  if (db.select({ runId: runHelpers.runId }).from(runHelpers).where(helper).get()) return false;
  const its = and(eq(runEvents.runId, runId), sql`json_extract(${runEvents.eventJson}, '$.deviceId') = ${deviceId}`);
  return db.select({ id: runEvents.id }).from(runEvents).where(its).limit(1).get() !== undefined;
}

export type Joined = { token: string; runId: string };

/** Takes a code, once. @returns 'no_code' if it is used, expired or unknown, 'other_device' if the device is the coach's: the code is still good then. */
export function openWithCode(
  db: Db,
  code: string,
  deviceId: string,
  nowMs: number,
): Joined | 'no_code' | 'other_device' {
  return db.transaction((tx) => {
    forgetOld(db, nowMs);
    const hash = hashOf(plainCode(code));
    const found = tx.select().from(joinCodes).where(eq(joinCodes.hash, hash)).get();
    if (!found) return 'no_code';
    const { runId } = found;
    if (isSomeoneElse(db, runId, deviceId)) return 'other_device';
    tx.delete(joinCodes).where(eq(joinCodes.hash, hash)).run();
    tx.insert(runHelpers).values({ runId, deviceId }).onConflictDoNothing().run();
    return { token: newToken(db, { runId, deviceId }, nowMs + VALID_MS.helper), runId };
  });
}

/** Whom a token lets in now; undefined if nobody. */
export function accessOf(db: Db, token: string | undefined, nowMs: number): LetIn | undefined {
  if (token === undefined) return undefined;
  const id = hashOf(token);
  const found = db.select().from(accessTokens).where(eq(accessTokens.hash, id)).get();
  if (!found || found.untilMs <= nowMs) return undefined;
  const { runId, deviceId, untilMs } = found;
  if (runId === null) return { who: 'coach', id, untilMs };
  return deviceId === null ? undefined : { who: 'helper', runId, deviceId, id, untilMs };
}

/** Counts the events a cookie brings. @returns false if they exceed its limit; nothing is counted then. */
export function countEventsOf(db: Db, { id, who }: LetIn, count: number): boolean {
  const within = and(eq(accessTokens.hash, id), lte(accessTokens.events, MOST_EVENTS[who] - count));
  const events = sql`${accessTokens.events} + ${count}`;
  return db.update(accessTokens).set({ events }).where(within).run().changes > 0;
}

/** Ends what a cookie was good for. @returns its id, undefined if it was good for nothing. */
export function closeAccess(db: Db, token: string): string | undefined {
  const id = hashOf(token);
  return db.delete(accessTokens).where(eq(accessTokens.hash, id)).run().changes > 0 ? id : undefined;
}
