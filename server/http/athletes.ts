import { Router } from 'express';
import { noQuery } from '@core/api/querySchemas';
import { format } from 'date-fns/format';
import { listAthletes } from '../db/athletes';
import { athleteFile, emptyWalSoon, eraseAthlete } from '../db/erase';
import { validateId, validateQuery } from './checked';
import type { Context } from './context';
import { notFound } from './errors';

/**
 * /api/athletes: GET / lists them; GET /:id/file is all that is kept about one, POST /:id/erase takes it away for good. They are written,
 * removed and taken back by changes of the squad.
 */
export function athletesRouter({ db, nowMs, jobs }: Context): Router {
  const router = Router();
  router.get('/', (req, res) => {
    validateQuery(req, noQuery);
    res.json(listAthletes(db));
  });
  router.get('/:id/file', async (req, res) => {
    const file = await athleteFile(db, validateId(req), format(nowMs(), 'yyyy-MM-dd'));
    if (!file) throw notFound('athlete');
    // The name of the file says nothing about whose it is.
    res.attachment(`athlete-${file.savedOn}.json`).json(file);
  });
  router.post('/:id/erase', async (req, res) => {
    if (!(await eraseAthlete(db, validateId(req), nowMs()))) throw notFound('athlete');
    void emptyWalSoon(db, jobs);
    res.status(204).end();
  });
  return router;
}
