import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { SessionFacts } from '@core/judgement/facts';
import { trialTable, type GoalVerdict, type TrialRow } from '@core/judgement/trialTable';
import type { Mark } from '@core/fitness/mark';
import type { Goal } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { counted } from '@core/units/counted';
import { formatDelta, formatMarkTime, formatTime } from '@core/units/time';
import { memberOf, type SquadView } from '../../data/useSquad';
import { useSquadChange } from '../../data/useSquadChange';
import { WhatIs } from '../../parts/WhatIs';
import { dayName } from '../../ui/days';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Table, type TableColumn } from '../../ui/Table';
import { Trouble } from '../../ui/Trouble';
import { Text } from '../../ui/Text';
import { KeepMark } from '../KeepMark';
import { TwoLines } from '../TwoLines';
import { useSquadFitness } from '../useFitness';
import { knownCurve } from '../useFacts';
import type { ReadRun } from '../useReview';
import { DayAfter } from './DayAfter';

const COLUMNS: TableColumn[] = [
  { key: 'ran', title: 'Ran', under: 'by the marks', width: 104 },
  { key: 'worth', title: 'Worth', under: 'over 5k', width: 84 },
  { key: 'goal', title: 'Goal', width: 124 },
  { key: 'verdict', title: 'So', width: 116 },
];

function verdictText(verdict: GoalVerdict | undefined): string {
  switch (verdict?.kind) {
    case undefined:
      return '–';
    case 'there':
      return 'there';
    case 'unclear':
      return 'too early to say';
    case 'short':
      return `${Math.max(1, Math.round(verdict.sPerKm))} s a km short`;
  }
}

const errorText = (s: number) => `± ${Math.max(1, Math.round(s))} s`;

/** `1500, now 4:27.2`. For a 5k goal the Worth column has the time. */
const goalText = ({ distanceM }: Goal, nowS: number | undefined) =>
  nowS === undefined ? formatDistance(distanceM) : `${formatDistance(distanceM)}, now ${formatMarkTime(nowS)}`;

/** `9:20.0: −3.2`; without marks `over 3000`. */
function expectedText({
  distanceM,
  expectedS,
  ranS,
}: { [K in 'distanceM' | 'expectedS' | 'ranS']: TrialRow[K] | undefined }) {
  if (expectedS === undefined) return distanceM === undefined ? undefined : `over ${formatDistance(distanceM)}`;
  return `${formatTime(expectedS, 1)}${ranS === undefined ? '' : `: ${formatDelta(ranS - expectedS)}`}`;
}

function cellsOf({ distanceM, expectedS, ranS, worth, goal, reps, verdict }: TrialRow) {
  return [
    <TwoLines
      key="ran"
      over={ranS === undefined ? '–' : formatTime(ranS, 1)}
      under={expectedText({ distanceM, expectedS, ranS })}
    />,
    <TwoLines key="worth" over={worth ? formatTime(worth.fiveKS, 0) : '–'} under={worth && errorText(worth.errorS)} />,
    <TwoLines key="goal" over={goal ? formatMarkTime(goal.timeS) : '–'} under={goal && goalText(goal, worth?.goalS)} />,
    <TwoLines
      key="verdict"
      over={verdictText(verdict)}
      {...(reps ? { under: `held ${reps.held} of ${reps.of}` } : {})}
    />,
  ];
}

/** One mark of a session for each distance, or one estimate. */
const isKept = (marks: readonly Mark[], mark: Mark) =>
  marks.some(
    ({ runId, kind, distanceM }) =>
      runId === mark.runId && kind === mark.kind && (kind === 'session' || distanceM === mark.distanceM),
  );

/** Keeps all at once, with one Undo. */
function KeepAll({ rows, squad }: { rows: readonly TrialRow[]; squad: SquadView }) {
  const { change, saving } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const open = rows.flatMap(({ athleteId, marks }) => {
    const athlete = memberOf(squad, athleteId);
    const fresh = athlete ? marks.filter((mark) => !isKept(athlete.marks, mark)) : [];
    return athlete && fresh.length > 0 ? [{ ...athlete, marks: [...athlete.marks, ...fresh] }] : [];
  });
  if (open.length === 0) return null;
  const keep = async () => {
    const done = await change({ athletes: open }, `${counted(open.length, 'mark')} kept for their paces.`);
    setTrouble(done.ok ? undefined : done.message);
  };
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      <PrimaryButton disabled={saving} onPress={() => void keep()}>
        {open.length === 1
          ? 'Keep it as a mark'
          : open.length === 2
            ? 'Keep both as marks'
            : `Keep all ${open.length} as marks`}
      </PrimaryButton>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}

/** Actions for one athlete: keep the mark, open the race from it, change the goal. */
function Ways({ row, read, squad }: { row: TrialRow; read: ReadRun; squad: SquadView }) {
  const { change } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const athlete = memberOf(squad, row.athleteId);
  if (!athlete) return null;
  const { worth, goal } = row;
  const [mark] = row.marks;
  const open = async () => {
    if (!worth) return;
    const level =
      worth.goalS !== undefined && goal
        ? { distanceM: goal.distanceM, timeS: Math.round(worth.goalS * 10) / 10 }
        : { distanceM: 5000, timeS: Math.round(worth.fiveKS) };
    const done = await change(
      { athletes: [{ ...athlete, nudge: { ...level, date: read.plan.date } }] },
      `${athlete.name} opens at ${formatMarkTime(level.timeS)} over ${formatDistance(level.distanceM)}.`,
    );
    setTrouble(done.ok ? undefined : done.message);
  };
  return (
    <View role="listitem" style={{ gap: SPACE.xs }}>
      <Text as="strong">{athlete.name}</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {mark && <KeepMark {...{ squad, athlete, mark }} short />}
        {worth && (
          <SmallButton label={`Open the race of ${athlete.name} from it`} onPress={() => void open()}>
            Open the race from it
          </SmallButton>
        )}
        <SmallButton
          label={`${goal ? 'Change' : 'Set'} the goal of ${athlete.name}`}
          onPress={() => router.push(`/squad/${athlete.id}?side=season`)}
        >
          {goal ? 'Change the goal' : 'Set a goal'}
        </SmallButton>
      </View>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}

/** After a test, an indicator or a rehearsal: no step, but what it was worth. */
export function MarksPage({ read, facts, squad }: { read: ReadRun; facts: SessionFacts; squad: SquadView }) {
  const { plan } = read;
  const readings = useSquadFitness(read);
  const rows = useMemo(
    () =>
      trialTable(facts, (athleteId) => {
        const athlete = memberOf(squad, athleteId);
        const curve = athlete && knownCurve(athlete, plan, squad);
        const reading = readings?.find((candidate) => candidate.athleteId === athleteId);
        return {
          ...(curve ? { curve } : {}),
          ...(athlete?.goal ? { goal: athlete.goal } : {}),
          ...(reading ? { reading } : {}),
        };
      }),
    [facts, squad, plan, readings],
  );
  const unsound = rows.filter(({ athleteId }) => readings?.find((one) => one.athleteId === athleteId)?.isUnsound);
  return (
    <Page
      title="What it was worth"
      subtitle={`${plan.title} · ${dayName(plan.date)}`}
      aside={<WhatIs terms={['mark', 'readiness']} />}
      onBack={() => router.replace(`/results/${plan.id}`)}
      backLabel="Back to the session"
    >
      <Text>A test, an indicator or a rehearsal has no next step: it says where everyone stands.</Text>
      <Table
        label="What it was worth"
        nameTitle="Athlete"
        columns={COLUMNS}
        rows={rows.map((row) => ({
          key: row.athleteId,
          name: row.name,
          onPress: () => router.push(`/results/${plan.id}/${row.athleteId}`),
          cells: cellsOf(row),
        }))}
        nameLabel={(name) => `${name}, rep by rep`}
      />
      {readings === undefined && <Text quiet>Working out what it was worth …</Text>}
      <KeepAll rows={rows} squad={squad} />
      {unsound.length > 0 && (
        <Text as="small">
          {facts.hot
            ? `It was ${Math.round(facts.hot.airC)} °C: nothing of that day is kept as a mark.`
            : 'Nothing is kept of who stopped or was not well.'}
        </Text>
      )}
      <View role="list" style={{ gap: SPACE.m }}>
        {rows.map((row) => (
          <Ways key={row.athleteId} row={row} read={read} squad={squad} />
        ))}
      </View>
      <DayAfter read={read} athletes={rows} />
    </Page>
  );
}
