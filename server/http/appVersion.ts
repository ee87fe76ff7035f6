import type { Request, RequestHandler } from 'express';
import { isForEveryApp, WIRE_HEADER, WIRE_VERSION, wireVersionIn } from '@core/api/wire';
import { ApiError } from './errors';

/** Apps from before there were versions do not say theirs; they run in a browser, as no other program does that asks without one. */
const isApp = (req: Request) =>
  req.headers[WIRE_HEADER] !== undefined || /^Mozilla\//.test(req.headers['user-agent'] ?? '');

/**
 * Says the server's version in every answer. An app of another one is refused what it could not make sense of, but never what it timed:
 * that is taken from any.
 */
export const sameVersion: RequestHandler = (req, res, next) => {
  res.setHeader(WIRE_HEADER, String(WIRE_VERSION));
  const isSame = !isApp(req) || wireVersionIn(req.get(WIRE_HEADER)) === WIRE_VERSION;
  if (!isSame && !isForEveryApp(`${req.method} ${req.path}`))
    throw new ApiError(
      409,
      'other_version',
      'This page and the server are of different versions. Reload the page; what was timed on this phone is kept and sent.',
    );
  next();
};
