import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { moveAthlete, type DayGroup, type DayPlan } from '@core/planning/dayPlan';
import type { CareEntry } from '@core/judgement/care';
import type { CareChoice, Conditions, Presence } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import type { Visitor } from '@core/run/visitor';
import { useCare, type CareView } from '../../data/useCare';
import type { SquadView } from '../../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';
import { useResultsInfiniteQuery, useWeatherQuery } from '../../store/api';
import { NotTaken, takeToTrack } from '../../log/recorder';
import { nowMs } from '../../log/trackClock';
import { useTodaysPlan } from '../useTodaysPlan';
import { planForToday, presenceOf, settledEvents } from './rollCall';
import { keepSaid, keptSaid, type RollSaid } from './rollMemory';

const NOTHING: DayPlan = {};

/** Marks the athletes who need care. The plan goes to helpers' phones, so it has the mark and never the reason. */
const withCare = (plan: Plan, careOf: CareView['of'] | undefined): Plan => ({
  ...plan,
  groups: plan.groups.map((group) => ({
    ...group,
    athletes: group.athletes.map((athlete) =>
      (careOf?.get(athlete.athleteId) ?? []).length > 0 ? { ...athlete, takeCare: true as const } : athlete,
    ),
  })),
});

/** Everything that is settled before the first start, and the way to start: who is here, groups, visitors, conditions, who times whom. */
export function useRollCall(session: ScheduledSession, squad: SquadView) {
  const { athletes } = squad;
  const { plan: decided = NOTHING, date, startTime } = session;
  const [said, setSaid] = useState<RollSaid>(() => keptSaid(session.id));
  const put = (next: RollSaid) => {
    setSaid(next);
    keepSaid(session.id, next);
  };
  const { presences: answers } = said;
  const say = (athleteId: string, presence: Presence) =>
    put({ ...said, presences: { ...answers, [athleteId]: presence } });
  const choices = useMemo(() => ({ ...decided.care, ...said.choices }), [decided.care, said.choices]);
  const care = useCare(squad, date);
  const chooseCare = (athleteId: string, choice: CareChoice) =>
    put({
      presences: { ...answers, [athleteId]: choice === 'out' ? 'absent' : 'present' },
      choices: { ...said.choices, [athleteId]: choice },
    });
  const [moved, setMoved] = useState<DayGroup[]>();
  const [visitors, setVisitors] = useState<Visitor[]>([]);
  const [conditions, setConditions] = useState<Conditions>({});
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [finishesOnly, setFinishesOnly] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const before = useResultsInfiniteQuery({ session: session.id }).data?.pages[0]?.rows[0];
  const { data: weather } = useWeatherQuery({ date, time: startTime ?? '17:00' });
  const today = useMemo(
    () => planForToday(decided, athletes, answers, moved, choices),
    [decided, athletes, answers, moved, choices],
  );
  const { tree, groups, plan } = useTodaysPlan(session, squad, today);

  const presences = new Map(athletes.map((athlete) => [athlete.id, presenceOf(decided, answers, athlete)]));
  const presenceBy = (id: string): Presence => presences.get(id) ?? 'absent';
  const going = [...presences.values()].filter((presence) => presence !== 'absent').length + visitors.length;
  const out: Conditions = {
    ...(weather
      ? { temperatureC: Math.round(weather.temperatureC), humidityPct: Math.round(weather.humidityPct) }
      : {}),
    ...conditions,
  };
  const timedIds = plan.groups.map(({ id }) => id).filter((id) => !leftOut.has(id));
  const toggleTimed = (groupId: string) =>
    setLeftOut((before) =>
      before.has(groupId) ? new Set([...before].filter((id) => id !== groupId)) : new Set([...before, groupId]),
    );

  const go = async () => {
    if (plan.groups.every(({ reps }) => reps.length === 0))
      return setTrouble('There is no rep to time in this session. Add one to its main part first.');
    if (timedIds.length === 0) return setTrouble('This phone times nobody. Tick at least one group for it.');
    try {
      const some = timedIds.length < plan.groups.length ? timedIds : undefined;
      const settled = settledEvents({
        plan,
        presences,
        visitors,
        conditions: out,
        timedIds: some,
        finishesOnly,
        choices,
      });
      const atMs = nowMs();
      await takeToTrack(
        withCare(plan, care?.of),
        settled.map((happening) => ({ happening, atMs })),
      );
      router.replace(`/track/run/${plan.id}`);
    } catch (error) {
      if (error instanceof NotTaken) return setTrouble(`${error.message} Nothing has been started.`);
      setTrouble('This phone would not keep the plan: its storage is full or switched off. Nothing has been started.');
    }
  };

  return {
    tree,
    groups,
    plan,
    /** An earlier run of this session, if there is one. */
    before,
    conditions: out,
    addConditions: (part: Conditions) => setConditions((earlier) => ({ ...earlier, ...part })),
    visitors,
    addVisitor: (visitor: Visitor) => setVisitors((earlier) => [...earlier, visitor]),
    removeVisitor: (athleteId: string) =>
      setVisitors((earlier) => earlier.filter((visitor) => visitor.athleteId !== athleteId)),
    presenceBy,
    say,
    /** Care entries of each, and how much they run today. */
    careOf: (athleteId: string): readonly CareEntry[] => care?.of.get(athleteId) ?? [],
    choiceOf: (athleteId: string): CareChoice | undefined => choices[athleteId],
    chooseCare,
    move: (athleteId: string, groupId: string) => setMoved(moveAthlete(groups, athleteId, groupId)),
    /** How many are here or still expected. */
    going,
    finishesOnly,
    setFinishesOnly,
    /** There are marks on the way that could be left out. */
    hasMarks: plan.groups.some(({ reps }) => reps.some(({ callM }) => callM.length > 1)),
    isTimed: (groupId: string) => !leftOut.has(groupId),
    toggleTimed,
    trouble,
    go,
  };
}

export type RollCallState = ReturnType<typeof useRollCall>;
