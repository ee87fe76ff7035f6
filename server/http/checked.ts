import type Joi from 'joi';
import type { Request } from 'express';
import { check } from '@core/formats/check';
import { idSchema } from '@core/formats/schemas';
import { ApiError } from './errors';

function orRefuse<T>(schema: Joi.Schema<T>, value: unknown, where = ''): T {
  const result = check(schema, value);
  if (result.ok) return result.value;
  throw new ApiError(400, 'invalid', result.message, [where, result.field].filter(Boolean).join('.'));
}

/** The body, if it is JSON and fits the schema; else 415 or 400. */
export function checkedBody<T>(req: Request, schema: Joi.Schema<T>): T {
  if (!req.is('application/json'))
    throw new ApiError(415, 'wrong_type', 'Send JSON, with the content type application/json.');
  return orRefuse(schema, req.body);
}

/** An id from the path; else 400. */
export function checkedId(req: Request): string {
  return orRefuse<string>(idSchema as Joi.Schema<string>, req.params.id, 'id');
}

/** The query, if it fits the schema; else 400. */
export function checkedQuery<T>(req: Request, schema: Joi.Schema<T>): T {
  return orRefuse(schema, req.query);
}
