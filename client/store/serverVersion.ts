/** Whether the server is of this app's version: it says its own in every answer. */
import { WIRE_HEADER, WIRE_VERSION, wireVersionIn } from '@core/api/wire';

/** Says in a request which version this app is. */
export const APP_VERSION = { [WIRE_HEADER]: String(WIRE_VERSION) };

let isOther = false;
const listeners = new Set<() => void>();

/** Notes what an answer says. Answers that come from elsewhere, such as a proxy's, say nothing. */
export function noteVersion(headers: Headers | undefined): void {
  const said = wireVersionIn(headers?.get(WIRE_HEADER));
  if (said === 0 || isOther === (said !== WIRE_VERSION)) return;
  isOther = !isOther;
  for (const listener of listeners) listener();
}

export function subscribeVersion(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** True once the server has said that it is of another version. */
export const isOtherVersion = (): boolean => isOther;
