import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';

/** The least plan a server takes, for tests of what carries plans and events about. */
export const leastPlan = (id: string): Plan => ({
  id,
  sessionId: ulid(),
  title: 'Reps',
  date: '2026-10-20',
  shorthand: '400',
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: [{ role: 'main', distanceM: 400, callM: [400] }],
      athletes: [{ athleteId: ulid(), name: 'N', tileName: 'N', targets: [{}] }],
    },
  ],
});

/** The end of a session at the track, for the same. */
export const endedIn = (runId: string): RunEvent => ({ id: ulid(), runId, deviceId: ulid(), atMs: 1, type: 'ended' });
