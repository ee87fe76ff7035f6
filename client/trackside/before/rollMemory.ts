import type { CareChoices, Presences } from './rollCall';

/** Answers of the roll call: who is here, and how much those to take care of run. */
export type RollSaid = { presences: Presences; choices: CareChoices };

const NOTHING_SAID: RollSaid = { presences: {}, choices: {} };
const keyOf = (sessionId: string) => `zest-lap-roll-${sessionId}`;

/** Keeps the answers while this tab is open: times are often entered right after it. */
export function keepSaid(sessionId: string, said: RollSaid): void {
  try {
    sessionStorage.setItem(keyOf(sessionId), JSON.stringify(said));
  } catch {
    // Without storage everyone is asked about again.
  }
}

export function keptSaid(sessionId: string): RollSaid {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(sessionId)) ?? '{}') as Partial<RollSaid>;
    return { ...NOTHING_SAID, ...kept };
  } catch {
    return NOTHING_SAID;
  }
}
