/** Checks on a proposed step: it is on plan by the outlook, and adds one rep at most. */
import { outlookFor } from '../outlook/outlook';
import type { PaceSource } from '../paces/paceSpeed';
import type { MeantArc } from '../session/intent';
import type { SessionTree } from '../session/session';
import { treeTotals } from '../session/treeTotals';
import { targetsFor } from '../targets/targetsFor';
import type { Venue } from '../venue/venue';
import type { Curve } from '../fitness/curve';

type Paces = PaceSource & { curve?: Curve };

/** @param paces theirs, with the curve at the level that the session showed. */
export function isOnPlan(session: SessionTree, arc: MeantArc, paces: Paces, venue: Venue): boolean {
  const { fit } = outlookFor(paces.curve, targetsFor(session, { ...paces, venue }), arc);
  return fit !== 'stretched' && fit !== 'cannot';
}

/** One rep more, and nothing else. */
export const isOneRepMore = (ran: SessionTree, step: SessionTree): boolean =>
  treeTotals(step).reps === treeTotals(ran).reps + 1;
