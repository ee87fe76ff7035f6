import { Router } from 'express';
import { noQuery } from '@core/api/querySchemas';
import { squadChangeSchema } from '@core/api/schemas';
import { changeSquad, readSquad } from '../db/squad';
import { validateBody, validateQuery } from './checked';
import type { Context } from './context';

/** /api/squad: GET / is its pace book and groups, POST /changes changes several things at once, all or nothing. */
export function squadRouter({ db, nowMs }: Context): Router {
  const router = Router();
  router.get('/', (req, res) => {
    validateQuery(req, noQuery);
    res.json(readSquad(db));
  });
  router.post('/changes', (req, res) => {
    changeSquad(db, validateBody(req, squadChangeSchema), nowMs());
    res.status(204).end();
  });
  return router;
}
