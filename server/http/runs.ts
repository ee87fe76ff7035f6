import { Router } from 'express';
import Joi from 'joi';
import { check } from '@core/formats/check';
import { idSchema } from '@core/formats/schemas';
import { eventSchema, planSchema } from '@core/formats/tracksideSchemas';
import type { RunEvent } from '@core/trackside/events';
import { addEvents, hasRun, listRuns, putPlan, readRun } from '../db/runs';
import { checkedBody, checkedId, checkedQuery } from './checked';
import { streamEvents } from '../live/stream';
import type { Context } from './context';
import { ApiError, notFound } from './errors';
import { noQuery } from './resource';

/** An event that was not taken, and why; `index` is its place in the batch. */
type Refused = { index: number; id?: string; field: string; message: string };

const batchSchema = Joi.object<{ events: unknown[] }>({
  events: Joi.array().items(Joi.any()).min(1).max(1000).required(),
});

const liveQuery = Joi.object<{ device?: string }>({ device: idSchema });

/** Each event is judged by itself: one that is malformed does not hold up the rest. */
function sortOut(runId: string, batch: readonly unknown[]): { events: RunEvent[]; refused: Refused[] } {
  const events: RunEvent[] = [];
  const refused: Refused[] = [];
  batch.forEach((sent, index) => {
    const result = check<RunEvent>(eventSchema, sent);
    if (result.ok && result.value.runId === runId) return void events.push(result.value);
    const { field, message } = result.ok ? { field: 'runId', message: 'This event belongs to another run.' } : result;
    const id = typeof sent === 'object' && sent !== null && 'id' in sent ? { id: String(sent.id).slice(0, 40) } : {};
    refused.push({ index, ...id, field: field ? `events[${index}].${field}` : `events[${index}]`, message });
  });
  return { events, refused };
}

/** /api/runs: sessions taken to the track. Plans are written once; events are only ever added. */
export function runsRouter({ db, nowMs, hub }: Context): Router {
  const router = Router();
  router.get('/', (req, res) => {
    checkedQuery(req, noQuery);
    res.json(listRuns(db));
  });
  router.get('/:id', (req, res) => {
    const run = readRun(db, checkedId(req));
    if (!run) throw notFound('session at the track');
    res.json(run);
  });
  router.get('/:id/live', (req, res) => {
    const id = checkedId(req);
    if (!hasRun(db, id)) throw notFound('session at the track');
    const { device } = checkedQuery(req, liveQuery);
    if (!streamEvents(hub, id, device, res))
      throw new ApiError(503, 'busy', 'Too many phones are looking on. What they time is kept all the same.');
  });
  router.put('/:id/plan', (req, res) => {
    const id = checkedId(req);
    const plan = checkedBody(req, planSchema);
    if (plan.id !== id) throw new ApiError(400, 'invalid', 'The plan has another id than its address.', 'id');
    if (putPlan(db, plan, nowMs()) === 'different')
      throw new ApiError(409, 'plan_fixed', 'This session is already at the track with another plan. That one stays.');
    res.status(204).end();
  });
  router.post('/:id/events', (req, res) => {
    const runId = checkedId(req);
    const { events, refused } = sortOut(runId, checkedBody(req, batchSchema).events);
    const added = addEvents(db, runId, events, nowMs());
    if (!added) throw notFound('session at the track');
    hub.publish(runId, added);
    res.json({ accepted: events.map((event) => event.id), refused });
  });
  return router;
}
