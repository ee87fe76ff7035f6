import type { Presences } from './rollCall';

const keyOf = (sessionId: string) => `zest-lap-roll-${sessionId}`;

/** Keeps what was said at roll call for as long as this tab is open: times are often entered right after it. */
export function keepPresences(sessionId: string, presences: Presences): void {
  try {
    sessionStorage.setItem(keyOf(sessionId), JSON.stringify(presences));
  } catch {
    // Without storage everyone is asked about again.
  }
}

export function keptPresences(sessionId: string): Presences {
  try {
    return JSON.parse(sessionStorage.getItem(keyOf(sessionId)) ?? '{}') as Presences;
  } catch {
    return {};
  }
}
