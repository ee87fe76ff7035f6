/**
 * What happens at the track, as an append-only list of small events. Nothing is ever changed or deleted: undoing is an
 * event too, and two phones' lists are merged by id. `atMs` is the time of the pointer event on the wall clock,
 * in milliseconds since 1970; `id` is a ULID.
 */
type Stamp = { id: string; runId: string; deviceId: string; atMs: number };

/** These athletes set off on rep `repIndex` (from 0). */
export type StartedEvent = Stamp & { type: 'started'; repIndex: number; athleteIds: string[] };
/** An athlete passed the mark `atM` metres into the rep. */
export type PassedEvent = Stamp & { type: 'passed'; athleteId: string; repIndex: number; atM: number };
/** The event `eventId` counts no longer; undoing an undo brings it back. */
export type UndoneEvent = Stamp & { type: 'undone'; eventId: string };
/** The session is over. */
export type EndedEvent = Stamp & { type: 'ended' };

export type RunEvent = StartedEvent | PassedEvent | UndoneEvent | EndedEvent;
