import { useCallback, useMemo } from 'react';
import { INTENT_FACTS, type Intent } from '@core/session/intent';
import { parseStored } from '@core/session/parseSession';
import type { SessionTree } from '@core/session/session';
import { suggestIntent } from '@core/advice/suggestIntent';
import { restsOf } from '@core/squad/schools';
import { outlookFor, type Outlook } from '@core/outlook/outlook';
import { withChanges } from '@core/planning/changes';
import { dayCautions } from '@core/advice/dayCautions';
import {
  groupsFor,
  inverseOfDecision,
  takesPart,
  withDecision,
  type Change,
  type DayGroup,
  type DayPlan,
  type DayDecision,
} from '@core/planning/dayPlan';
import { neighboursOf } from '@core/planning/neighbours';
import { groupRun, type GroupRun } from '@core/planning/groupTargets';
import { USUAL_HEAT_LIMITS, type Weather } from '@core/squad/heat';
import { athletePlans, type AthletePlan } from '@core/planning/athletePlans';
import type { SquadMember } from '@core/squad/athlete';
import type { Venue } from '@core/venue/venue';
import { useVenues, venueById } from './useVenues';
import { runnersOf } from './runners';
import { squadPaceBookOf, type SquadView } from './useSquad';
import { useTellings } from './useTellings';
import type { ScheduledSession } from '@core/api/answers';
import { api, troubleText, usePutDayPlanMutation, useSessionsQuery, useWeatherQuery } from '../store/api';

import { store } from '../store/store';
import { useNotice } from '../ui/Notices';

/** A session on its day as planned: everything that follows from its text, the squad and the coach's decisions. */
export type Planning = {
  session: ScheduledSession;
  tree: SessionTree;
  plan: DayPlan;
  squad: SquadView;
  intent: Intent;
  venue: Venue;
  venues: readonly Venue[];
  groups: DayGroup[];
  /** Everyone who could run, and those who do. */
  athletes: readonly SquadMember[];
  running: readonly SquadMember[];
  plans: AthletePlan[];
  runs: GroupRun[];
  /** By athlete. */
  outlooks: ReadonlyMap<string, Outlook>;
  rounding: number;
  weather: Weather | undefined;
  cautions: string[];
  /** Saves a decision; with `noticeText` a notice offers Undo. */
  decide: (part: DayDecision, noticeText?: string) => void;
  /** Makes changes for someone, a group or all. */
  change: (changes: readonly Change[], noticeText?: string) => void;
};

const NOTHING: DayPlan = {};

/** Saves decisions for a session's day: on screen at once, then on the server. */
function useDecide({ id, plan = NOTHING }: ScheduledSession) {
  const [put] = usePutDayPlanMutation();
  const notice = useNotice();
  return useCallback(
    (part: DayDecision, noticeText?: string) => {
      const send = async (decided: DayPlan) => {
        const sent = await put({ sessionId: id, plan: decided });
        if (sent.error) notice({ text: `${troubleText(sent.error)} The plan is as it was.` });
        return !sent.error;
      };
      const takeBack = () => {
        // Only this decision: later ones stay.
        const { data } = api.endpoints.sessions.select()(store.getState());
        const now = data?.find((session) => session.id === id)?.plan ?? NOTHING;
        void send(withDecision(now, inverseOfDecision(part, plan)));
      };
      void send(withDecision(plan, part)).then((isKept) => {
        if (isKept && noticeText !== undefined) notice({ text: noticeText, undo: takeBack });
      });
    },
    [id, plan, put, notice],
  );
}

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

/** The whole planning of a session; undefined while its text cannot be read. */
export function usePlanning(session: ScheduledSession, squad: SquadView): Planning | undefined {
  const { date, startTime, plan = NOTHING } = session;
  const { data: sessions } = useSessionsQuery();
  const { data: weather } = useWeatherQuery({ date, time: startTime ?? '17:00' });
  const { athletes } = squad;
  const decide = useDecide(session);
  const { venue, venues, tree, intent, groups, plans } = useAthletePlans(session, squad, plan);
  const runs = useMemo(() => groups.map((group) => groupRun(group, plans)), [groups, plans]);
  const outlooks = useMemo(
    () =>
      new Map(
        plans.map(({ runner, legs }) => [runner.id, outlookFor(runner.paces.curve, legs, INTENT_FACTS[intent].arc)]),
      ),
    [plans, intent],
  );
  const cautions = useMemo(() => {
    const byId = new Map(athletes.map((athlete) => [athlete.id, athlete]));
    return dayCautions({
      intent,
      date,
      entrants: plans.flatMap(({ runner, remark }) => {
        const athlete = byId.get(runner.id);
        return athlete ? [{ athlete, fit: outlooks.get(runner.id)?.fit ?? 'unknown', remark }] : [];
      }),
      neighbours: neighboursOf(session, sessions ?? [], {
        ...squad,
        paceBook: squadPaceBookOf(squad),
      }),
      weather: weather ?? undefined,
      heat: squad.settings.heat ?? USUAL_HEAT_LIMITS,
    });
  }, [intent, date, plans, outlooks, athletes, session, sessions, squad, weather]);
  return useMemo(() => {
    if (!tree) return undefined;
    return {
      session,
      tree,
      plan,
      squad,
      intent,
      venue,
      venues,
      groups,
      athletes,
      running: athletes.filter((athlete) => takesPart(plan, athlete)),
      plans,
      runs,
      outlooks,
      rounding: plan.rounding ?? 0.1,
      weather: weather ?? undefined,
      cautions,
      decide,
      change: (changes: readonly Change[], noticeText?: string) =>
        decide({ changes: withChanges(plan.changes ?? [], changes) }, noticeText),
    };
  }, [
    session,
    tree,
    plan,
    squad,
    intent,
    venue,
    venues,
    groups,
    athletes,
    plans,
    runs,
    outlooks,
    weather,
    cautions,
    decide,
  ]);
}
