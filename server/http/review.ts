import { Router } from 'express';
import { beforeQuery, noQuery, onDayQuery, rangeQuery, repsQuery, sameQuery } from '@core/api/querySchemas';
import { calibrationsBefore } from '../db/calibrations';
import { careOn } from '../db/care';
import { levelsBefore } from '../db/levels';
import { athleteHistory, lastTime, notesOn, resultRowsIn, sameSessions, squadHistory } from '../db/review';
import { standingsOf } from '../db/standings';
import { validateId, validateQuery } from './checked';
import type { Context } from './context';
import { notFound } from './errors';

/**
 * /api/review: what was run, over many sessions. GET /runs/:id/same is the same session over the weeks, /athletes/:id one athlete's
 * sessions of some weeks, /squad everyone's, /reps every rep of some weeks as it stands in a file, /sessions/:id/last how a session that
 * is written went the last time (null if never), /progressions/:id where everyone stands on one, /calibrations how each athlete tells
 * effort, from the sessions before a day, /levels what everyone's last sessions before a day showed, /care everyone's care on a day.
 */
export function reviewRouter({ db }: Context): Router {
  const router = Router();
  router.get('/squad', (req, res) => void res.json(squadHistory(db, validateQuery(req, rangeQuery))));
  router.get('/calibrations', async (req, res) => {
    res.json(await calibrationsBefore(db, validateQuery(req, beforeQuery).before));
  });
  router.get('/levels', async (req, res) => {
    res.json(await levelsBefore(db, validateQuery(req, beforeQuery).before));
  });
  router.get('/care', async (req, res) => {
    res.json(await careOn(db, validateQuery(req, onDayQuery).on));
  });
  router.get('/athletes/:id', (req, res) => {
    const id = validateId(req);
    const range = validateQuery(req, rangeQuery);
    res.json({ ...athleteHistory(db, id, range), notes: notesOn(db, id, range) });
  });
  router.get('/reps', (req, res) => {
    const { athlete, ...range } = validateQuery(req, repsQuery);
    res.json(resultRowsIn(db, range, athlete));
  });
  router.get('/runs/:id/same', (req, res) => {
    const { athlete, beside } = validateQuery(req, sameQuery);
    const same = sameSessions(db, validateId(req), athlete, beside);
    if (!same) throw notFound('session at the track');
    res.json(same);
  });
  router.get('/progressions/:id', (req, res) => {
    validateQuery(req, noQuery);
    // Nobody stands on one that was removed: a page that still shows it is about to close.
    res.json(standingsOf(db, validateId(req)));
  });
  router.get('/sessions/:id/last', (req, res) => {
    validateQuery(req, noQuery);
    res.json(lastTime(db, validateId(req)) ?? null);
  });
  return router;
}
