import { Router } from 'express';
import { format } from 'date-fns/format';
import { athleteSchema } from '@core/api/schemas';
import { listAthletes, putAthlete, removeAthlete, restoreAthlete } from '../db/athletes';
import { athleteFile, eraseAthlete } from '../db/erase';
import { validateId } from './checked';
import type { Context } from './context';
import { notFound } from './errors';
import { resourceRouter } from './resource';

const listed = resourceRouter({
  what: 'athlete',
  schema: athleteSchema,
  list: listAthletes,
  put: putAthlete,
  remove: removeAthlete,
  restore: restoreAthlete,
});

/** /api/athletes: as for every resource; GET /:id/file is all that is kept about one, POST /:id/erase takes it away for good. */
export function athletesRouter(context: Context): Router {
  const { db, nowMs } = context;
  const router = Router();
  router.get('/:id/file', async (req, res) => {
    const file = await athleteFile(db, validateId(req), format(nowMs(), 'yyyy-MM-dd'));
    if (!file) throw notFound('athlete');
    // The name of the file says nothing about whose it is.
    res.attachment(`athlete-${file.savedOn}.json`).json(file);
  });
  router.post('/:id/erase', async (req, res) => {
    if (!(await eraseAthlete(db, validateId(req), nowMs()))) throw notFound('athlete');
    res.status(204).end();
  });
  router.use(listed(context));
  return router;
}
