import { useMemo } from 'react';
import type { ScheduledSession } from '@core/api/answers';
import { dayCautions } from '@core/advice/dayCautions';
import { outlookInHeat } from '@core/judgement/inHeat';
import type { Outlook } from '@core/outlook/outlook';
import type { AthletePlan } from '@core/planning/athletePlans';
import { withChanges } from '@core/planning/changes';
import { takesPart, type Change, type DayDecision, type DayGroup, type DayPlan } from '@core/planning/dayPlan';
import { groupRun, type GroupRun } from '@core/planning/groupTargets';
import { neighboursOf } from '@core/planning/neighbours';
import { arcOf, INTENT_FACTS, type Intent, type MeantArc } from '@core/session/intent';
import type { SessionTree } from '@core/session/session';
import type { SquadMember } from '@core/squad/athlete';
import { USUAL_HEAT_LIMITS, type Weather } from '@core/squad/heat';
import { daysAfter } from '@core/units/dayNumber';
import type { Venue } from '@core/venue/venue';
import { useSessionsOnQuery, useWeatherQuery } from '../store/api';
import { useAthletePlans } from './useAthletePlans';
import { UNDECIDED, useDecide } from './useDecide';
import { squadPaceBookOf, type SquadView } from './useSquad';

/** A session on its day as planned: everything that follows from its text, the squad and the coach's decisions. */
export type Planning = {
  session: ScheduledSession;
  tree: SessionTree;
  plan: DayPlan;
  squad: SquadView;
  intent: Intent;
  /** The effort it is meant to take. */
  arc: MeantArc;
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

/** The whole planning of a session; undefined while its text cannot be read. */
export function usePlanning(session: ScheduledSession, squad: SquadView): Planning | undefined {
  const { date, startTime, plan = UNDECIDED } = session;
  const { data: sessions } = useSessionsOnQuery({ from: daysAfter(date, -1), to: daysAfter(date, 1) });
  const { data: weather } = useWeatherQuery({ date, time: startTime ?? '17:00' });
  const { athletes } = squad;
  const decide = useDecide(session);
  const { venue, venues, tree, intent, groups, plans } = useAthletePlans(session, squad, plan);
  const arc = arcOf(intent, session);
  const runs = useMemo(() => groups.map((group) => groupRun(group, plans)), [groups, plans]);
  const outlooks = useMemo(
    () =>
      new Map(
        plans.map(({ runner, legs }) => [
          runner.id,
          outlookInHeat(runner.paces.curve, legs, arc, {
            weather: weather ?? undefined,
            limits: squad.settings.heat ?? USUAL_HEAT_LIMITS,
            isHard: INTENT_FACTS[intent].isHard,
          }),
        ]),
      ),
    [plans, intent, arc, weather, squad],
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
      arc,
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
    arc,
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
