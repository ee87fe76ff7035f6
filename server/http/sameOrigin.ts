import type { RequestHandler } from 'express';
import { ApiError } from './errors';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Headers in which browsers say where a request comes from, and which no page can change. Other programs do not send them. */
function isFromElsewhere(origin: string | undefined, site: string | undefined, host: string | undefined): boolean {
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== host;
}

/**
 * Writes are taken from the app's own pages only, and only as JSON, also those without a body: a form of another page can send neither
 * (cross-site request forgery). Cookies are no help with this on the server's own machine, where none is needed.
 */
export const sameOriginWrites: RequestHandler = (req, _res, next) => {
  if (READS.has(req.method)) return next();
  const site = req.headers['sec-fetch-site'];
  if (isFromElsewhere(req.headers.origin, typeof site === 'string' ? site : undefined, req.host))
    throw new ApiError(
      403,
      'wrong_origin',
      'This came from another page. Only Zest Lap’s own pages may change anything.',
    );
  if (!/^application\/json\s*(;|$)/i.test(req.headers['content-type'] ?? ''))
    throw new ApiError(415, 'wrong_type', 'Send JSON, with the content type application/json.');
  next();
};
