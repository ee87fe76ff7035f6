import { counted } from '@core/units/counted';
import { format } from 'date-fns/format';
import { router } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { SegmentedButtons } from 'react-native-paper';
import type { SessionFacts } from '@core/judgement/facts';
import { findingsOf, type Findings } from '@core/judgement/findings';
import { squadLever } from '@core/judgement/lever';
import { decisionsOf, differencesOf } from '@core/review/differences';
import type { Review } from '@core/review/review';
import type { RunState } from '@core/run/runState';
import { showsStanding } from '@core/session/intent';
import { listed } from '@core/units/listed';
import { troubleText, useRestoreRunMutation, useSetRunAsideMutation } from '../store/api';
import { settings } from '../store/settings';
import { useAppDispatch } from '../store/store';
import { dayName } from '../ui/days';
import { VerdictMark } from '../ui/Delta';
import { EffortRows } from '../ui/EffortRows';
import { Empty } from '../ui/Empty';
import { Later } from '../ui/Later';
import { Loading } from '../ui/Loading';
import { ModalSheet } from '../ui/ModalSheet';
import { useNotice } from '../ui/Notices';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { useSquad, type SquadView } from '../data/useSquad';
import { AfterwardsList } from './AfterwardsList';
import { FindingAnswers } from './FindingAnswers';
import { FindingList, type Said } from './FindingList';
import { findingText, findingTexts, handedOn } from './findingText';
import { HopedFor } from './HopedFor';
import { useReady } from './next/useReady';
import { useTurns } from './next/useTurns';
import { useStoredLibrary } from '../data/useLibrary';
import { openText, useLastRunMetres } from './openEnded';
import { RepSheet } from './RepSheet';
import { ResultTable } from './ResultTable';
import { conditionsText, decisionText, differenceText, evennessWords, fadeText, nextTimeText } from './reviewText';
import { Spread, spreadPoints } from './Spread';
import { SquadFitness } from './SquadFitness';
import { Surges } from './Surges';
import { TakeOut } from './TakeOut';
import { useReview, type ReadRun } from './useReview';
import { useFacts } from './useFacts';
import { whyFinding } from './whyText';
import { WhatIs } from '../parts/WhatIs';

/** A coach with a few seconds reads no more. */
const MOST_SAID = 3;

const backToList = () => router.replace('/results');

function Legend() {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.l, flexWrap: 'wrap' }}>
      {(['early', 'on', 'late'] as const).map((verdict) => (
        <View key={verdict} style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <VerdictMark verdict={verdict} color={palette[verdict]} />
          <Text as="small" color={palette[verdict]}>
            {verdict === 'on' ? 'on: within tolerance' : verdict}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** The athlete who is brought out: in a sentence, and the way to all about them. */
function BroughtOut({ runId, review, athleteId }: { runId: string; review: Review; athleteId: string | undefined }) {
  const row = review.rows.find((candidate) => candidate.athleteId === athleteId);
  if (!row)
    return (
      <Text as="small" quiet>
        Press a mark or a name to bring out one athlete.
      </Text>
    );
  const text = [evennessWords(row.evenness), fadeText(row.evenness)].filter(Boolean).join(' ');
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
      <View style={{ flex: 1 }} role="status">
        <Text as="strong">{row.name}</Text>
        {text !== '' && <Text as="small">{text}</Text>}
      </View>
      <PrimaryButton
        label={`${row.name}, rep by rep`}
        onPress={() => router.push(`/results/${runId}/${row.athleteId}`)}
      >
        Rep by rep
      </PrimaryButton>
    </View>
  );
}

/** Where it went another way than planned, athlete by athlete, and what was decided on the way. */
function WhatChanged({ read, review }: { read: ReadRun; review: Review }) {
  const byName = new Map<string, string[]>();
  for (const difference of differencesOf(review, read.state.endedAtMs !== undefined))
    byName.set(difference.name, [...(byName.get(difference.name) ?? []), differenceText(difference)]);
  const ids = new Set(review.rows.map(({ athleteId }) => athleteId));
  const decisions = decisionsOf(read.state).filter(({ athleteIds }) => athleteIds.some((id) => ids.has(id)));
  if (byName.size + decisions.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        Other than planned
      </Text>
      <View role="list" style={{ gap: 2 }}>
        {[...byName].map(([name, texts]) => (
          <View role="listitem" key={name}>
            <Text>{`${name}: ${listed(texts)}.`}</Text>
          </View>
        ))}
        {decisions.map((decision) => (
          <View role="listitem" key={decision.eventId}>
            <Text>{decisionText(decision)}</Text>
          </View>
        ))}
      </View>
    </View>
  );
}

/** When it was begun and ended: `17:45 to 18:20`; nothing where that is made up. */
function whenText({ startedAtMs, endedAtMs, isEntered }: RunState): string | undefined {
  if (startedAtMs === undefined || isEntered) return undefined;
  const at = (ms: number) => format(ms, 'HH:mm');
  return endedAtMs === undefined ? `from ${at(startedAtMs)}` : `${at(startedAtMs)} to ${at(endedAtMs)}`;
}

/** Removes the session from the results; it can be brought back from the notice, and from the list. */
function useRemove(runId: string, title: string): () => void {
  const [setAside] = useSetRunAsideMutation();
  const [restore] = useRestoreRunMutation();
  const notice = useNotice();
  return () =>
    void setAside(runId).then(({ error }) => {
      if (error) return notice({ text: troubleText(error) });
      backToList();
      return notice({ text: `“${title}” is removed.`, undo: () => restore(runId) });
    });
}

/** Once it is opened, a session that has ended is no longer to be read. */
function useRead(runId: string, isOver: boolean): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (isOver) dispatch(settings.actions.runRead(runId));
  }, [dispatch, runId, isOver]);
}

/** Findings as sentences, each with its chain and its answers; a single sentence if there are no findings. */
function saidOf(read: ReadRun, facts: SessionFacts, findings: Findings, squad: SquadView | undefined): Said[] {
  const sentences = findings.findings.map((finding): Said => ({
    text: findingText(finding),
    why: () => whyFinding(finding, facts, squad?.settings.heat),
    ...(squad ? { answers: <FindingAnswers read={read} squad={squad} finding={finding} /> } : {}),
  }));
  const others = findingTexts(findings).slice(sentences.length);
  return [...sentences, ...others.map((text) => ({ text }))];
}

/** `10 reps`, of groups that ran differently `10 and 8 reps`. */
function repsText(reviews: ReadRun['reviews']): string {
  const counts = reviews.map(({ columns }) => columns.length);
  return [...counts.slice(0, -1), counted(counts.at(-1) ?? 0, 'rep')].join(' and ');
}

/** Has what the page of the next step needs worked out and fetched before it is opened. */
function AskAhead({ facts }: { facts: SessionFacts }) {
  useReady(facts);
  useTurns(facts.plan.sessionId);
  useStoredLibrary();
  return null;
}

function Result({ runId, read }: { runId: string; read: ReadRun }) {
  const { plan, state, reviews, correct } = read;
  const { squad } = useSquad();
  const { facts, isWhole, isSettled } = useFacts(read);
  const findings = useMemo(() => findingsOf(facts), [facts]);
  const lever = useMemo(() => squadLever(facts), [facts]);
  const [chosen, setChosen] = useState<string>();
  const [groupId, setGroupId] = useState<string>();
  const [open, setOpen] = useState<{ athleteId: string; at: number } | 'efforts'>();
  const remove = useRemove(runId, plan.title);
  useRead(runId, state.endedAtMs !== undefined);
  const review = reviews.find((review) => review.groupId === groupId) ?? reviews[0];
  const athletes = new Set(reviews.flatMap(({ rows }) => rows.map(({ athleteId }) => athleteId))).size;
  const isOpen = state.endedAtMs === undefined;
  const conditions = conditionsText(state.conditions);
  const openRow =
    open !== undefined && open !== 'efforts'
      ? review?.rows.find(({ athleteId }) => athleteId === open.athleteId)
      : undefined;
  const before = useLastRunMetres(read, facts.isOpenEnded);
  const came = facts.isOpenEnded ? openText(facts, before) : undefined;
  const said = [...(came === undefined ? [] : [{ text: came }]), ...saidOf(read, facts, findings, squad)].slice(
    0,
    MOST_SAID,
  );
  const nextTime = lever && nextTimeText([lever]);
  const when = whenText(state);
  const subtitle = [
    dayName(plan.date),
    ...(when === undefined ? [] : [when]),
    counted(athletes, 'athlete'),
    repsText(reviews),
    ...(isOpen ? ['still under way'] : []),
    ...(plan.isEntered ? ['typed in afterwards'] : []),
  ].join(' · ');
  return (
    <Page
      title={plan.title}
      aside={<WhatIs terms={['on target', 'evenness', 'fade', 'effort']} />}
      subtitle={subtitle}
      onBack={backToList}
      backLabel="Back to all results"
      footer={
        isOpen ? (
          <PrimaryButton main icon="track" onPress={() => router.push(`/track/run/${runId}`)}>
            Go on at the track
          </PrimaryButton>
        ) : (
          <PrimaryButton main onPress={() => router.push(`/results/${runId}/next`)}>
            {showsStanding(plan.intent) ? 'What it was worth' : 'The next step'}
          </PrimaryButton>
        )
      }
    >
      <FindingList said={isSettled ? [...said, ...(nextTime ? [{ text: nextTime }] : [])] : undefined} />
      {conditions !== undefined && <Text as="small">{`${conditions}.`}</Text>}
      {review && reviews.length > 1 && (
        <SegmentedButtons
          value={review.groupId}
          onValueChange={setGroupId}
          buttons={reviews.map(({ groupId: value, name }) => ({ value, label: name, style: { minHeight: 44 } }))}
        />
      )}
      {review && (
        <>
          {spreadPoints(review).length > 0 && (
            <View style={{ gap: SPACE.s }}>
              <Legend />
              <Spread review={review} highlightId={chosen} choose={setChosen} />
              <BroughtOut runId={runId} review={review} athleteId={chosen} />
            </View>
          )}
          <ResultTable
            review={review}
            chosen={chosen}
            choose={setChosen}
            open={(athleteId, at) => setOpen({ athleteId, at })}
          />
        </>
      )}
      <Later>
        {review && review.surges.length > 0 && <Surges review={review} />}
        {review && !isOpen && <HopedFor review={review} meantLast={plan.arc?.last} />}
        {review && <WhatChanged read={read} review={review} />}
        {!isOpen && <SquadFitness read={read} />}
        {!isOpen && isWhole && !showsStanding(plan.intent) && <AskAhead facts={facts} />}
        <AfterwardsList read={read} />
        {findings.finished > 0 && (
          <TakeOut
            read={read}
            reviews={reviews}
            title={plan.title}
            subtitle={subtitle}
            texts={findingTexts(handedOn(findings))}
          />
        )}
        {!isOpen && (
          <View style={{ flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' }}>
            <PrimaryButton onPress={() => router.push(`/results/${runId}/same`)}>The same over the weeks</PrimaryButton>
            <PrimaryButton onPress={() => setOpen('efforts')}>How hard was it?</PrimaryButton>
            <PrimaryButton icon="remove" onPress={remove}>
              Remove
            </PrimaryButton>
          </View>
        )}
      </Later>
      {open === 'efforts' && (
        <ModalSheet title="How hard was the whole session?" close={() => setOpen(undefined)}>
          <EffortRows
            rows={reviews.flatMap(({ rows }) => rows)}
            onChange={(athleteId, effort) => correct({ type: 'sessionFelt', athleteId, effort })}
          />
        </ModalSheet>
      )}
      {open !== undefined && open !== 'efforts' && openRow && (
        <RepSheet read={read} row={openRow} at={open.at} close={() => setOpen(undefined)} />
      )}
    </Page>
  );
}

/** What was run, for the squad: what matters, the spread, and athlete by athlete rep by rep. */
export function ResultPage({ runId }: { runId: string }) {
  const { read, error, retry } = useReview(runId);
  if (read) return <Result runId={runId} read={read} />;
  return <NoResult error={error} retry={retry} />;
}

/** While a session is read, or where it cannot be. */
export function NoResult({ error, retry }: { error: unknown; retry: () => void }) {
  const isMissing = typeof error === 'object' && error !== null && 'status' in error && error.status === 404;
  return (
    <Page title="Results" onBack={backToList} backLabel="Back to all results">
      {!error ? (
        <Loading />
      ) : isMissing ? (
        <Empty title="No such results" action={{ label: 'Go to all results', onPress: backToList }}>
          Nothing has been run at this address.
        </Empty>
      ) : (
        <Trouble retry={retry}>{troubleText(error)}</Trouble>
      )}
    </Page>
  );
}
