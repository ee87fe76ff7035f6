import { ulid } from 'ulid';
import type { Plan } from '@core/run/plan';

/** A session of one 400 for one athlete, for tests of what carries plans and events about. */
export const planFor = (athleteId: string): Plan => ({
  id: ulid(),
  sessionId: ulid(),
  title: 'Reps',
  date: '2026-10-20',
  shorthand: '400',
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: [{ role: 'main', distanceM: 400, callM: [400] }],
      athletes: [{ athleteId, name: 'Ada', tileName: 'Ada', targets: [{}] }],
    },
  ],
});
