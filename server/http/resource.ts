import { Router } from 'express';
import type Joi from 'joi';
import { noQuery } from '@core/api/querySchemas';
import type { Db } from '../db/open';
import { validateBody, validateId, validateQuery } from './checked';
import type { Context } from './context';
import { notFound } from './errors';

/** Something the coach lists, writes, removes and takes back. */
type Resource<Input, Stored> = {
  /** What one of them is called in a sentence. */
  what: string;
  schema: Joi.Schema<Input>;
  /** Left out where it has a list of its own. */
  list?: (db: Db) => Stored[];
  put: (db: Db, id: string, input: Input, nowMs: number) => Stored;
  remove: (db: Db, id: string, nowMs: number) => boolean;
  restore: (db: Db, id: string) => boolean;
};

/**
 * Routes for one kind of thing: GET / lists, PUT /:id writes (ids are made by the client, so sending twice is harmless),
 * DELETE /:id removes, POST /:id/restore takes the removal back.
 */
export function resourceRouter<Input, Stored>(resource: Resource<Input, Stored>) {
  return ({ db, nowMs }: Context): Router => {
    const router = Router();
    const { list } = resource;
    if (list)
      router.get('/', (req, res) => {
        validateQuery(req, noQuery);
        res.json(list(db));
      });
    router.put('/:id', (req, res) => {
      res.json(resource.put(db, validateId(req), validateBody(req, resource.schema), nowMs()));
    });
    router.delete('/:id', (req, res) => {
      if (!resource.remove(db, validateId(req), nowMs())) throw notFound(resource.what);
      res.status(204).end();
    });
    router.post('/:id/restore', (req, res) => {
      if (!resource.restore(db, validateId(req))) throw notFound(resource.what);
      res.status(204).end();
    });
    return router;
  };
}
