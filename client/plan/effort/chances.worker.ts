import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { chancesFor, type Chances, type Entrant } from '@core/outlook/chances';
import type { MeantArc } from '@core/session/intent';

/** What is asked: everyone to be drawn, and how it is meant to feel. */
export type ChancesAsked = { entrants: Entrant[]; arc: MeantArc };

/** The same question is always answered alike: a coach who looks twice sees no other numbers. */
const SEED = 4711;

const scope = globalThis as unknown as {
  onmessage: (event: MessageEvent<ChancesAsked>) => void;
  postMessage: (chances: Chances) => void;
};

scope.onmessage = ({ data: { entrants, arc } }) => {
  const generator = xoroshiro128plus(SEED);
  const random = () => uniformFloat64(generator);
  for (const entrant of entrants) scope.postMessage(chancesFor(entrant, arc, random));
};
