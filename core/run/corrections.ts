import type { NamedEvent, RunEvent } from './events';

/** An event with its effective time: `atMs` is when it really happened on the server's clock; `counts` is false if it was undone. */
export type LogEntry = { event: RunEvent; atMs: number; counts: boolean };

export type CorrectedLog = {
  /** Everything that was recorded, in order of time. */
  entries: LogEntry[];
  /** Whose the time of an event is, by its id, where that was said afterwards. */
  namedAs: ReadonlyMap<string, NamedEvent>;
  /** How far each phone's clock is behind the server's, in ms, where that is known. */
  clocks: Record<string, number>;
};

/** Returns whether an event was made after another one, by its own time, then by id. */
export const isLater = (a: RunEvent, b: RunEvent | undefined) =>
  !b || a.atMs > b.atMs || (a.atMs === b.atMs && a.id > b.id);

/** Undos that name each other in a ring. Each undo names one event, so a walk along them returns to its start. */
function undosInRings(targets: ReadonlyMap<string, string>): Set<string> {
  const rings = new Set<string>();
  const walked = new Set<string>();
  for (const start of targets.keys()) {
    const path: string[] = [];
    const places = new Map<string, number>();
    let id: string | undefined = start;
    while (id !== undefined && targets.has(id) && !walked.has(id)) {
      walked.add(id);
      places.set(id, path.push(id) - 1);
      id = targets.get(id);
    }
    const from = id === undefined ? undefined : places.get(id);
    if (from !== undefined) for (const inRing of path.slice(from)) rings.add(inRing);
  }
  return rings;
}

/**
 * Ids of undone events: those named by an undo that itself counts. Worked out from the last undo of a chain backwards, since a chain may
 * be as long as the log. A ring of undos counts for nothing.
 */
function undoneIds(events: Iterable<RunEvent>): Set<string> {
  const targets = new Map<string, string>();
  const undosLeft = new Map<string, number>();
  for (const event of events) {
    if (event.type !== 'undone') continue;
    targets.set(event.id, event.eventId);
    undosLeft.set(event.eventId, (undosLeft.get(event.eventId) ?? 0) + 1);
  }
  const rings = undosInRings(targets);
  const undone = new Set(rings);
  const ready = [...targets.keys()].filter((id) => rings.has(id) || !undosLeft.has(id));
  for (let id = ready.pop(); id !== undefined; id = ready.pop()) {
    const target = targets.get(id);
    if (target === undefined) continue;
    if (!undone.has(id)) undone.add(target);
    const left = (undosLeft.get(target) ?? 0) - 1;
    undosLeft.set(target, left);
    if (left === 0 && targets.has(target) && !rings.has(target)) ready.push(target);
  }
  return undone;
}

/**
 * Orders a log: each event once, at its corrected time. A phone whose clock is off has all its events shifted; the latest correction of an
 * event wins. Independent of the order of the input.
 */
export function correctedLog(events: readonly RunEvent[]): CorrectedLog {
  const byId = new Map<string, RunEvent>();
  for (const event of events) if (!byId.has(event.id)) byId.set(event.id, event);
  const undone = undoneIds(byId.values());
  const clocks = new Map<string, RunEvent & { type: 'clock' }>();
  const shifts = new Map<string, RunEvent & { type: 'shifted' }>();
  const names = new Map<string, NamedEvent>();
  for (const event of byId.values()) {
    if ((event.type !== 'clock' && event.type !== 'shifted' && event.type !== 'named') || undone.has(event.id))
      continue;
    if (event.type === 'clock' && isLater(event, clocks.get(event.deviceId))) clocks.set(event.deviceId, event);
    if (event.type === 'shifted' && isLater(event, shifts.get(event.eventId))) shifts.set(event.eventId, event);
    if (event.type === 'named' && isLater(event, names.get(event.eventId))) names.set(event.eventId, event);
  }
  const entries = [...byId.values()].map((event): LogEntry => {
    const at = shifts.get(event.id)?.toMs ?? event.atMs;
    return { event, atMs: at + (clocks.get(event.deviceId)?.offsetMs ?? 0), counts: !undone.has(event.id) };
  });
  entries.sort((a, b) => a.atMs - b.atMs || (a.event.id < b.event.id ? -1 : 1));
  const offsets = Object.fromEntries([...clocks].map(([device, { offsetMs }]) => [device, offsetMs]));
  return { entries, namedAs: names, clocks: offsets };
}
