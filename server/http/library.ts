import { Router } from 'express';
import { noQuery, pageQuery, untilQuery } from '@core/api/querySchemas';
import { libraryChangeSchema } from '@core/api/librarySchemas';
import { changeLibrary, pageOfVersions, readLibrary } from '../db/library';
import { librarySessionUses } from '../db/sessions';
import { validateBody, validateId, validateQuery } from './checked';
import type { Context } from './context';

/** /api/library: what is kept of it, how often each session was used, what to change in it, and how a session read when it was run. */
export function libraryRouter({ db, nowMs }: Context): Router {
  const router = Router();
  router.get('/', (req, res) => {
    validateQuery(req, noQuery);
    res.json(readLibrary(db));
  });
  router.get('/uses', (req, res) => {
    res.json(librarySessionUses(db, validateQuery(req, untilQuery).until));
  });
  router.post('/changes', (req, res) => {
    changeLibrary(db, validateBody(req, libraryChangeSchema), nowMs());
    res.status(204).end();
  });
  router.get('/:id/versions', (req, res) => {
    res.json(pageOfVersions(db, validateId(req), validateQuery(req, pageQuery)));
  });
  return router;
}
