import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { runFor } from '@core/season/dayView';
import { daysOf, type SeasonPlan, type SeasonWeek, type Thread } from '@core/season/season';
import { sessionOfDay } from '@core/season/threads/threadSession';
import { mainLine } from '@core/season/weekText';
import { intentOfText } from '@core/advice/suggestIntent';
import { THREAD_STEPS, THREAD_STEP_WORDS } from '../data/threadSteps';
import type { LaidSeason } from '../data/useSeasons';
import { squadPaceBookOf } from '../data/useSquad';
import { dayInText } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Segments } from '../ui/Segments';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { TextButton } from '../ui/TextButton';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { ThreadForm } from './ThreadForm';
import { ThreadLine, type Knot } from './ThreadLine';
import type { SeasonEdit } from '../data/useSeasonEdit';
import type { SeasonData } from './useSeasonData';
import { TermHeading } from '../parts/TermHeading';

/** The turns of a thread, the next one marked. */
export function knotsOf(
  { id }: Thread,
  weeks: readonly SeasonWeek[],
  today: string,
  runDates: ReadonlySet<string>,
): Knot[] {
  let isNextFound = false;
  let before: number | undefined;
  return daysOf(weeks).flatMap(({ date, kind, thread, missed }): Knot[] => {
    if (kind !== 'hard' || thread?.id !== id) return [];
    const isOver = date < today || (date === today && runDates.has(date));
    const isNext = !isOver && !isNextFound;
    if (isNext) isNextFound = true;
    const isHeld = before !== undefined && thread.step <= before;
    before = thread.step;
    const state = missed ? 'missed' : isOver ? 'run' : isNext ? 'next' : 'coming';
    return [{ date, step: thread.step, state, isHeld }];
  });
}

function decidedAfter({ decisions }: SeasonPlan, threadId: string, from: string, until: string | undefined) {
  return decisions
    .filter(
      (decision) =>
        decision.threadId === threadId && decision.date >= from && (until === undefined || decision.date < until),
    )
    .at(-1);
}

type RowProps = { thread: Thread; laid: LaidSeason; data: SeasonData; edit: SeasonEdit; onChange: () => void };

function ThreadRow({ thread, laid, data, edit, onChange }: RowProps) {
  const palette = usePalette();
  const { season, weeks } = laid;
  const { today, runDates, library } = data;
  const knots = useMemo(() => knotsOf(thread, weeks, today, runDates), [thread, weeks, today, runDates]);
  const last = knots.filter(({ state }) => state === 'run').at(-1);
  const next = knots.find(({ state }) => state === 'next');
  const textOf = (knot: Knot) => {
    const session = sessionOfDay(season, { kind: 'hard', thread: { id: thread.id, step: knot.step } }, library);
    return session?.kind === 'session' ? mainLine(session.shorthand) : (session?.text ?? '');
  };
  const lastId = last && daysOf(weeks).find(({ date }) => date === last.date)?.sessionId;
  const lastRun = lastId === undefined ? undefined : runFor(data.runs, lastId);
  const decided = last && decidedAfter(season, thread.id, last.date, next?.date);
  const usual = thread.isByReadiness ? 'repeat' : 'on';
  return (
    <View style={{ gap: SPACE.xs, paddingBottom: SPACE.s, borderBottomWidth: 1, borderBottomColor: palette.line }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <Text as="strong" style={{ flex: 1 }}>
          {thread.name}
        </Text>
        <SmallButton label={`Change ${thread.name}`} onPress={onChange}>
          Change
        </SmallButton>
      </View>
      <ThreadLine
        knots={knots}
        label={`${thread.name}: ${knots.filter(({ state }) => state === 'run').length} of ${knots.length} turns run`}
      />
      {next && <Text as="small">{`Next, ${dayInText(next.date)}: ${textOf(next)}`}</Text>}
      {last && next && (
        <View style={{ gap: 4 }}>
          <Text as="small" quiet>
            {`After ${dayInText(last.date)} (${textOf(last)}):`}
          </Text>
          <Segments
            who={thread.name}
            values={THREAD_STEPS}
            words={THREAD_STEP_WORDS}
            value={decided?.step ?? usual}
            onChange={(step) =>
              void edit.apply(
                { kind: 'decide', decision: { threadId: thread.id, date: last.date, step } },
                `${thread.name}: ${THREAD_STEP_WORDS[step].toLowerCase()}.`,
              )
            }
          />
          {lastRun && (
            <TextButton onPress={() => router.push(`/results/${lastRun.id}/next`)}>What the results say</TextButton>
          )}
        </View>
      )}
    </View>
  );
}

/** The threads of a season with where they stand, what is next, and the coach's word on it. */
export function SeasonThreads({ laid, data, edit }: Omit<RowProps, 'thread' | 'onChange'>) {
  const { season } = laid;
  const [open, setOpen] = useState<Thread | 'new'>();
  const { library, squad } = data;
  const naming = { paceNames: squad.paceNames, paceBook: squadPaceBookOf(squad) };
  const inUse = new Set(laid.weeks.flatMap((week) => week.days.flatMap(({ thread }) => thread?.id ?? [])));
  const withTurn = season.threads.filter(({ id }) => inUse.has(id));
  const idle = season.threads.filter(({ id }) => !inUse.has(id));
  const knownIds = new Set(season.threads.flatMap(({ progressionId, libraryId }) => progressionId ?? libraryId ?? []));
  const options = [
    { value: '', text: 'Choose one' },
    ...library.progressions
      .filter(({ id }) => !knownIds.has(id))
      .map(({ id, name }) => ({ value: `progression ${id}`, text: `Progression: ${name}` })),
    ...library.sessions
      .filter(({ id, archived }) => !knownIds.has(id) && !archived)
      .map(({ id, title }) => ({ value: `session ${id}`, text: title })),
  ];
  const putThread = (thread: Thread, noticeText: string) => void edit.apply({ kind: 'putThread', thread }, noticeText);
  const changing = open === 'new' ? undefined : open;
  const add = (value: string) => {
    const [kind, id = ''] = value.split(' ');
    const progression = library.progressions.find((progression) => progression.id === id);
    const session = library.sessions.find((session) => session.id === (progression?.stepIds[0] ?? id));
    if (!session) return;
    const thread: Thread = {
      id,
      name: progression?.name ?? session.title,
      intent: session.intent ?? intentOfText(session.shorthand, naming),
      stages: [],
      chain: progression?.chain ?? [{ lever: progression?.lever ?? 'more' }],
      spacingDays: Math.min(100, progression?.everyDays ?? 14),
      ...(kind === 'progression' ? { progressionId: id } : { libraryId: id }),
    };
    putThread(thread, `${thread.name} is a thread of the season. Give it a turn below.`);
  };
  return (
    <View role="region" aria-label="Threads" style={{ gap: SPACE.m }}>
      <TermHeading terms={['thread', 'lever', 'turn']}>Threads</TermHeading>
      <Text as="small" quiet>
        Families of sessions that grow: filled knots were run, the lime one is next, two bars say that it waits at its
        step.
      </Text>
      {withTurn.map((thread) => (
        <ThreadRow
          key={thread.id}
          thread={thread}
          laid={laid}
          data={data}
          edit={edit}
          onChange={() => setOpen(thread)}
        />
      ))}
      {idle.length > 0 && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="strong">Without a turn as it is laid out</Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {idle.map((thread) => (
              <SmallButton key={thread.id} label={`Change ${thread.name}`} onPress={() => setOpen(thread)}>
                {thread.name}
              </SmallButton>
            ))}
          </View>
        </View>
      )}
      <Select label="A thread from the library" value="" options={options} onChange={add} />
      <View style={{ flexDirection: 'row' }}>
        <PrimaryButton icon="plus" onPress={() => setOpen('new')}>
          Write a new thread
        </PrimaryButton>
      </View>
      {open && (
        <ThreadForm
          {...(changing ? { thread: changing } : {})}
          newId={ulid()}
          naming={naming}
          save={(thread) => {
            setOpen(undefined);
            putThread(
              thread,
              changing
                ? `${thread.name} is changed.`
                : `${thread.name} is a thread of the season. Give it a turn below.`,
            );
          }}
          {...(changing
            ? {
                remove: () => {
                  setOpen(undefined);
                  void edit.apply(
                    { kind: 'removeThread', threadId: changing.id },
                    `${changing.name} is out of the season. What was written stays.`,
                  );
                },
              }
            : {})}
          close={() => setOpen(undefined)}
        />
      )}
    </View>
  );
}
