import { INTENT_FACTS, type Intent } from '../session/intent';
import type { SessionTree } from '../session/session';
import { suggestIntent } from '../advice/suggestIntent';
import { curveBook } from '../paces/shippedPaceBooks';
import { targetsFor } from '../targets/targetsFor';
import type { Venue } from '../venue/venue';
import type { PlanHeader, Plan } from '../run/plan';
import { athletePlans, type AthletePlan, type AthletePlansSource, type Runner } from './athletePlans';
import { planGroup } from './plannedGroup';

/** The only group of a session that has no day plan yet. */
const EVERYONE = { id: 'all', name: 'Everyone' };

/** Everyone's plan of a session before anything is decided for its day, in one group. */
export const plansForEveryone = (
  source: Pick<AthletePlansSource, 'session' | 'intent' | 'runners' | 'venue' | 'rests'>,
): AthletePlan[] =>
  athletePlans({ ...source, plan: {}, groups: [{ ...EVERYONE, athleteIds: source.runners.map(({ id }) => id) }] });

/**
 * A session for the track before anything is decided for its day: the reps to time (main part and fast finish), and everyone's targets
 * from athletePlans(), in one group. Athletes without paces get no target times but are timed all the same.
 * @param intent decides how strictly times are judged.
 * @param rests how the squad recovers where the session does not say.
 */
export function makePlan(
  header: PlanHeader,
  session: SessionTree,
  runners: readonly Runner[],
  venue: Venue,
  intent: Intent = suggestIntent(session),
  rests?: AthletePlansSource['rests'],
): Plan {
  const plans = plansForEveryone({ session, intent, runners, venue, ...(rests ? { rests } : {}) });
  const shared = plans[0]?.legs ?? targetsFor(session, { paceBook: curveBook, venue });
  const { arc } = INTENT_FACTS[intent];
  return { ...header, intent, arc, lapM: venue.lapM, groups: [planGroup(EVERYONE, shared, plans, venue)] };
}
