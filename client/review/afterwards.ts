import { decodeTime } from 'ulid';
import type { RunEvent } from '@core/run/events';
import type { RunState } from '@core/run/runState';

/** Something said of a session once it was over; `saidAtMs` is when, `undoneBy` the undo that counts against it. */
export type Afterwards = { event: RunEvent; saidAtMs: number; counts: boolean; undoneBy?: string };

const SAID: ReadonlySet<RunEvent['type']> = new Set([
  'passed',
  'shifted',
  'named',
  'felt',
  'sessionFelt',
  'nextDay',
  'nextStep',
  'pulse',
  'flagged',
  'noted',
  'covered',
  'excluded',
]);

/** How hard it was is asked at the end: what is told so soon after it is part of the session. */
const PART_OF_IT_MS = 30 * 60_000;
const isPartOfIt = ({ type }: RunEvent, sinceMs: number) =>
  (type === 'felt' || type === 'sessionFelt') && sinceMs < PART_OF_IT_MS;

/** When an event was made: its id says so, however far back the time is that it is about. */
function saidAt({ id, atMs }: RunEvent): number {
  try {
    return decodeTime(id);
  } catch {
    return atMs;
  }
}

/** What was put right, added or left out after the end, the latest first; nothing while the session is under way. */
export function saidAfterwards({ log, endedAtMs }: RunState): Afterwards[] {
  if (endedAtMs === undefined) return [];
  const undos = new Map(
    log.flatMap(({ event, counts }) => (counts && event.type === 'undone' ? [[event.eventId, event.id]] : [])),
  );
  return log
    .flatMap(({ event, counts }): Afterwards[] => {
      const saidAtMs = saidAt(event);
      if (!SAID.has(event.type) || saidAtMs <= endedAtMs || isPartOfIt(event, saidAtMs - endedAtMs)) return [];
      const undoneBy = undos.get(event.id);
      return [{ event, saidAtMs, counts, ...(undoneBy === undefined ? {} : { undoneBy }) }];
    })
    .sort((a, b) => b.saidAtMs - a.saidAtMs);
}
