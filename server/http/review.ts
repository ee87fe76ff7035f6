import { Router } from 'express';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import Joi from 'joi';
import type { DateRange } from '@core/api/answers';
import { dateSchema, idSchema } from '@core/api/schemas';
import { calibrationsBefore } from '../db/calibrations';
import { athleteHistory, lastTime, notesOn, resultRowsIn, sameSessions, squadHistory } from '../db/review';
import { standingsOf } from '../db/standings';
import { validateId, validateQuery } from './checked';
import type { Context } from './context';
import { notFound } from './errors';
import { noQuery } from './resource';

const windowQuery = Joi.object<DateRange>({ from: dateSchema.required(), to: dateSchema.required() });

/** Longest window that may be asked for at once. */
const MOST_DAYS = 400;
const squadQuery = windowQuery.custom((window: DateRange, helpers) =>
  differenceInCalendarDays(parseISO(window.to), parseISO(window.from)) <= MOST_DAYS
    ? window
    : helpers.message({ custom: `At most ${MOST_DAYS} days of the squad can be asked for at once.` }),
);
const repsQuery = squadQuery.append({ athlete: idSchema }) as Joi.ObjectSchema<DateRange & { athlete?: string }>;
const beforeQuery = Joi.object<{ before: string }>({ before: dateSchema.required() });
const sameQuery = Joi.object<{ athlete?: string }>({ athlete: idSchema });

/**
 * /api/review: what was run, over many sessions. GET /runs/:id/same is the same session over the weeks, /athletes/:id one athlete's
 * sessions of some weeks, /squad everyone's, /reps every rep of some weeks as it stands in a file, /sessions/:id/last how a session that
 * is written went the last time (null if never), /progressions/:id where everyone stands on one, /calibrations how each athlete tells
 * effort, from the sessions before a day.
 */
export function reviewRouter({ db }: Context): Router {
  const router = Router();
  router.get('/squad', (req, res) => void res.json(squadHistory(db, validateQuery(req, squadQuery))));
  router.get('/calibrations', async (req, res) => {
    res.json(await calibrationsBefore(db, validateQuery(req, beforeQuery).before));
  });
  router.get('/athletes/:id', (req, res) => {
    const id = validateId(req);
    const window = validateQuery(req, windowQuery);
    res.json({ ...athleteHistory(db, id, window), notes: notesOn(db, id, window) });
  });
  router.get('/reps', (req, res) => {
    const { athlete, ...window } = validateQuery(req, repsQuery);
    res.json(resultRowsIn(db, window, athlete));
  });
  router.get('/runs/:id/same', (req, res) => {
    const same = sameSessions(db, validateId(req), validateQuery(req, sameQuery).athlete);
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
