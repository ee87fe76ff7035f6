import { Router } from 'express';
import { dayPlanSchema } from '@core/api/dayPlanSchema';
import { daysQuery, noQuery, sessionPageQuery } from '@core/api/querySchemas';
import { sessionSchema } from '@core/api/schemas';
import { followSession } from '../db/seasons';
import {
  pageOfSessions,
  putDayPlan,
  putSession,
  readSession,
  removeSession,
  restoreSession,
  sessionsOn,
} from '../db/sessions';
import { validateBody, validateId, validateQuery } from './checked';
import type { Context } from './context';
import { notFound } from './errors';
import { resourceRouter } from './resource';

const written = resourceRouter({
  what: 'session',
  schema: sessionSchema,
  // A session that was written for a season takes its day there along.
  put: (db, id, input, nowMs) =>
    db.transaction((tx) => {
      followSession(tx, id, input.date, nowMs);
      return putSession(db, id, input, nowMs);
    }),
  remove: removeSession,
  restore: restoreSession,
});

/**
 * /api/sessions: GET / is a page of them, GET /days those of some days with what is decided for them, GET /:id one. Written as every resource;
 * PUT /:id/plan is what is decided for its day, so that writing and planning never undo each other.
 */
export function sessionsRouter(context: Context): Router {
  const router = Router();
  router.get('/', (req, res) => void res.json(pageOfSessions(context.db, validateQuery(req, sessionPageQuery))));
  router.get('/days', (req, res) => void res.json(sessionsOn(context.db, validateQuery(req, daysQuery))));
  router.get('/:id', (req, res) => {
    validateQuery(req, noQuery);
    const session = readSession(context.db, validateId(req));
    if (!session) throw notFound('session');
    res.json(session);
  });
  router.put('/:id/plan', (req, res) => {
    const plan = validateBody(req, dayPlanSchema);
    if (!putDayPlan(context.db, validateId(req), plan, context.nowMs())) throw notFound('session');
    res.json(plan);
  });
  router.use(written(context));
  return router;
}
