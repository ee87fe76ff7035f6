import type { RunEvent } from './events';
import type { Plan } from './plan';

type Run = { plan: Plan; events: readonly RunEvent[] };

/** An event as it is about those athletes only; undefined if it is about none of them. */
export function eventAbout(event: RunEvent, isKept: (athleteId: string) => boolean): RunEvent | undefined {
  if (event.type === 'passed') return isKept(event.athleteId) ? event : undefined;
  if (event.type !== 'started') return event;
  const athleteIds = event.athleteIds.filter(isKept);
  return athleteIds.length === 0 ? undefined : { ...event, athleteIds };
}

/** A session at the track with only some of its athletes: their part of the plan, and what happened to them. */
export function runOf(
  { plan, events }: Run,
  isKept: (athleteId: string) => boolean,
): { plan: Plan; events: RunEvent[] } {
  const kept = events.flatMap((event) => eventAbout(event, isKept) ?? []);
  const ids = new Set(kept.map(({ id }) => id));
  return {
    plan: { ...plan, athletes: plan.athletes.filter(({ athleteId }) => isKept(athleteId)) },
    events: kept.filter((event) => event.type !== 'undone' || ids.has(event.eventId)),
  };
}
