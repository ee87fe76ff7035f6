import { parseCookie, stringifySetCookie } from 'cookie';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Access } from '@core/api/answers';
import { joinSchema, makeCodeSchema, passphraseSchema } from '@core/api/accessSchemas';
import {
  accessOf,
  closeAccess,
  isKnownDevice,
  letCoachIn,
  newJoinCode,
  openWithCode,
  VALID_MS,
  type LetIn,
} from '../accounts/access';
import { SerializeByKey } from '../accounts/serializeByKey';
import { hasRun } from '../db/runs';
import { validateBody } from './checked';
import type { Context } from './context';
import { ApiError, notFound } from './errors';

const COOKIE = 'zest';
/** Shows that this device was let in before; it gives no access by itself. */
const DEVICE_COOKIE = 'zest-device';

const cookieOf = (req: Request, name: string) => parseCookie(req.headers.cookie ?? '')[name];

/** Not readable by the page, and never sent along from another site. Over https it is never sent without. */
function giveCookie(req: Request, res: Response, name: string, value: string, validMs: number): void {
  const cookie = {
    name,
    value,
    httpOnly: true,
    sameSite: 'strict' as const,
    path: '/',
    maxAge: Math.round(validMs / 1000),
    ...(req.secure ? { secure: true } : {}),
  };
  res.append('Set-Cookie', stringifySetCookie(cookie));
}

/** Paths that need no cookie: how to get one, and health. */
const OPEN = new Set(['GET /access', 'POST /access/passphrase', 'POST /access/join', 'GET /health']);

/** What timing one session takes; nothing else is for a helper's phone. */
function isForHelper(call: string, runId: string): boolean {
  const runPath = `/runs/${runId}`;
  const calls = [`GET ${runPath}`, `GET ${runPath}/live`, `POST ${runPath}/events`, 'GET /clock', 'DELETE /access'];
  return calls.includes(call);
}

/** Who sent a request; undefined where no passphrase is asked for, and it is the coach. */
export const letInOf = (res: Response): LetIn | undefined => res.locals.letIn as LetIn | undefined;

/** Whom a request's cookie lets in. */
const letInBy = ({ db, nowMs }: Context, req: Request) => accessOf(db, cookieOf(req, COOKIE), nowMs());

/** Who asks for a page: where no passphrase is asked for, always the coach. */
export const askerOf = (context: Context, req: Request): Access['who'] =>
  context.passphrase === undefined ? 'coach' : (letInBy(context, req)?.who ?? 'nobody');

/** Where a passphrase is set, every call needs a cookie, given for it or for a code. */
export function guard(context: Context): RequestHandler {
  return (req, res, next) => {
    if (context.passphrase === undefined) return next();
    const call = `${req.method} ${req.path.replace(/\/$/, '')}`;
    const letIn = letInBy(context, req);
    res.locals.letIn = letIn;
    if (OPEN.has(call)) return next();
    if (!letIn) throw new ApiError(401, 'locked', 'This needs the club’s passphrase, or a code from the coach.');
    if (letIn.who === 'helper' && !isForHelper(call, letIn.runId))
      throw new ApiError(403, 'helper_only', 'This phone may time its one session, and nothing else.');
    next();
  };
}

/** Wrong guesses allowed per quarter of an hour and address, counted separately for the passphrase and for codes. */
const GUESSES = { windowMs: 900_000, fromOne: 10 };
const guesses = (skip: (req: Request) => boolean = () => false) =>
  rateLimit({
    windowMs: GUESSES.windowMs,
    limit: GUESSES.fromOne,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skip,
    // Without a trusted proxy, X-Forwarded-For is rightly ignored.
    validate: { xForwardedForHeader: false },
    handler: (_req, _res, next) =>
      next(new ApiError(429, 'too_many_guesses', 'Too many wrong tries. Wait a quarter of an hour.')),
  });

/** A guess costs a tenth of a second of a core: this many from one address wait, the rest are refused. */
const WAITING = 5;

/** /api/access: who this phone is to the server, and how it becomes somebody. */
export function accessRouter({ db, nowMs, passphrase, addresses, hub }: Context): Router {
  const router = Router();
  const isKnown = (req: Request) => isKnownDevice(db, cookieOf(req, DEVICE_COOKIE), nowMs());
  const hashing = new SerializeByKey(WAITING);
  router.get('/', (_req, res) => {
    const letIn = letInOf(res);
    const access =
      passphrase === undefined
        ? { who: 'coach' }
        : letIn?.who === 'helper'
          ? { who: 'helper', runId: letIn.runId }
          : { who: letIn?.who ?? 'nobody' };
    res.json({ isLocked: passphrase !== undefined, ...access });
  });
  router.post('/passphrase', guesses(isKnown), async (req, res) => {
    const { passphrase: given } = validateBody(req, passphraseSchema);
    // A device that was in before has a queue of its own: the guesses of others at its address do not hold it up.
    const queue = isKnown(req) ? `device ${cookieOf(req, DEVICE_COOKIE)}` : ipKeyGenerator(req.ip ?? '');
    const isRight = passphrase && hashing.run(queue, () => passphrase.isRight(given));
    if (passphrase && !isRight)
      throw new ApiError(429, 'too_many_guesses', 'Too many tries at once. Try again in a moment.');
    if (!(await isRight)) throw new ApiError(403, 'wrong_passphrase', 'That is not the passphrase.', 'passphrase');
    const { token, device } = letCoachIn(db, nowMs());
    giveCookie(req, res, COOKIE, token, VALID_MS.coach);
    giveCookie(req, res, DEVICE_COOKIE, device, VALID_MS.device);
    res.status(204).end();
  });
  router.post('/join', guesses(), (req, res) => {
    const { code, deviceId } = validateBody(req, joinSchema);
    const joined = openWithCode(db, code, deviceId, nowMs());
    if (joined === 'no_code')
      throw new ApiError(403, 'wrong_code', 'That code is not good (any more). Ask the coach for a new one.', 'code');
    if (joined === 'other_device')
      throw new ApiError(
        409,
        'other_device',
        'This phone has timed that session as the coach’s. Open it with the passphrase instead.',
        'deviceId',
      );
    giveCookie(req, res, COOKIE, joined.token, VALID_MS.helper);
    res.json({ runId: joined.runId });
  });
  router.post('/codes', (req, res) => {
    const { runId } = validateBody(req, makeCodeSchema);
    if (!hasRun(db, runId)) throw notFound('session at the track');
    res.json({ ...newJoinCode(db, runId, nowMs()), addresses: addresses() });
  });
  router.delete('/', (req, res) => {
    const token = cookieOf(req, COOKIE);
    const closed = token === undefined ? undefined : closeAccess(db, token);
    if (closed !== undefined) hub.end(closed);
    giveCookie(req, res, COOKIE, '', 0);
    res.status(204).end();
  });
  return router;
}
