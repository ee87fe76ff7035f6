import { Router } from 'express';
import { bookChangeSchema } from '@core/api/bookSchemas';
import { changeBook, listVersions, readBook } from '../db/book';
import { checkedBody, checkedId, checkedQuery } from './checked';
import type { Context } from './context';
import { noQuery } from './resource';

/** /api/book: what is kept of it, what to change in it, and how a session read when it was run. */
export function bookRouter({ db, nowMs }: Context): Router {
  const router = Router();
  router.get('/', (req, res) => {
    checkedQuery(req, noQuery);
    res.json(readBook(db));
  });
  router.post('/changes', (req, res) => {
    changeBook(db, checkedBody(req, bookChangeSchema), nowMs());
    res.status(204).end();
  });
  router.get('/:id/versions', (req, res) => {
    checkedQuery(req, noQuery);
    res.json(listVersions(db, checkedId(req)));
  });
  return router;
}
