import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { simulateRun } from '@core/rehearsal/simulate';
import { planOf } from './boardOf';

/** 24 athletes through 30 reps, with an effort after each: a long evening. */
export function longEvening(hasEnded: boolean): { plan: Plan; events: RunEvent[] } {
  const plan = planOf('30x400 @5k / 60s');
  let n = 0;
  const random = () => ((n = (n * 48_271 + 11) % 2_147_483_647) % 1_000_003) / 1_000_003;
  const deviceId = ulid();
  const simulated = simulateRun({
    plan,
    startAtMs: 1_790_000_000_000,
    deviceId,
    idAt: (atMs) => ulid(atMs),
    random,
    athletes: {},
  });
  const felt = simulated.flatMap((event): RunEvent[] => {
    if (event.type !== 'passed' || event.atM !== 400) return [];
    const { athleteId, repIndex, runId } = event;
    const atMs = event.atMs + 5000;
    return [{ id: ulid(atMs), runId, deviceId, atMs, type: 'felt', athleteId, repIndex, effort: 6 }];
  });
  return { plan, events: [...simulated.filter(({ type }) => hasEnded || type !== 'ended'), ...felt] };
}
