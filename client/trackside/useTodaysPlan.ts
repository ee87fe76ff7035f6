import { useMemo } from 'react';
import { ulid } from 'ulid';
import type { DayPlan } from '@core/planning/dayPlan';
import { groupRun } from '@core/planning/groupTargets';
import { planOfDay } from '@core/planning/runPlans';
import { arcOf } from '@core/session/intent';
import { useAthletePlans } from '../data/useAthletePlans';
import type { SquadView } from '../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';

/** A session laid out for the track, by what is decided for the day; `tree` is undefined while its text cannot be read. */
export function useTodaysPlan(session: ScheduledSession, squad: SquadView, decided: DayPlan) {
  const { tree, groups, plans, venue, intent } = useAthletePlans(session, squad, decided);
  const plan = useMemo(() => {
    const { id: sessionId, title, date, shorthand } = session;
    const header = { id: ulid(), sessionId, title, date, shorthand, intent, arc: arcOf(intent, session) };
    return planOfDay(
      header,
      groups.map((group) => groupRun(group, plans)),
      venue,
    );
  }, [session, intent, groups, plans, venue]);
  return { tree, groups, plan };
}
