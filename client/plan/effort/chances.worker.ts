import { chancesFor, type Chances, type Entrant } from '@core/outlook/chances';
import type { MeantArc } from '@core/session/intent';
import { seeded } from '@core/units/seeded';

/** What is asked: everyone to be drawn, and how it is meant to feel. */
export type ChancesAsked = { entrants: Entrant[]; arc: MeantArc };

/** The same question is always answered alike: a coach who looks twice sees no other numbers. */
const SEED = 4711;

const scope = globalThis as unknown as {
  onmessage: (event: MessageEvent<ChancesAsked>) => void;
  postMessage: (chances: Chances) => void;
};

scope.onmessage = ({ data: { entrants, arc } }) => {
  const random = seeded(SEED);
  for (const entrant of entrants) scope.postMessage(chancesFor(entrant, arc, random));
};
