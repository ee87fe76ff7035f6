import { LOOP_DEVICE } from './chips';
import type { RunEvent } from './events';

/** What a helper's phone may not do to the session, as a sentence; undefined if it may. */
export function whyNotForHelper(
  event: RunEvent,
  ownDeviceId: string,
  /** Who brought an event of this session, as far as it is known. */
  deviceOf: (eventId: string) => string | undefined,
): string | undefined {
  if (event.deviceId !== ownDeviceId) return 'This comes from another phone than the one that has joined.';
  if (event.type === 'ended') return 'Only the coach’s phone ends the session.';
  if (event.type === 'excluded') return 'Only the coach leaves a rep out of the reading.';
  if (event.type === 'nextDay' || event.type === 'nextStep') return 'Only the coach says what comes next.';
  if (event.type !== 'undone' && event.type !== 'shifted') return undefined;
  const device = deviceOf(event.eventId);
  return device === ownDeviceId || device === LOOP_DEVICE
    ? undefined
    : 'A helper’s phone changes only what it has taken itself. Ask the coach to change this.';
}

const FOR_THE_COACH: ReadonlySet<RunEvent['type']> = new Set(['noted', 'excluded', 'nextDay', 'nextStep']);

/** A helper reads everything that timing takes; what was noted about people is for the coach, and for the phone that noted it. */
export const isForHelper = ({ type, deviceId }: RunEvent, ownDeviceId: string): boolean =>
  !FOR_THE_COACH.has(type) || deviceId === ownDeviceId;
