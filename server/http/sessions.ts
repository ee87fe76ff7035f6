import { Router } from 'express';
import { dayPlanSchema } from '@core/api/dayPlanSchema';
import { sessionSchema } from '@core/api/schemas';
import { followSession } from '../db/seasons';
import { listSessions, putDayPlan, putSession, removeSession, restoreSession } from '../db/sessions';
import { validateBody, validateId } from './checked';
import type { Context } from './context';
import { notFound } from './errors';
import { resourceRouter } from './resource';

const written = resourceRouter({
  what: 'session',
  schema: sessionSchema,
  list: listSessions,
  // A session that was written for a season takes its day there along.
  put: (db, id, input, nowMs) =>
    db.transaction((tx) => {
      followSession(tx, id, input.date, nowMs);
      return putSession(db, id, input, nowMs);
    }),
  remove: removeSession,
  restore: restoreSession,
});

/** /api/sessions: as for every resource; PUT /:id/plan is what is decided for its day, so that writing and planning never undo each other. */
export function sessionsRouter(context: Context): Router {
  const router = Router();
  router.put('/:id/plan', (req, res) => {
    const plan = validateBody(req, dayPlanSchema);
    if (!putDayPlan(context.db, validateId(req), plan, context.nowMs())) throw notFound('session');
    res.json(plan);
  });
  router.use(written(context));
  return router;
}
