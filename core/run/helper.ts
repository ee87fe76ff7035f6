import { LOOP_DEVICE } from './chips';
import type { RunEvent } from './events';

/** Stored events of a session, by which a helper's event is judged; the rest of its batch does not count. */
export type StoredLog = {
  event: (eventId: string) => RunEvent | undefined;
  /** True if somebody else than this device has given an event's time a name. */
  isNamedByOthers: (eventId: string, deviceId: string) => boolean;
};

const NOT_YOURS = 'A helper’s phone changes only what it has taken itself. Ask the coach to change this.';

/** Returns why a helper's phone may not bring an event, as a sentence; undefined if it may. */
export function whyNotForHelper(event: RunEvent, ownDeviceId: string, stored: StoredLog): string | undefined {
  if (event.deviceId !== ownDeviceId) return 'This comes from another phone than the one that has joined.';
  if (event.type === 'ended') return 'Only the coach’s phone ends the session.';
  if (event.type === 'excluded') return 'Only the coach leaves a rep out of the reading.';
  if (event.type === 'nextDay' || event.type === 'nextStep') return 'Only the coach says what comes next.';
  if (event.type === 'careChosen') return 'Only the coach says how much somebody runs today.';
  if (event.type !== 'undone' && event.type !== 'shifted' && event.type !== 'named') return undefined;
  const target = stored.event(event.eventId);
  if (target?.deviceId === ownDeviceId || target?.deviceId === LOOP_DEVICE) return undefined;
  // Anybody may name a nameless time; a named one may be changed only by the device that named it.
  if (event.type === 'named' && target?.type === 'crossed' && !stored.isNamedByOthers(event.eventId, ownDeviceId))
    return undefined;
  return NOT_YOURS;
}

const FOR_THE_COACH: ReadonlySet<RunEvent['type']> = new Set([
  'noted',
  'flagged',
  'stopReason',
  'excluded',
  'nextDay',
  'nextStep',
]);

/**
 * Returns whether a helper may read an event: all that timing takes. Notes about people, and whether somebody is well, are for the coach
 * and the phone that wrote them.
 */
export const isForHelper = ({ type, deviceId }: RunEvent, ownDeviceId: string): boolean =>
  !FOR_THE_COACH.has(type) || deviceId === ownDeviceId;
