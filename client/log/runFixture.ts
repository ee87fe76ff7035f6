import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';

/** A plan with nothing in it, for tests of what carries plans and events about. */
export const emptyPlan = (id: string): Plan => ({
  id,
  sessionId: ulid(),
  title: 'Reps',
  date: '2026-10-20',
  shorthand: '400',
  groups: [],
});

/** The end of a session at the track, for the same. */
export const endedIn = (runId: string): RunEvent => ({ id: ulid(), runId, deviceId: ulid(), atMs: 1, type: 'ended' });
