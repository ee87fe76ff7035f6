import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import type { ReviewCell } from '@core/review/cell';
import { decisionsOf, differencesOf } from '@core/review/differences';
import { hadNothingLeft } from '@core/judgement/care';
import { isUnsound, type AthleteFacts, type SessionFacts } from '@core/judgement/facts';
import { findingsOf, type Finding, type FindingKind } from '@core/judgement/findings';
import { leverAsked, leverFor, mayBlameLever } from '@core/judgement/lever';
import { readEffort, type EffortReading } from '@core/review/effortReading';
import { habitsOf, openingOf } from '@core/review/habits';
import type { Review, ReviewRow } from '@core/review/review';
import { repLabel } from '@core/run/plan';
import { formatDelta, formatTime } from '@core/units/time';
import { schoolsOf, type PulseBand } from '@core/squad/schools';
import { memberOf, useSquad } from '../data/useSquad';
import { capitalised } from '@core/units/capitalised';
import { dayName } from '../ui/days';
import { Delta } from '../ui/Delta';
import { EffortPicker } from '../ui/EffortPicker';
import { Empty } from '../ui/Empty';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextButton } from '../ui/TextButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { AthleteFitness } from './AthleteFitness';
import { CameTo } from './CameTo';
import { EffortLines } from './EffortLines';
import { FindingAnswers } from './FindingAnswers';
import { FindingList, type Said } from './FindingList';
import { findingText } from './findingText';
import { RepSheet } from './RepSheet';
import { NoResult } from './ResultPage';
import {
  conditionsText,
  decisionText,
  differenceText,
  effortText,
  evennessWords,
  fadeText,
  habitText,
  nextTimeText,
} from './reviewText';
import { detailsText, outcomeText } from './repText';
import { Spread, spreadPoints } from './Spread';
import { Surges } from './Surges';
import { TakeOut } from './TakeOut';
import { useFacts } from './useFacts';
import { useReview, type ReadRun } from './useReview';
import { whyFinding } from './whyText';

/** `200 in 39.2 (−0.4)`: a mark on the way against the target so far, as on the board; without one against an even run, and named so. */
function Marks({ cell }: { cell: ReviewCell }) {
  const { rep, actualS, passes } = cell;
  const distanceM = rep?.distanceM;
  const onTheWay = passes.filter(({ atM }) => atM !== distanceM);
  if (onTheWay.length === 0) return null;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m }}>
      {onTheWay.map(({ atM, elapsedS, deltaS }) => {
        const evenS = distanceM === undefined || actualS === undefined ? undefined : (actualS * atM) / distanceM;
        const against =
          deltaS !== undefined
            ? ` (${formatDelta(deltaS)})`
            : evenS === undefined
              ? ''
              : ` (${formatDelta(elapsedS - evenS)} on an even run)`;
        return <Text as="small" key={atM}>{`${Math.round(atM)} in ${formatTime(elapsedS, 1)}${against}`}</Text>;
      })}
    </View>
  );
}

type RepProps = {
  cell: ReviewCell;
  label: string;
  at: number;
  pulseBand: PulseBand | undefined;
  onCorrect: (() => void) | undefined;
};

function Rep({ cell, label, at, pulseBand, onCorrect }: RepProps) {
  const details = detailsText(cell, pulseBand);
  const opening = openingOf(cell);
  const isOut = cell.excluded !== undefined;
  return (
    <View role="listitem" style={{ gap: 2, paddingVertical: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <Text as="strong" style={{ minWidth: 24 }}>
          {String(at + 1)}
        </Text>
        <View style={{ flex: 1, flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.s }}>
          <Text quiet>{label}</Text>
          <Text as="strong" quiet={isOut} {...(isOut ? { style: { textDecorationLine: 'line-through' } } : {})}>
            {outcomeText(cell)}
          </Text>
          {cell.deltaS !== undefined && cell.verdict && !isOut && (
            <Delta deltaS={cell.deltaS} verdict={cell.verdict} size="medium" />
          )}
        </View>
        {onCorrect && (
          <TextButton label={`Correct rep ${at + 1}`} onPress={onCorrect}>
            Correct
          </TextButton>
        )}
      </View>
      <View style={{ paddingLeft: 24 + SPACE.s, gap: 2 }}>
        {opening && <Marks cell={cell} />}
        {details !== '' && <Text as="small">{details}</Text>}
      </View>
      <Divider />
    </View>
  );
}

/** The session as a whole: findings first, then evenness, habits, effort and advice for next time. */
function useInWords({ read, row, review }: { read: ReadRun; row: ReviewRow; review: Review }) {
  const { squad } = useSquad();
  const { facts, isSettled } = useFacts(read);
  const own = facts.athletes.find(({ athleteId }) => athleteId === row.athleteId);
  const reading = useMemo(
    () => (own?.effort.points.length ? own.effort : readEffort(row.cells, facts.arc, own?.curve, own?.telling)),
    [own, row.cells, facts.arc],
  );
  const lever = useMemo(() => {
    const asked = own && leverAsked(own, facts);
    return asked && leverFor(asked);
  }, [own, facts]);
  const ownFacts = useMemo(() => ({ ...facts, athletes: own ? [own] : [] }), [facts, own]);
  const { findings } = useMemo(() => findingsOf(ownFacts), [ownFacts]);
  const differences = differencesOf({ ...review, rows: [row] }, read.state.endedAtMs !== undefined);
  const said: Said[] = [
    ...findings.map((finding): Said => ({
      text: findingText(finding),
      why: () => whyFinding(finding, facts, squad?.settings.heat).filter(({ href }) => href === undefined),
      ...(squad ? { answers: <FindingAnswers read={read} squad={squad} finding={finding} /> } : {}),
    })),
    ...restTexts({ own, row, reading, session: facts, findings }).map((text) => ({ text })),
    ...(lever ? [{ text: nextTimeText([lever]) }] : []),
    ...differences.map((difference) => ({ text: `${capitalised(differenceText(difference))}.` })),
    ...decisionsOf(read.state, row.athleteId).map((decision) => ({ text: decisionText(decision) })),
  ];
  return { reading, said: isSettled ? said : undefined };
}

/** Findings about effort: words on it beside them would repeat or contradict them. */
const OF_EFFORT: readonly FindingKind[] = ['creeping', 'spent', 'harder', 'easier'];

type Beside = {
  own: AthleteFacts | undefined;
  row: ReviewRow;
  reading: EffortReading;
  session: SessionFacts;
  findings: readonly Finding[];
};

/** Evenness, habits and effort, as far as no finding has mentioned them. */
function restTexts({ own, row, reading, session, findings }: Beside): string[] {
  const isSaid = (kinds: readonly FindingKind[]) => findings.some(({ kind }) => kinds.includes(kind));
  const { pace, end } = own ?? {};
  const mayFade = pace?.verdict === 'on' && !isSaid(['faded']);
  const maySayEffort =
    own &&
    end &&
    !isUnsound(own) &&
    !isSaid(OF_EFFORT) &&
    !pace?.verdict.startsWith('early') &&
    // Nothing left is never as meant.
    !(reading.verdict === 'as-meant' && hadNothingLeft(end.told, end.meant));
  return [
    evennessWords(row.evenness),
    mayFade ? fadeText(row.evenness) : undefined,
    ...habitsOf(row.cells).map(habitText),
    maySayEffort ? effortText(reading, mayBlameLever(own, session)) : undefined,
  ].filter((text): text is string => text !== undefined && text !== '');
}

type AthleteProps = { runId: string; read: ReadRun; review: Review; row: ReviewRow };

function AthleteResult({ runId, read, review, row }: AthleteProps) {
  const [open, setOpen] = useState<number>();
  const { squad } = useSquad();
  const { plan } = read;
  const athlete = squad && memberOf(squad, row.athleteId);
  const { reading, said } = useInWords({ read, row, review });
  const pulseBand = plan.intent && schoolsOf(squad?.settings ?? {}).pulseByIntent?.[plan.intent];
  const conditions = conditionsText(read.state.conditions);
  const mates = review.rows.map(({ athleteId }) => athleteId);
  const here = mates.indexOf(row.athleteId);
  const goTo = (step: number) => {
    const next = mates[(here + step + mates.length) % mates.length];
    if (next !== undefined) router.replace(`/results/${runId}/${next}`);
  };
  return (
    <Page
      title={row.name}
      subtitle={`${plan.title} · ${dayName(plan.date)}`}
      onBack={() => router.replace(`/results/${runId}`)}
      backLabel="Back to the session"
    >
      {conditions !== undefined && <Text as="small">{`${conditions}.`}</Text>}
      {said?.length !== 0 && <FindingList said={said} />}
      {reading.points.some(({ predicted, reported }) => (predicted ?? reported) !== undefined) && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="heading" level={2}>
            Effort
          </Text>
          <EffortLines name={row.name} reading={reading} />
        </View>
      )}
      <CameTo cells={row.cells} />
      <AthleteFitness read={read} row={row} effort={reading} />
      {spreadPoints({ ...review, rows: [row] }).length > 0 && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="heading" level={2}>
            Against the target
          </Text>
          <Spread review={{ ...review, rows: [row] }} highlightId={row.athleteId} />
        </View>
      )}
      {review.surges.length > 0 && <Surges review={review} />}
      <View role="list" aria-label="Rep by rep">
        {row.cells.map((cell, at) =>
          cell.leftOut && !cell.rep ? null : (
            <Rep
              key={cell.repIndex}
              cell={cell}
              at={at}
              label={repLabel(cell.rep ?? review.columns[at]?.rep ?? {})}
              pulseBand={pulseBand}
              onCorrect={cell.rep ? () => setOpen(at) : undefined}
            />
          ),
        )}
      </View>
      <View style={{ gap: SPACE.s }}>
        <Text as="heading" level={2}>
          The whole session
        </Text>
        <EffortPicker
          label={`How hard was the whole session for ${row.name}, 1 to 10?`}
          value={row.sessionEffort}
          onPick={(effort) => read.correct({ type: 'sessionFelt', athleteId: row.athleteId, effort })}
        />
      </View>
      <View style={{ flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' }}>
        <PrimaryButton onPress={() => router.push(`/results/${runId}/same?athlete=${row.athleteId}`)}>
          The same over the weeks
        </PrimaryButton>
        {athlete && (
          <PrimaryButton onPress={() => router.push(`/squad/${athlete.id}?side=sessions`)}>
            All their sessions
          </PrimaryButton>
        )}
      </View>
      {mates.length > 1 && (
        <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
          <PrimaryButton onPress={() => goTo(-1)}>Previous athlete</PrimaryButton>
          <PrimaryButton onPress={() => goTo(1)}>Next athlete</PrimaryButton>
        </View>
      )}
      <TakeOut
        read={read}
        reviews={[{ ...review, rows: [row] }]}
        title={row.name}
        subtitle={`${plan.title} · ${dayName(plan.date)}`}
        texts={(said ?? []).map(({ text }) => text)}
        athleteId={row.athleteId}
      />
      {open !== undefined && <RepSheet read={read} row={row} at={open} close={() => setOpen(undefined)} />}
    </Page>
  );
}

/** One athlete in one session, rep by rep. */
export function AthleteResultPage({ runId, athleteId }: { runId: string; athleteId: string }) {
  const { read, error, retry } = useReview(runId);
  if (!read) return <NoResult error={error} retry={retry} />;
  for (const review of read.reviews) {
    const row = review.rows.find((row) => row.athleteId === athleteId);
    if (row) return <AthleteResult key={athleteId} runId={runId} read={read} review={review} row={row} />;
  }
  const back = () => router.replace(`/results/${runId}`);
  return (
    <Page title={read.plan.title} onBack={back} backLabel="Back to the session">
      <Empty title="Not in this session" action={{ label: 'Go to the session', onPress: back }}>
        This athlete did not run in it, or was erased.
      </Empty>
    </Page>
  );
}
