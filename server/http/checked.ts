import type { IncomingMessage } from 'node:http';
import type Joi from 'joi';
import express, { type Request, type RequestHandler } from 'express';
import { check, checkQuery, type Checked } from '@core/api/check';
import { idSchema } from '@core/api/schemas';
import { ApiError } from './errors';

function orRefuse<T>(result: Checked<T>, where = ''): T {
  if (result.ok) return result.value;
  throw new ApiError(400, 'invalid', result.message, [where, result.field].filter(Boolean).join('.'));
}

const withJson = new WeakSet<IncomingMessage>();

/** Reads JSON bodies, and remembers which requests had one: the parser turns a missing one into an empty object. */
export const jsonBody = (limit: string): RequestHandler =>
  express.json({ limit, strict: true, verify: (req, _res, text) => void (text.length > 0 && withJson.add(req)) });

/** The body, if there is one and it fits the schema; else 400. @param today brings a body of an earlier app into today's shape. */
export function validateBody<T>(req: Request, schema: Joi.Schema<T>, today = (sent: unknown) => sent): T {
  if (!withJson.has(req)) throw new ApiError(400, 'no_body', 'There is nothing in this request. Nothing was changed.');
  return orRefuse(check(schema, today(req.body)));
}

/** An id from the path; else 400. */
export function validateId(req: Request): string {
  return orRefuse(check(idSchema as Joi.Schema<string>, req.params.id), 'id');
}

/** The query, if it fits the schema; else 400. */
export function validateQuery<T>(req: Request, schema: Joi.Schema<T>): T {
  return orRefuse(checkQuery(schema, req.query));
}
