import { INTENT_FACTS, type Intent } from '../session/intent';
import type { SessionTree } from '../session/session';
import { suggestIntent } from '../advice/suggestIntent';
import { curveBook } from '../paces/shippedPaceBooks';
import { targetsFor } from '../targets/targetsFor';
import type { Venue } from '../venue/venue';
import type { PlanHeader, Plan } from '../run/plan';
import { athletePlans, type Runner, type AthletePlansSource } from './athletePlans';
import { planGroup } from './plannedGroup';

/** The only group of a session that has no day plan yet. */
const EVERYONE = { id: 'all', name: 'Everyone' };

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
  const groups = [{ ...EVERYONE, athleteIds: runners.map(({ id }) => id) }];
  const plans = athletePlans({ session, intent, plan: {}, groups, runners, venue, ...(rests ? { rests } : {}) });
  const shared = plans[0]?.legs ?? targetsFor(session, { paceBook: curveBook, venue });
  const { arc } = INTENT_FACTS[intent];
  return { ...header, intent, arc, lapM: venue.lapM, groups: [planGroup(EVERYONE, shared, plans, venue)] };
}
