import type { RunEvent } from './events';
import { athletesOf, type Plan } from './plan';

type Run = { plan: Plan; events: readonly RunEvent[] };

/** Everyone in a session at the track, those who joined on the way too. */
const everyoneIn = ({ plan, events }: Run): string[] => [
  ...athletesOf(plan).map(({ athleteId }) => athleteId),
  ...events.flatMap((event) => (event.type === 'joined' ? event.athlete.athleteId : [])),
];

export const isInRun = (run: Run, athleteId: string): boolean => everyoneIn(run).includes(athleteId);
export const isAnyoneInRun = (run: Run): boolean => everyoneIn(run).length > 0;

/** An event as it is about those athletes only; undefined if it is about none of them. */
export function eventAbout(event: RunEvent, isKept: (athleteId: string) => boolean): RunEvent | undefined {
  if (event.type === 'crossed' && event.tappedId !== undefined && !isKept(event.tappedId)) {
    const { tappedId: _tappedId, ...rest } = event;
    return rest;
  }
  if (event.type === 'joined') return isKept(event.athlete.athleteId) ? event : undefined;
  if ('athleteId' in event) return isKept(event.athleteId) ? event : undefined;
  if (!('athleteIds' in event)) return event;
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
  const groups = plan.groups.map(({ leaderId, ...group }) => ({
    ...group,
    ...(leaderId !== undefined && isKept(leaderId) ? { leaderId } : {}),
    athletes: group.athletes.filter(({ athleteId }) => isKept(athleteId)),
  }));
  return {
    plan: { ...plan, groups },
    events: kept.filter((event) => !('eventId' in event) || ids.has(event.eventId)),
  };
}
