import { Router } from 'express';
import { daysQuery, deviceQuery, noQuery, runPageQuery } from '@core/api/querySchemas';
import type { RefusedEvent } from '@core/api/answers';
import { check } from '@core/api/check';
import { fromEarlierPlan } from '@core/api/earlierPlans';
import { eventBatchSchema, eventSchema, planSchema } from '@core/api/tracksideSchemas';
import type { RunEvent } from '@core/run/events';
import { countEventsOf } from '../accounts/access';
import { readAnew } from '../db/behind';
import {
  addEvents,
  hasRun,
  openRuns,
  pageOfRuns,
  putPlan,
  runsApart,
  runsOn,
  setRunAside,
  type WhyNot,
} from '../db/runs';
import type { Db } from '../db/open';
import { writeUnreadable } from '../db/results';
import { readRun, UnreadableRun } from '../db/storedRun';
import { WriteTogether } from '../db/writeTogether';
import { isForHelper, whyNotForHelper } from '@core/run/helper';
import { letInOf } from './access';
import { validateBody, validateId, validateQuery } from './checked';
import { streamEvents } from '../live/stream';
import type { Context } from './context';
import { ApiError, notFound } from './errors';

const idIn = (sent: unknown) =>
  typeof sent === 'object' && sent !== null && 'id' in sent && typeof sent.id === 'string'
    ? { id: sent.id.slice(0, 40) }
    : {};

/** Checks each event by itself: one that is malformed does not affect the rest. */
function sortOut(runId: string, batch: readonly unknown[]): { events: Map<number, RunEvent>; refused: RefusedEvent[] } {
  const events = new Map<number, RunEvent>();
  const refused: RefusedEvent[] = [];
  batch.forEach((sent, index) => {
    const at = `events[${index}]`;
    const result = check<RunEvent>(eventSchema, sent);
    if (!result.ok) {
      const field = result.field ? `${at}.${result.field}` : at;
      refused.push({ index, ...idIn(sent), code: 'invalid', field, message: result.message });
    } else if (result.value.runId !== runId) {
      const message = 'This event belongs to another run.';
      refused.push({ index, ...idIn(sent), code: 'invalid', field: `${at}.runId`, message });
    } else events.set(index, result.value);
  });
  return { events, refused };
}

/** Events whose id is already taken by another event: refused, so that they do not look stored. */
const conflicts = (batch: readonly unknown[], ids: ReadonlySet<string>): RefusedEvent[] =>
  batch.flatMap((sent, index): RefusedEvent[] => {
    const { id } = idIn(sent);
    if (id === undefined || !ids.has(id)) return [];
    const message = 'Another entry has this id already. What was stored first stays.';
    return [{ index, id, code: 'conflict', field: `events[${index}].id`, message }];
  });

/** The run as it is stored; one that turns out to be damaged is listed as such from then on. @throws UnreadableRun */
function readOrSay(db: Db, id: string) {
  try {
    return readRun(db, id);
  } catch (error) {
    if (error instanceof UnreadableRun) writeUnreadable(db, id);
    throw error;
  }
}

/**
 * /api/runs: sessions taken to the track. GET / is a page of results, GET /days what was taken there on some days, GET /open what has not
 * ended, GET /apart what the results leave out. Plans are written once; events are only ever added.
 */
export function runsRouter({ db, nowMs, hub }: Context): Router {
  const router = Router();
  const together = new WriteTogether(db);
  router.get('/', (req, res) => void res.json(pageOfRuns(db, validateQuery(req, runPageQuery))));
  router.get('/days', (req, res) => void res.json(runsOn(db, validateQuery(req, daysQuery))));
  router.get('/open', (req, res) => {
    validateQuery(req, noQuery);
    res.json(openRuns(db));
  });
  router.get('/apart', (req, res) => {
    validateQuery(req, noQuery);
    res.json(runsApart(db));
  });
  router.get('/:id', (req, res) => {
    const run = readOrSay(db, validateId(req));
    if (!run) throw notFound('session at the track');
    const letIn = letInOf(res);
    if (letIn?.who !== 'helper') return void res.json(run);
    res.json({ ...run, events: run.events.filter((event) => isForHelper(event, letIn.deviceId)) });
  });
  router.get('/:id/live', (req, res) => {
    const id = validateId(req);
    if (!hasRun(db, id)) throw notFound('session at the track');
    const { device } = validateQuery(req, deviceQuery);
    if (!streamEvents(hub, id, { res, nowMs, fromDevice: device, letIn: letInOf(res) }))
      throw new ApiError(503, 'busy', 'Too many phones are looking on. What they time is kept all the same.');
  });
  router.delete('/:id', (req, res) => {
    if (!setRunAside(db, validateId(req), nowMs())) throw notFound('session at the track');
    res.status(204).end();
  });
  router.post('/:id/restore', (req, res) => {
    if (!setRunAside(db, validateId(req), null)) throw notFound('session at the track');
    res.status(204).end();
  });
  router.put('/:id/plan', (req, res) => {
    const id = validateId(req);
    const plan = validateBody(req, planSchema, fromEarlierPlan);
    if (plan.id !== id) throw new ApiError(400, 'invalid', 'The plan has another id than its address.', 'id');
    if (putPlan(db, plan, nowMs()) === 'different')
      throw new ApiError(409, 'plan_fixed', 'This session is already at the track with another plan. That one stays.');
    res.status(204).end();
  });
  router.post('/:id/events', async (req, res) => {
    const runId = validateId(req);
    const batch = validateBody(req, eventBatchSchema).events;
    const letIn = letInOf(res);
    const { events, refused } = sortOut(runId, batch);
    if (letIn && !countEventsOf(db, letIn, events.size))
      throw new ApiError(429, 'too_many', 'Too many taps came from this phone. Connect it again.');
    const whyNot: WhyNot = (event, stored) =>
      letIn?.who === 'helper' ? whyNotForHelper(event, letIn.deviceId, stored) : undefined;
    const result = await together
      .add(() => addEvents(db, runId, [...events.values()], nowMs(), whyNot))
      .catch((error: unknown) => {
        readAnew(db, runId);
        throw error;
      });
    if (!result) throw notFound('session at the track');
    hub.publish(runId, result.added);
    const accepted: string[] = [];
    for (const [index, event] of events) {
      const why = result.refused.get(event);
      if (why) refused.push({ index, id: event.id, field: `events[${index}]`, ...why });
      else if (!result.conflictIds.has(event.id)) accepted.push(event.id);
    }
    refused.push(...conflicts(batch, result.conflictIds));
    res.json({ accepted, refused: refused.sort((a, b) => a.index - b.index) });
  });
  return router;
}
