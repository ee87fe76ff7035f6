import { useCallback, useMemo, useState } from 'react';
import { ulid } from 'ulid';
import type { Lever, Progression } from '@core/library/librarySession';
import type { StepsFrom } from '@core/library/stepsFrom';
import type { DayGroup, DayPlan } from '@core/planning/dayPlan';
import { nextPlan, type NextPlan } from '@core/planning/nextPlan';
import { withOwnAdvice } from '@core/planning/ownAdvice';
import type { SessionFacts } from '@core/judgement/facts';
import { givenSteps } from '@core/judgement/given';
import { squadLever } from '@core/judgement/lever';
import type { ReadyAnswer } from '@core/judgement/nextReady';
import { isOneRepMore, isOnPlan } from '@core/judgement/onPlan';
import { parseStored } from '@core/session/parseSession';
import type { SessionTree } from '@core/session/session';
import { daysOf } from '@core/season/season';
import { schoolsOf } from '@core/squad/schools';
import type { NextStep } from '@core/run/events';
import { counted } from '@core/units/counted';
import { nextDate, type ProposedDate } from '@core/planning/nextDate';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { ReadRun } from '../useReview';
import type { StoredLibraryView } from '../../data/useLibrary';
import { useSeasons, type LaidSeason } from '../../data/useSeasons';
import { memberOf, pacesOf, type SquadView } from '../../data/useSquad';
import { useVenues, venueById } from '../../data/useVenues';
import type { ScheduledSession } from '@core/api/answers';
import { useSameSessionsQuery, useSessionQuery, useSessionsOnQuery } from '../../store/api';
import { today } from '../../ui/days';
import {
  leversFor,
  otherLever,
  placedFor,
  stepsBy,
  stuckOn,
  treeOf,
  type Ran,
  type Source,
  type What,
} from './nextChoices';

/** Athletes of one group, as they ran. */
export type GroupOfRun = DayGroup & { answers: ReadyAnswer[] };

export type Next = {
  /** The session as it was written, where it still is. */
  session: ScheduledSession | undefined;
  progression: Progression | undefined;
  answers: readonly ReadyAnswer[];
  groups: GroupOfRun[];
  /** Undefined while something is asked of them first. */
  choiceOf: (athleteId: string) => NextStep | undefined;
  choose: (athleteIds: readonly string[], step: NextStep) => void;
  what: What;
  setWhat: (what: What) => void;
  /** What can be changed, each with the text that most would run. */
  whats: { what: What; shorthand: string }[];
  /** On, again and back for those who ran the session itself; and for a group, by what it ran. */
  steps: StepsFrom;
  stepsOf: (groupId: string) => StepsFrom;
  /** Who is at it for the third time, and another lever that moves. */
  stuck: { ids: string[]; lever: Lever | undefined };
  date: string;
  setDate: (date: string) => void;
  /** Reason for the proposed day; undefined once the coach has chosen another. */
  whyDate: string | undefined;
  /** Who gets what their own efforts ask for. */
  takesAdvice: ReadonlySet<string>;
  toggleAdvice: (athleteId: string) => void;
  placed: ReturnType<typeof placedFor>;
  plan: NextPlan | undefined;
};

const NO_PLAN: DayPlan = {};

/** Says why a day is proposed: `the same day next week`. */
function whyText({ date, why, everyDays = 0 }: ProposedDate): string {
  switch (why) {
    case 'turn':
      return 'the next turn of its thread in the season';
    case 'progression':
      return `${counted(everyDays, 'day')} after, as its progression says`;
    case 'next-week':
      return 'the same day next week';
    case 'free':
      return 'the next hard day that the season leaves free';
    case 'weekday':
      return `the next ${format(parseISO(date), 'EEEE')} without a session`;
  }
}

/** The groups as they ended, with everyone who is asked about. */
function groupsOf({ plan, state }: ReadRun, day: DayPlan, answers: readonly ReadyAnswer[]): GroupOfRun[] {
  return plan.groups.flatMap((group): GroupOfRun[] => {
    const ownAnswers = answers.filter(({ groupId }) => groupId === group.id);
    const { name = group.name } = state.groups.find(({ id }) => id === group.id) ?? {};
    const written = day.groups?.find(({ id }) => id === group.id);
    const { lane, startGapS, leaderId } = group;
    return ownAnswers.length === 0
      ? []
      : [
          {
            id: group.id,
            name,
            athleteIds: ownAnswers.map(({ athleteId }) => athleteId),
            ...(lane === undefined ? {} : { lane }),
            ...(startGapS === undefined ? {} : { startGapS }),
            ...(leaderId === undefined ? {} : { leaderId }),
            ...(written?.version === undefined ? {} : { version: written.version }),
            ...(group.libraryId === undefined ? {} : { libraryId: group.libraryId }),
            answers: ownAnswers,
          },
        ];
  });
}

/** Hard days laid out in the seasons that nothing is written for, in order. */
const hardDaysOf = (seasons: readonly LaidSeason[]): string[] =>
  seasons
    .flatMap(({ weeks }) => daysOf(weeks))
    .flatMap(({ kind, sessionId, date }) => (kind === 'hard' && sessionId === undefined ? [date] : []))
    .sort();

/** Anybody ill leaves out until they are well again. */
const withoutThose = (next: NextPlan, athleteIds: readonly string[]): NextPlan =>
  athleteIds.length === 0
    ? next
    : {
        ...next,
        plan: { ...next.plan, care: Object.fromEntries(athleteIds.map((id) => [id, 'out' as const])) },
      };

type GivenSource = {
  read: ReadRun;
  facts: SessionFacts;
  asked: readonly ReadyAnswer[];
  squad: SquadView;
  stepsOf: (groupId: string) => StepsFrom;
  options: Source['options'];
  what: What;
  day: DayPlan;
};

/** A proposal for each athlete: a step that exists, that the outlook calls on plan, and that care allows. */
function useGiven({ read, facts, asked, squad, stepsOf, options, what, day }: GivenSource): ReadyAnswer[] {
  const venues = useVenues();
  return useMemo(() => {
    const { plan } = read;
    const venue = venueById(venues, day.venueId);
    const { arc } = plan;
    const trees = new Map<string, SessionTree | undefined>();
    const tree = (shorthand: string) => {
      if (!trees.has(shorthand)) trees.set(shorthand, treeOf(shorthand, options));
      return trees.get(shorthand);
    };
    return givenSteps(asked, {
      has: (groupId, step) => stepsOf(groupId)[step] !== undefined,
      isOnPlan: ({ athleteId, groupId }) => {
        const { on } = stepsOf(groupId);
        const session = on && tree(on.shorthand);
        const athlete = memberOf(squad, athleteId);
        if (!session || !arc || !athlete) return true;
        const curve = facts.athletes.find((own) => own.athleteId === athleteId)?.curve;
        const paces = pacesOf(athlete, squad, plan.date);
        return isOnPlan(session, arc, { ...paces, ...(curve ? { curve } : {}) }, venue);
      },
      isOneRep: ({ groupId }) => {
        const { on, repeat } = stepsOf(groupId);
        // A way back goes on with its own plan.
        if (plan.intent === 'transition' && what === 'progression') return true;
        const [ran, step] = [tree(repeat.shorthand), on && tree(on.shorthand)];
        return ran !== undefined && step !== undefined && isOneRepMore(ran, step);
      },
    });
  }, [read, facts, asked, squad, stepsOf, options, what, day, venues]);
}

/** Everything about the step after a session: what is chosen, and what it comes to. @param turn when its thread is next laid out. */
export function useNext(
  read: ReadRun,
  facts: SessionFacts,
  asked: readonly ReadyAnswer[],
  { library, squad, turn }: { library: StoredLibraryView; squad: SquadView; turn: string | undefined },
): Next {
  const { plan, state } = read;
  const { data: session } = useSessionQuery(plan.sessionId);
  const { data: same } = useSameSessionsQuery({ runId: plan.id });
  const day = session?.plan ?? NO_PLAN;
  const libraryId = session?.libraryId;
  const progression = library.progressions.find(
    ({ stepIds }) => libraryId !== undefined && stepIds.includes(libraryId),
  );
  const source = useMemo(
    (): Omit<Source, 'what' | 'advice' | 'ran'> => ({
      ...(progression ? { progression } : {}),
      ...(plan.intent ? { intent: plan.intent } : {}),
      sessions: library.sessions,
      options: { paceNames: squad.paceNames, ...(plan.lapM === undefined ? {} : { lapM: plan.lapM }) },
    }),
    [progression, library.sessions, squad.paceNames, plan.lapM, plan.intent],
  );
  const ran = useMemo(
    (): Ran => ({ shorthand: plan.shorthand, ...(libraryId === undefined ? {} : { libraryId }) }),
    [plan.shorthand, libraryId],
  );
  const advice = useMemo(() => squadLever(facts), [facts]);
  const whats = useMemo(() => {
    const progressionStep = stepsBy({ ...source, ran, what: 'progression' }).on;
    const asked = advice && stepsBy({ ...source, ran, what: 'efforts', advice }).on;
    return [
      ...(progressionStep ? [{ what: 'progression' as const, shorthand: progressionStep.shorthand }] : []),
      ...(asked ? [{ what: 'efforts' as const, shorthand: asked.shorthand }] : []),
      // What comes next by itself need not be offered twice.
      ...leversFor({ ...source, ran }).flatMap(({ lever, shorthand }) =>
        shorthand === progressionStep?.shorthand ? [] : [{ what: lever as What, shorthand }],
      ),
    ];
  }, [source, ran, advice]);
  const [chosenWhat, setWhat] = useState<What>();
  const usual = progression?.lever ?? schoolsOf(squad.settings).progressBy ?? 'more';
  const first =
    whats.find(({ what: choice }) => choice === 'progression') ?? whats.find(({ what: choice }) => choice === usual);
  const what = chosenWhat ?? (first ?? whats[0])?.what ?? usual;
  const ranGroups = useMemo(() => groupsOf(read, day, asked), [read, day, asked]);
  const steps = useMemo(
    () => stepsBy({ ...source, ran, what, ...(advice ? { advice } : {}) }),
    [source, ran, what, advice],
  );
  /** Of the groups that ran a version of their own: by their ids. */
  const ownSteps = useMemo(
    () =>
      new Map(
        ranGroups.flatMap(({ id, version, libraryId: ownId }) => {
          if (version === undefined) return [];
          const ranVersion: Ran = { shorthand: version, ...(ownId === undefined ? {} : { libraryId: ownId }) };
          return [[id, stepsBy({ ...source, ran: ranVersion, what, ...(advice ? { advice } : {}) })] as const];
        }),
      ),
    [ranGroups, source, what, advice],
  );
  const stepsOf = useCallback((groupId: string) => ownSteps.get(groupId) ?? steps, [ownSteps, steps]);
  const answers = useGiven({ read, facts, asked, squad, stepsOf, options: source.options, what, day });
  const groups = useMemo(() => groupsOf(read, day, answers), [read, day, answers]);
  const [choices, setChoices] = useState<Readonly<Record<string, NextStep>>>({});
  const verdicts = useMemo(() => new Map(answers.map(({ athleteId, verdict }) => [athleteId, verdict])), [answers]);
  const waiting = useMemo(
    () => new Set(answers.flatMap(({ athleteId, waits }) => (waits ? [athleteId] : []))),
    [answers],
  );
  const choiceOf = useCallback(
    (athleteId: string) => choices[athleteId] ?? verdicts.get(athleteId) ?? 'repeat',
    [choices, verdicts],
  );
  const shownChoiceOf = (athleteId: string) =>
    choices[athleteId] === undefined && waiting.has(athleteId) ? undefined : choiceOf(athleteId);
  const choose = (athleteIds: readonly string[], step: NextStep) =>
    setChoices((before) => ({ ...before, ...Object.fromEntries(athleteIds.map((id) => [id, step])) }));
  const tileNameOf = useCallback((athleteId: string) => state.athletes[athleteId]?.tileName ?? 'somebody', [state]);
  const placed = useMemo(
    () => placedFor(answers, choiceOf, stepsOf, tileNameOf),
    [answers, choiceOf, stepsOf, tileNameOf],
  );
  const stuck = useMemo(() => {
    const ids = stuckOn(answers, same, { runId: plan.id, date: plan.date });
    const moving = whats.flatMap(({ what: choice }) =>
      choice === 'progression' || choice === 'efforts' ? [] : [choice],
    );
    return { ids, lever: otherLever(usual, moving) };
  }, [answers, same, plan, whats, usual]);
  const everyDays = progression?.everyDays;
  const { data: sessions } = useSessionsOnQuery({ from: plan.date });
  const { seasons } = useSeasons();
  const [takesAdvice, setTakesAdvice] = useState<ReadonlySet<string>>(new Set());
  const toggleAdvice = (athleteId: string) =>
    setTakesAdvice((before) => {
      const now = new Set(before);
      if (!now.delete(athleteId)) now.add(athleteId);
      return now;
    });
  const proposed = useMemo(
    () =>
      nextDate({
        ranOn: plan.date,
        today: today(),
        turn,
        everyDays,
        hardDays: () => hardDaysOf(seasons ?? []),
        busy: new Set(sessions?.flatMap(({ id, date: on }) => (id === plan.sessionId ? [] : [on]))),
      }),
    [plan.date, plan.sessionId, turn, everyDays, sessions, seasons],
  );
  const { date: usualDate } = proposed;
  const [chosenDate, setDate] = useState<string>();
  const date = chosenDate ?? usualDate;
  const found = useMemo(() => {
    const readText = (shorthand: string) => {
      const parsed = parseStored(shorthand, source.options);
      return parsed.ok ? parsed.session : undefined;
    };
    const next = nextPlan({
      placed,
      groups: groups.map(({ answers: _answers, ...group }) => group),
      before: { plan: day, shorthand: plan.shorthand },
      read: readText,
      newId: ulid,
    });
    const advised = answers.flatMap(({ athleteId, advice }) =>
      advice && takesAdvice.has(athleteId) ? [[athleteId, advice] as const] : [],
    );
    const out = answers.flatMap(({ athleteId, waits }) => (waits === 'well' && !choices[athleteId] ? [athleteId] : []));
    return next && withoutThose(withOwnAdvice(next, placed, new Map(advised), readText), out);
  }, [placed, groups, day, plan.shorthand, source, answers, takesAdvice, choices]);
  return {
    session,
    progression,
    answers,
    groups,
    choiceOf: shownChoiceOf,
    choose,
    what,
    setWhat,
    whats,
    steps,
    stepsOf,
    stuck,
    date,
    setDate,
    whyDate: date === usualDate ? whyText(proposed) : undefined,
    takesAdvice,
    toggleAdvice,
    placed,
    plan: found,
  };
}
