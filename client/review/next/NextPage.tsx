import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { SessionFacts } from '@core/judgement/facts';
import type { ReadyAnswer } from '@core/judgement/nextReady';
import type { NextPlan } from '@core/planning/nextPlan';
import { itemAt } from '@core/session/edit';
import { showsStanding } from '@core/session/intent';
import type { ItemSetting } from '@core/session/itemSetting';
import { listed } from '@core/units/listed';
import { LEVER_WORDS } from '@core/library/leverWords';
import { NoResult } from '../ResultPage';
import { useReview, type ReadRun } from '../useReview';
import { useStoredLibrary, type StoredLibraryView } from '../../data/useLibrary';
import { memberOf, useSquad, type SquadView } from '../../data/useSquad';
import { troubleText, useSessionsOnQuery } from '../../store/api';
import { dayInText, dayName } from '../../ui/days';
import { Empty } from '../../ui/Empty';
import { Later } from '../../ui/Later';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { TextButton } from '../../ui/TextButton';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Trouble } from '../../ui/Trouble';
import { TwoColumns } from '../../ui/TwoColumns';
import { WhenField } from '../../ui/WhenField';
import { Text } from '../../ui/Text';
import { useFacts } from '../useFacts';
import { DayAfter } from './DayAfter';
import { MarksPage } from './MarksPage';
import { treeOf } from './nextChoices';
import { ownText } from './nextText';
import { ReadyRows } from './ReadyRows';
import { SeasonThread } from './SeasonThread';
import { useNext, type Next } from './useNext';
import { useReady } from './useReady';
import { useTurns } from './useTurns';
import { useWriteNext } from './useWriteNext';
import { mainOf, WhatChanges } from './WhatChanges';
import { WhatIs } from '../../parts/WhatIs';

/** Differences within a group, like ones together: `Kit and Gus stop after 5.` */
function ownChangesOf({ plan, shorthand }: NextPlan, placed: Next['placed']): string[] {
  const labels = new Map(placed.map(({ athleteId, label }) => [athleteId, label]));
  const base = treeOf(shorthand, {});
  const kinds = new Map<string, { names: string[]; set: ItemSetting; n: number }>();
  for (const change of plan.changes ?? []) {
    const { whom, set } = change;
    if (whom.kind !== 'athlete' || !('path' in change) || set.kind === 'aim') continue;
    const key = JSON.stringify([change.path, set]);
    const count = base && itemAt(base, change.path)?.count;
    const kind = kinds.get(key) ?? { names: [], set, n: count?.kind === 'fixed' ? count.n : 0 };
    kind.names.push(labels.get(whom.athleteId) ?? 'Somebody');
    kinds.set(key, kind);
  }
  const out = Object.entries(plan.care ?? {}).flatMap(([id, choice]) =>
    choice === 'out' ? [labels.get(id) ?? 'Somebody'] : [],
  );
  return [
    ...[...kinds.values()].map(({ names, set, n }) => ownText(names, set, n)),
    ...(out.length > 0 ? [`${listed(out)} ${out.length === 1 ? 'leaves' : 'leave'} out until well.`] : []),
  ];
}

/** What everyone runs by these choices: most of them first, then each group that has something of its own. */
function WhatIsRun({ next, paceNames }: { next: Next; paceNames: readonly string[] }) {
  const { plan, placed } = next;
  if (!plan) return null;
  const ownGroups = (plan.plan.groups ?? []).filter(({ version }) => version !== undefined);
  const most = placed.filter(({ shorthand }) => shorthand === plan.shorthand).length;
  const all = placed.length === 1 ? 'The one who ran it' : placed.length === 2 ? 'Both' : `All ${placed.length}`;
  const own = ownChangesOf(plan, placed);
  return (
    <View role="region" aria-label="What is run" style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        What is run then
      </Text>
      <Text>
        {`${most === placed.length ? all : `${most} of ${placed.length}`}: ${mainOf(plan.shorthand, paceNames)}`}
      </Text>
      {own.map((text) => (
        <Text key={text}>{text}</Text>
      ))}
      {ownGroups.map(({ id, name, athleteIds, version = '' }) => (
        <Text key={id}>{`${name} (${athleteIds.length}): ${mainOf(version, paceNames)}`}</Text>
      ))}
    </View>
  );
}

/** Where it was written into already, with the way there. */
function WrittenAlready({ read }: { read: ReadRun }) {
  const { data: sessions = [] } = useSessionsOnQuery({ from: read.plan.date });
  const ids = new Set(Object.values(read.state.athletes).flatMap(({ nextStep }) => nextStep?.sessionId ?? []));
  const written = sessions.filter(({ id }) => ids.has(id));
  return (
    <>
      {written.map(({ id, title, date }) => (
        <View key={id} style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
          <Text live="polite" style={{ flexGrow: 1, flexShrink: 1 }}>
            {`Written already: “${title}” for ${dayInText(date)}.`}
          </Text>
          <TextButton onPress={() => router.push(`/sessions/plan/${id}`)}>Open it</TextButton>
        </View>
      ))}
    </>
  );
}

type Props = {
  read: ReadRun;
  facts: SessionFacts;
  library: StoredLibraryView;
  squad: SquadView;
  answers: readonly ReadyAnswer[];
};

function Ready({ read, facts, library, squad, answers }: Props) {
  const turns = useTurns(read.plan.sessionId);
  const turn = turns.find((turn) => turn.next !== undefined)?.next;
  const next = useNext(read, facts, answers, { library, squad, turn });
  const { isWriting, trouble, write } = useWriteNext(read, next, { library, turns });
  const [keeps, setKeeps] = useState(false);
  const { plan, state } = read;
  const { paceNames } = squad;
  const nameOf = useMemo(
    () => (athleteId: string) => state.athletes[athleteId]?.name ?? memberOf(squad, athleteId)?.name ?? 'Athlete',
    [state, squad],
  );
  const { date, what } = next;
  const lever = what === 'progression' || what === 'efforts' ? undefined : what;
  const begins = keeps && !next.progression && lever;
  const there = answers.filter(({ isAbsent }) => !isAbsent);
  const choices = (
    <View style={{ gap: SPACE.l }}>
      <WhatChanges next={next} paceNames={paceNames} nameOf={nameOf} />
      {!next.progression && lever && (
        <TickRow
          label={`Make a progression of it: ${LEVER_WORDS[lever].toLowerCase()}`}
          checked={keeps}
          onChange={setKeeps}
        />
      )}
      <WhatIsRun next={next} paceNames={paceNames} />
      <WhenField
        type="date"
        label="Day"
        value={date}
        onChange={next.setDate}
        error={date === '' ? 'Choose a day.' : undefined}
      />
      {next.whyDate !== undefined && <Text as="small" quiet>{`${dayName(date)}: ${next.whyDate}.`}</Text>}
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <SeasonThread turns={turns} next={next} />
    </View>
  );
  const rowsOf = (groups: typeof next.groups) =>
    groups.map((group) => <ReadyRows key={group.id} {...{ read, facts, squad, group, next, nameOf }} />);
  const rows = (
    <View style={{ gap: SPACE.l }}>
      <DayAfter read={read} athletes={there.map(({ athleteId }) => ({ athleteId, name: nameOf(athleteId) }))} />
      {rowsOf(next.groups.slice(0, 1))}
      <Later>{rowsOf(next.groups.slice(1))}</Later>
      <Text as="label" quiet>
        Worked out from times, rests, efforts and everyone’s own races, for you to judge. Pain, illness or poor sleep go
        before any of it.
      </Text>
    </View>
  );
  return (
    <Page
      title="The next step"
      aside={<WhatIs terms={['readiness', 'step', 'thread']} />}
      subtitle={`after ${plan.title} · ${dayName(plan.date)}`}
      onBack={() => router.replace(`/results/${plan.id}`)}
      backLabel="Back to the session"
      footer={
        <PrimaryButton
          main
          disabled={date === '' || isWriting || !next.plan}
          onPress={() =>
            next.plan &&
            void write(
              next.plan,
              begins ? { lever: begins, name: `${plan.title}: ${LEVER_WORDS[begins].toLowerCase()}` } : undefined,
            )
          }
        >
          {date === '' ? 'Write it' : `Write it for ${dayInText(date)}`}
        </PrimaryButton>
      }
    >
      <WrittenAlready read={read} />
      <TwoColumns left={rows} right={choices} />
    </Page>
  );
}

/** Once all of it is there; who is ready is worked out while the library is fetched. */
function ReadyOf({ read }: { read: ReadRun }) {
  const { facts, isWhole } = useFacts(read);
  const hasStep = !showsStanding(read.plan.intent);
  const answers = useReady(isWhole && hasStep ? facts : undefined);
  const { library, error, retry } = useStoredLibrary();
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  const back = () => router.replace(`/results/${read.plan.id}`);
  if (!hasStep && squad && isWhole) return <MarksPage {...{ read, facts, squad }} />;
  if (library && squad && answers && answers.length > 0) return <Ready {...{ read, facts, library, squad, answers }} />;
  const failed = (library ? undefined : error) ?? squadError;
  const again = () => {
    retry();
    retrySquad();
  };
  return (
    <Page title="The next step" onBack={back} backLabel="Back to the session">
      {failed ? (
        <Trouble retry={again}>{troubleText(failed)}</Trouble>
      ) : answers?.length === 0 ? (
        <Empty title="Nobody to go on with" action={{ label: 'Go to the session', onPress: back }}>
          Nobody of the squad was in this session.
        </Empty>
      ) : (
        <Loading />
      )}
    </Page>
  );
}

/** Move on: who is ready, what changes, and the next session written for its day. */
export function NextPage({ runId }: { runId: string }) {
  const { read, error, retry } = useReview(runId);
  if (!read) return <NoResult error={error} retry={retry} />;
  if (read.state.endedAtMs === undefined)
    return (
      <Page title="The next step" onBack={() => router.replace(`/results/${runId}`)} backLabel="Back to the session">
        <Empty
          title="Still under way"
          action={{ label: 'Go to the session', onPress: () => router.replace(`/results/${runId}`) }}
        >
          The next step is for when the session has ended.
        </Empty>
      </Page>
    );
  return <ReadyOf read={read} />;
}
