import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { router } from 'expo-router';
import type { Intent } from '@core/session/intent';
import { isGoalLabel } from '@core/session/goalPace';
import type { SessionTree } from '@core/session/session';
import { passesAt } from '@core/planning/passesAt';
import { repColumns, type RepColumn } from '@core/run/repColumns';
import { formatRounded } from '@core/planning/card';
import type { Venue } from '@core/venue/venue';
import { makePlan } from '@core/planning/makePlan';
import { restsOf } from '@core/squad/schools';
import type { PlannedAthlete, PlannedGroup } from '@core/run/plan';
import { formatTime } from '@core/units/time';
import { runnersOf } from '../../../data/runners';
import { memberOf, type SquadView } from '../../../data/useSquad';
import { Choice } from '../../../ui/Choice';
import { Empty } from '../../../ui/Empty';
import { Table } from '../../../ui/Table';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';

export const MARKS = [
  { value: '100', text: 'every 100' },
  { value: '200', text: 'every 200' },
  { value: '400', text: 'every 400' },
] as const;
export type Every = (typeof MARKS)[number]['value'];

/** Targets for everyone, as they would be taken to the track. */
export function usePlanPreview(
  session: SessionTree | undefined,
  squad: SquadView,
  { date, intent, venue }: { date: string; intent: Intent; venue: Venue },
): PlannedGroup | undefined {
  return useMemo(() => {
    if (!session) return undefined;
    const runners = runnersOf(squad.athletes, squad, date);
    const header = { id: '', sessionId: '', title: '', date: '', shorthand: '' };
    return makePlan(header, session, runners, venue, intent, restsOf(squad.settings.schools)).groups[0];
  }, [session, squad, date, intent, venue]);
}

/** `8×`, in front of a column that stands for several reps. */
const columnTimes = (column: RepColumn) => (column.repIndexes.length > 1 ? `${column.repIndexes.length}×` : '');

function columnTitle({ rep, label }: RepColumn): { title: string; under?: string } {
  const [amount = label] = label.split(' @');
  return rep.pace === undefined ? { title: amount } : { title: amount, under: `@${rep.pace}` };
}

/** A column of a table of targets. */
export function tableColumn(column: RepColumn) {
  const { title, under } = columnTitle(column);
  return {
    key: column.repIndexes.join(),
    title: `${columnTimes(column)}${title}`,
    width: 92,
    ...(under ? { under } : {}),
  };
}

type TargetOptions = {
  rounding?: number;
  /** The athlete has no goal: goal paces are today's, and are marked “now”. */
  isWithoutGoal?: boolean;
};

/** The time for a rep over a distance; for one by the clock about how far it goes. */
export function columnTarget(
  { rep, repIndexes }: RepColumn,
  athlete: PlannedAthlete,
  { rounding = 0.1, isWithoutGoal = false }: TargetOptions = {},
): string {
  const { targetS, expectedM } = athlete.targets[repIndexes[0] ?? 0] ?? {};
  const now = isWithoutGoal && isGoalLabel(rep.pace) ? ' now' : '';
  if (rep.durationS !== undefined)
    return expectedM === undefined ? 'by effort' : `≈ ${Math.round(expectedM / 5) * 5} m${now}`;
  return targetS === undefined ? 'by effort' : `${formatRounded(targetS, rounding)}${now}`;
}

type PassingProps = {
  athlete: PlannedAthlete;
  columns: readonly RepColumn[];
  every: Every;
  venue: Venue;
  rounding?: number;
};

/** The chosen athlete's times at every mark of each different rep. */
export function PassingTimes({ athlete, columns, every, venue, rounding = 0.1 }: PassingProps) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.m }}>
      {columns.map((column) => {
        const target = athlete.targets[column.repIndexes[0] ?? 0];
        const { distanceM } = column.rep;
        if (distanceM === undefined || target?.targetS === undefined) return null;
        const perLap = (target.targetS * 400) / distanceM;
        return (
          <View key={column.label + column.repIndexes.join()} style={{ gap: SPACE.xs }}>
            <Text as="strong">{`${columnTimes(column)}${column.label} in ${formatRounded(target.targetS, rounding)}, ${formatTime(perLap, 1, 100)} a 400`}</Text>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
              {passesAt(venue, column.rep, target.targetS, Number(every)).map(({ atM, timeS }) => (
                <View
                  key={atM}
                  style={{
                    minWidth: 66,
                    paddingVertical: 4,
                    paddingHorizontal: 8,
                    borderRadius: RADIUS,
                    backgroundColor: palette.raised,
                  }}
                >
                  <Text as="label" quiet>
                    {atM === distanceM ? 'finish' : String(Math.round(atM))}
                  </Text>
                  <Text as="strong">{formatRounded(timeS, rounding)}</Text>
                </View>
              ))}
            </View>
          </View>
        );
      })}
    </View>
  );
}

/** Athletes × reps with target times; press an athlete for the times to call at the marks. */
export function Targets({ plan, venue, squad }: { plan: PlannedGroup; venue: Venue; squad: SquadView }) {
  const [chosenId, setChosenId] = useState<string>();
  const [every, setEvery] = useState<Every>('200');
  const columns = useMemo(() => repColumns(plan), [plan]);
  const chosen = plan.athletes.find((athlete) => athlete.athleteId === chosenId) ?? plan.athletes[0];
  if (!chosen)
    return (
      <Empty title="Nobody to run it" action={{ label: 'Go to the squad', onPress: () => router.push('/squad') }}>
        Targets appear here for everyone in the squad.
      </Empty>
    );
  if (columns.length === 0) return <Text quiet>There is no rep with a target in this session yet.</Text>;
  return (
    <View style={{ gap: SPACE.l }}>
      <Table
        label="Target times"
        nameTitle="Athlete"
        columns={columns.map(tableColumn)}
        rows={plan.athletes.map((athlete) => ({
          key: athlete.athleteId,
          name: athlete.name,
          chosen: athlete === chosen,
          onPress: () => setChosenId(athlete.athleteId),
          cells: columns.map((column) => {
            const isWithoutGoal = !memberOf(squad, athlete.athleteId)?.goal;
            return <Text key={column.label}>{columnTarget(column, athlete, { isWithoutGoal })}</Text>;
          }),
        }))}
        nameLabel={(name) => `Times at the marks for ${name}`}
      />
      <View style={{ gap: SPACE.m }}>
        <Text as="heading" level={2}>
          {`${chosen.name} at the marks`}
        </Text>
        <Choice label="Marks" options={MARKS} value={every} onChange={setEvery} />
        <PassingTimes athlete={chosen} columns={columns} every={every} venue={venue} />
      </View>
    </View>
  );
}
