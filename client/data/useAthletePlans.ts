import { useMemo } from 'react';
import type { ScheduledSession } from '@core/api/answers';
import { suggestIntent } from '@core/advice/suggestIntent';
import { athletePlans } from '@core/planning/athletePlans';
import { groupsFor, type DayPlan } from '@core/planning/dayPlan';
import { parseStored } from '@core/session/parseSession';
import { restsOf } from '@core/squad/schools';
import { runnersOf } from './runners';
import { squadPaceBookOf, type SquadView } from './useSquad';
import { useTellings } from './useTellings';
import { useVenues, venueById } from './useVenues';

/** The athletes' plans of a session, without predictions; `tree` is undefined while the text cannot be read. */
export function useAthletePlans(session: ScheduledSession, squad: SquadView, plan: DayPlan) {
  const { shorthand, date } = session;
  const venues = useVenues();
  const venue = venueById(venues, plan.venueId);
  const { athletes, paceNames } = squad;
  const tellings = useTellings(date);
  const tree = useMemo(() => {
    const parsed = parseStored(shorthand, { paceNames, lapM: venue.lapM });
    return parsed.ok ? parsed.session : undefined;
  }, [shorthand, paceNames, venue.lapM]);
  const intent = useMemo(
    () => session.intent ?? (tree ? suggestIntent(tree, squadPaceBookOf(squad)) : 'mixed'),
    [session.intent, tree, squad],
  );
  const groups = useMemo(() => groupsFor(plan, athletes, squad.settings.groups), [plan, athletes, squad]);
  const plans = useMemo(() => {
    if (!tree) return [];
    const runners = runnersOf(athletes, squad, date, tellings);
    const rests = restsOf(squad.settings.schools);
    return athletePlans({ session: tree, intent, plan, groups, runners, venue, paceNames, rests });
  }, [tree, intent, plan, groups, athletes, squad, date, venue, paceNames, tellings]);
  return { venue, venues, tree, intent, groups, plans };
}
