import { useCallback, useMemo } from 'react';
import { INTENT_FACTS, type Intent } from '@core/session/intent';
import { parseStored } from '@core/session/parseSession';
import type { Session as SessionTree } from '@core/session/session';
import { suggestIntent } from '@core/advice/suggestIntent';
import { startsAtLeast } from '@core/squad/athlete';
import { restsOf } from '@core/squad/schools';
import type { Telling } from '@core/outlook/calibration';
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
  type Decision,
} from '@core/planning/dayPlan';
import { neighboursOf } from '@core/planning/neighbours';
import { groupRun, type GroupRun } from '@core/planning/groupTargets';
import { USUAL_HEAT_LIMITS, type Weather } from '@core/squad/heat';
import { ownPlans, type OwnPlan } from '@core/planning/ownPlans';
import type { SquadMember } from '@core/squad/athlete';
import type { Venue } from '@core/venue/venue';
import { useVenues, venueById } from './useVenues';
import { pacesOf, squadBookOf, type SquadView } from './useSquad';
import { useTellings } from './useTellings';
import type { ScheduledSession } from '@core/api/answers';
import { api, troubleText, usePutDayPlanMutation, useSessionsQuery, useWeatherQuery } from '../store/api';

import { store } from '../store/store';
import { useNotice } from '../ui/Notices';

/** A session on its day as it is planned: everything that follows from its text, the squad and what the coach has decided. */
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
  plans: OwnPlan[];
  runs: GroupRun[];
  /** By athlete. */
  outlooks: ReadonlyMap<string, Outlook>;
  rounding: number;
  weather: Weather | undefined;
  cautions: string[];
  /** Decides something; with `says` it can be taken back from the bar that says so. */
  decide: (part: Decision, says?: string) => void;
  /** Makes changes for someone, a group or all. */
  change: (changes: readonly Change[], says?: string) => void;
};

const NOTHING: DayPlan = {};

const thousandths = (value: number) => Math.round(value * 1000) / 1000;

/** As much of a calibration as a plan keeps. */
const tellingOf = (known: Telling | undefined) =>
  known ? { telling: { a: thousandths(known.a), g: thousandths(known.g) } } : {};

/** Decides things for the day of a session, at once on the screen and kept by the server. */
function useDecide({ id, plan = NOTHING }: ScheduledSession) {
  const [put] = usePutDayPlanMutation();
  const notice = useNotice();
  return useCallback(
    (part: Decision, says?: string) => {
      const send = async (decided: DayPlan) => {
        const sent = await put({ sessionId: id, plan: decided });
        if (sent.error) notice({ text: `${troubleText(sent.error)} The plan is as it was.` });
        return !sent.error;
      };
      const takeBack = () => {
        // Only this: what was decided since stays.
        const { data } = api.endpoints.sessions.select()(store.getState());
        const now = data?.find((session) => session.id === id)?.plan ?? NOTHING;
        void send(withDecision(now, inverseOfDecision(part, plan)));
      };
      void send(withDecision(plan, part)).then((isKept) => {
        if (isKept && says !== undefined) notice({ text: says, undo: takeBack });
      });
    },
    [id, plan, put, notice],
  );
}

/** What a session and a plan come to for the squad, without looking ahead; `tree` is undefined while the text cannot be read. */
export function useOwnPlans(session: ScheduledSession, squad: SquadView, plan: DayPlan) {
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
    () => session.intent ?? (tree ? suggestIntent(tree, squadBookOf(squad)) : 'mixed'),
    [session.intent, tree, squad],
  );
  const groups = useMemo(() => groupsFor(plan, athletes, squad.settings.groups), [plan, athletes, squad]);
  const plans = useMemo(() => {
    if (!tree) return [];
    const runners = athletes.map((athlete) => ({
      id: athlete.id,
      name: athlete.name,
      tileName: athlete.tileName,
      ...(athlete.chip === undefined ? {} : { chip: athlete.chip }),
      ...tellingOf(tellings?.[athlete.id]),
      paces: pacesOf(athlete, squad, date),
      startsAtLeast: startsAtLeast(athlete, date),
    }));
    const rests = restsOf(squad.settings.schools);
    return ownPlans({ session: tree, intent, plan, groups, runners, venue, paceNames, rests });
  }, [tree, intent, plan, groups, athletes, squad, date, venue, paceNames, tellings]);
  return { venue, venues, tree, intent, groups, plans };
}

/** Works the plan of a session out; undefined while it cannot be read. */
export function usePlanning(session: ScheduledSession, squad: SquadView): Planning | undefined {
  const { date, startTime, plan = NOTHING } = session;
  const { data: sessions } = useSessionsQuery();
  const { data: weather } = useWeatherQuery({ date, time: startTime ?? '17:00' });
  const { athletes } = squad;
  const decide = useDecide(session);
  const { venue, venues, tree, intent, groups, plans } = useOwnPlans(session, squad, plan);
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
        paceBook: squadBookOf(squad),
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
      change: (changes: readonly Change[], says?: string) =>
        decide({ changes: withChanges(plan.changes ?? [], changes) }, says),
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
