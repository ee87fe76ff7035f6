import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Refusal } from '@core/api/answers';
import { isNoRoom } from '../db/errorCode';
import { Refused } from '../db/refused';
import { UnreadableRun } from '../db/storedRun';

/** An answer that is a refusal: a status, a code for programs, a sentence for the coach, and the field it is about. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
  ) {
    super(message);
  }
}

export const notFound = (what: string) =>
  new ApiError(404, 'not_found', `There is no such ${what}. It may have been removed.`);

/** Unknown paths under /api. */
export const unknownPath: RequestHandler = () => {
  throw new ApiError(404, 'not_found', 'There is nothing at this address.');
};

/** What the body parser throws, by its type. */
const BODY_ERRORS: Record<string, ApiError> = {
  'entity.too.large': new ApiError(413, 'too_large', 'That is more than can be sent at once. Nothing was kept of it.'),
  'entity.parse.failed': new ApiError(400, 'bad_json', 'What was sent is not readable JSON. Nothing was kept of it.'),
  'encoding.unsupported': new ApiError(415, 'wrong_type', 'This way of packing the body is not supported.'),
  'charset.unsupported': new ApiError(415, 'wrong_type', 'Send the body as UTF-8.'),
  'request.aborted': new ApiError(400, 'aborted', 'The request broke off. Nothing was kept of it.'),
  'request.size.invalid': new ApiError(400, 'aborted', 'The request broke off. Nothing was kept of it.'),
};

const diskFull = new ApiError(
  507,
  'disk_full',
  'The server’s disk is full. Nothing was kept of this; what was stored before is safe. Make room, then try again.',
);

/** What Express and its parts throw about a request, such as a range beyond a file's end, carries the status it wants. */
function wantedStatus(error: Error): number | undefined {
  const { status } = error as { status?: unknown };
  return typeof status === 'number' && status >= 400 && status < 500 ? status : undefined;
}

function asApiError(error: unknown): ApiError | undefined {
  if (error instanceof ApiError) return error;
  if (error instanceof Refused)
    return new ApiError(
      error.code === 'unknown' || error.code === 'invalid' ? 400 : 409,
      error.code,
      error.message,
      error.field,
    );
  if (error instanceof UnreadableRun)
    return new ApiError(
      500,
      'unreadable',
      `${error.message} It can be set aside in the results; all else is untouched.`,
    );
  if (isNoRoom(error)) return diskFull;
  if (!(error instanceof Error)) return undefined;
  const { type } = error as { type?: unknown };
  const knownError = BODY_ERRORS[String(type)];
  if (knownError) return knownError;
  if (error instanceof URIError) return new ApiError(400, 'bad_address', 'This address cannot be read.');
  const status = wantedStatus(error);
  return status === undefined
    ? undefined
    : new ApiError(status, 'bad_request', 'The server cannot make sense of this request. Nothing was changed.');
}

/** Turns every refusal into `{ error: { code, message, field? } }`; anything unexpected is logged and answered with 500. */
export const answerError: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) return next(error);
  const knownError = asApiError(error);
  if (!knownError) req.log.error({ err: error as Error }, 'unexpected error');
  const { status, code, message, field } =
    knownError ??
    new ApiError(500, 'internal', 'Something went wrong on the server. What was stored before is safe; try again.');
  const refusal: Refusal = { error: { code, message, ...(field ? { field } : {}) } };
  res.status(status).json(refusal);
};
