import { Router } from 'express';
import { libraryChangeSchema } from '@core/api/librarySchemas';
import { changeLibrary, listVersions, readLibrary } from '../db/library';
import { validateBody, validateId, validateQuery } from './checked';
import type { Context } from './context';
import { noQuery } from './resource';

/** /api/library: what is kept of it, what to change in it, and how a session read when it was run. */
export function libraryRouter({ db, nowMs }: Context): Router {
  const router = Router();
  router.get('/', (req, res) => {
    validateQuery(req, noQuery);
    res.json(readLibrary(db));
  });
  router.post('/changes', (req, res) => {
    changeLibrary(db, validateBody(req, libraryChangeSchema), nowMs());
    res.status(204).end();
  });
  router.get('/:id/versions', (req, res) => {
    validateQuery(req, noQuery);
    res.json(listVersions(db, validateId(req)));
  });
  return router;
}
