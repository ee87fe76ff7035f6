import type { NamedEvent, RunEvent } from './events';

/** An event as it counts: `atMs` is when it really happened, on the server's clock; one that was undone does not count. */
export type LogEntry = { event: RunEvent; atMs: number; counts: boolean };

export type CorrectedLog = {
  /** Everything that was recorded, in order of time. */
  entries: LogEntry[];
  /** Whose the time of an event is, by its id, where that was said afterwards. */
  namedAs: ReadonlyMap<string, NamedEvent>;
  /** How far each phone's clock is behind the server's, in ms, where that is known. */
  clocks: Record<string, number>;
};

const isLater = (a: RunEvent, b: RunEvent | undefined) => !b || a.atMs > b.atMs || (a.atMs === b.atMs && a.id > b.id);

/** Which events count: those that no counting undo names. Undos that name each other in a ring count for nothing. */
function whichCount(events: Iterable<RunEvent>): (id: string) => boolean {
  const undoneBy = new Map<string, string[]>();
  for (const event of events) {
    if (event.type !== 'undone') continue;
    const undos = undoneBy.get(event.eventId);
    if (undos) undos.push(event.id);
    else undoneBy.set(event.eventId, [event.id]);
  }
  const known = new Map<string, boolean>();
  const counts = (id: string): boolean => {
    const undos = undoneBy.get(id);
    if (!undos) return true;
    const before = known.get(id);
    if (before !== undefined) return before;
    known.set(id, false);
    const answer = !undos.some(counts);
    known.set(id, answer);
    return answer;
  };
  return counts;
}

/**
 * Puts a log in order: each event once, at the time it is corrected to. A phone whose clock is off has all its events moved by as
 * much; the latest correction of an event is the one that counts. The same events in any order give the same.
 */
export function correctedLog(events: readonly RunEvent[]): CorrectedLog {
  const byId = new Map<string, RunEvent>();
  for (const event of events) if (!byId.has(event.id)) byId.set(event.id, event);
  const counts = whichCount(byId.values());
  const clocks = new Map<string, RunEvent & { type: 'clock' }>();
  const shifts = new Map<string, RunEvent & { type: 'shifted' }>();
  const names = new Map<string, NamedEvent>();
  for (const event of byId.values()) {
    if ((event.type !== 'clock' && event.type !== 'shifted' && event.type !== 'named') || !counts(event.id)) continue;
    if (event.type === 'clock' && isLater(event, clocks.get(event.deviceId))) clocks.set(event.deviceId, event);
    if (event.type === 'shifted' && isLater(event, shifts.get(event.eventId))) shifts.set(event.eventId, event);
    if (event.type === 'named' && isLater(event, names.get(event.eventId))) names.set(event.eventId, event);
  }
  const entries = [...byId.values()].map((event): LogEntry => {
    const at = shifts.get(event.id)?.toMs ?? event.atMs;
    return { event, atMs: at + (clocks.get(event.deviceId)?.offsetMs ?? 0), counts: counts(event.id) };
  });
  entries.sort((a, b) => a.atMs - b.atMs || (a.event.id < b.event.id ? -1 : 1));
  const offsets = Object.fromEntries([...clocks].map(([device, { offsetMs }]) => [device, offsetMs]));
  return { entries, namedAs: names, clocks: offsets };
}
