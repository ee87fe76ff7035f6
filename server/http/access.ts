import { parseCookie, stringifySetCookie } from 'cookie';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import Joi from 'joi';
import { accessOf, closeAccess, newJoinCode, openWithCode, openWithPassphrase, type Access } from '../accounts/access';
import { hasRun } from '../db/runs';
import { checkedBody } from './checked';
import type { Context } from './context';
import { ApiError, notFound } from './errors';
import { idSchema } from '@core/formats/schemas';

const COOKIE = 'zest';
const COOKIE_S = 30 * 86_400;

const tokenOf = (req: Request) => parseCookie(req.headers.cookie ?? '')[COOKIE];

/** Not readable by the page, and never sent along from another site. The network in the club's own hands is not encrypted by us. */
function giveCookie(res: Response, value: string, maxAge = COOKIE_S): void {
  const cookie = { name: COOKIE, value, httpOnly: true, sameSite: 'strict' as const, path: '/', maxAge };
  res.setHeader('Set-Cookie', stringifySetCookie(cookie));
}

/** What can be asked without a cookie: how to get one, and whether the server is well. */
const OPEN = new Set(['GET /access', 'POST /access/passphrase', 'POST /access/join', 'GET /health']);

/** What timing one session takes; nothing else is for a helper's phone. */
function isForHelper(call: string, runId: string): boolean {
  const own = `/runs/${runId}`;
  const calls = [`GET ${own}`, `GET ${own}/live`, `POST ${own}/events`, 'GET /clock', 'DELETE /access'];
  return calls.includes(call);
}

/** With a passphrase, every call needs the cookie that it or a code has given. */
export function guard({ db, nowMs, passphrase }: Context): RequestHandler {
  return (req, _res, next) => {
    if (passphrase === undefined) return next();
    const call = `${req.method} ${req.path.replace(/\/$/, '')}`;
    if (OPEN.has(call)) return next();
    const access = accessOf(db, tokenOf(req), passphrase, nowMs());
    if (!access) throw new ApiError(401, 'locked', 'This needs the club’s passphrase, or a code from the coach.');
    if (access.who === 'helper' && !isForHelper(call, access.runId))
      throw new ApiError(403, 'helper_only', 'This phone may time its one session, and nothing else.');
    next();
  };
}

/** So many wrong guesses in a quarter of an hour, from one place and from all together. */
const GUESSES = { windowMs: 900_000, fromOne: 10, fromAll: 60 };
const guesses = (limit: number, keyGenerator?: () => string) =>
  rateLimit({
    windowMs: GUESSES.windowMs,
    limit,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    ...(keyGenerator ? { keyGenerator } : {}),
    handler: (_req, _res, next) =>
      next(new ApiError(429, 'too_many_guesses', 'Too many wrong tries. Wait a quarter of an hour.')),
  });

const passphraseSchema = Joi.object<{ passphrase: string }>({ passphrase: Joi.string().max(400).required() });
const codeSchema = Joi.object<{ code: string }>({ code: Joi.string().max(40).required() });
const runSchema = Joi.object<{ runId: string }>({ runId: idSchema.required() });

/** /api/access: who this phone is to the server, and how it becomes somebody. */
export function accessRouter({ db, nowMs, passphrase, addresses }: Context): Router {
  const router = Router();
  const limits = [guesses(GUESSES.fromOne), guesses(GUESSES.fromAll, () => 'all')];
  router.get('/', (req, res) => {
    const access: Access | undefined =
      passphrase === undefined ? { who: 'coach' } : accessOf(db, tokenOf(req), passphrase, nowMs());
    res.json({ isLocked: passphrase !== undefined, ...(access ?? { who: 'nobody' }) });
  });
  router.post('/passphrase', ...limits, (req, res) => {
    const { passphrase: given } = checkedBody(req, passphraseSchema);
    const token = passphrase === undefined ? undefined : openWithPassphrase(db, given, passphrase, nowMs());
    if (token === undefined) throw new ApiError(403, 'wrong_passphrase', 'That is not the passphrase.', 'passphrase');
    giveCookie(res, token);
    res.status(204).end();
  });
  router.post('/join', ...limits, (req, res) => {
    const opened = openWithCode(db, checkedBody(req, codeSchema).code, nowMs());
    if (!opened)
      throw new ApiError(403, 'wrong_code', 'That code is not good (any more). Ask the coach for a new one.', 'code');
    giveCookie(res, opened.token);
    res.json({ runId: opened.runId });
  });
  router.post('/codes', (req, res) => {
    const { runId } = checkedBody(req, runSchema);
    if (!hasRun(db, runId)) throw notFound('session at the track');
    res.json({ ...newJoinCode(db, runId, nowMs()), addresses: addresses() });
  });
  router.delete('/', (req, res) => {
    const token = tokenOf(req);
    if (token !== undefined) closeAccess(db, token);
    giveCookie(res, '', 0);
    res.status(204).end();
  });
  return router;
}
