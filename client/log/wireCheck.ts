import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';

/** Each check returns the sentence with which the server would refuse, or undefined if it would accept. */
export type WireCheck = {
  whyNotEvent: (event: RunEvent) => string | undefined;
  whyNotPlan: (plan: Plan) => string | undefined;
};

let load: (() => Promise<WireCheck>) | undefined;
let loaded: WireCheck | undefined;

/** Registers the loader: the schemas are large, and belong to the code of the later screens. */
export function provideWireCheck(loadIt: () => Promise<WireCheck>): void {
  load = loadIt;
}

/** Loads the check. Returns undefined if it cannot be fetched: the server still validates. */
export async function loadWireCheck(): Promise<WireCheck | undefined> {
  loaded ??= await load?.().catch(() => undefined);
  return loaded;
}

/** The check if it is loaded: a tap never waits for it. */
export const wireCheck = (): WireCheck | undefined => loaded;
