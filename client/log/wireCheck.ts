import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';

/** Why the server would refuse something, as a sentence; undefined where it would take it. */
export type WireCheck = {
  whyNotEvent: (event: RunEvent) => string | undefined;
  whyNotPlan: (plan: Plan) => string | undefined;
};

let load: (() => Promise<WireCheck>) | undefined;
let loaded: WireCheck | undefined;

/** Says where the check comes from: its schemas are large, and belong to the later screens. */
export function provideWireCheck(loadIt: () => Promise<WireCheck>): void {
  load = loadIt;
}

/** Loads the check; undefined where it cannot be had: the server then says what it does not take. */
export async function loadWireCheck(): Promise<WireCheck | undefined> {
  loaded ??= await load?.().catch(() => undefined);
  return loaded;
}

/** The check if it is loaded: a tap never waits for it. */
export const wireCheck = (): WireCheck | undefined => loaded;
