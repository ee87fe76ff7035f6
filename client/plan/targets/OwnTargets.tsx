import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { sameWhom, withoutChanges } from '@core/planning/changes';
import { ROUNDINGS } from '@core/planning/dayPlan';
import type { OwnPlan } from '@core/planning/ownPlans';
import { boardsOf, groupOfBoard, type Board } from '@core/planning/runPlans';
import { INTENT_FACTS } from '@core/session/intent';
import type { PlannedGroup } from '@core/run/plan';
import { repColumns, type RepColumn } from '@core/run/repColumns';
import { columnTarget, MARKS, PassingTimes, tableColumn, type Every } from '../../parts/editor/look/Targets';
import { Choice } from '../../ui/Choice';
import { Empty } from '../../ui/Empty';
import { ModalSheet } from '../../ui/ModalSheet';
import { SmallButton } from '../../ui/SmallButton';
import { Stepper } from '../../ui/Stepper';
import { Table } from '../../ui/Table';
import { SPACE } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import { AimFor } from '../groups/AimFor';
import { ItemSettings } from '../ItemSettings';
import type { Planning } from '../../data/usePlanning';
import { ChangeList } from './ChangeList';

type Sheet = { board: Board; plan: PlannedGroup; columns: RepColumn[] };

/** Those who run the same reps, as a table of their targets. */
function useSheets({ plans, venue }: Planning): Sheet[] {
  return useMemo(
    () =>
      boardsOf(plans).map((board) => {
        const plan = groupOfBoard(board, venue);
        return { board, plan, columns: repColumns(plan) };
      }),
    [plans, venue],
  );
}

type SheetProps = { planning: Planning; sheet: Sheet; chosenId: string; choose: (id: string) => void };

function SheetTable({ planning, sheet: { plan, columns, board }, chosenId, choose }: SheetProps) {
  const { groups, rounding } = planning;
  const rows = groups.flatMap((group) => {
    const members = board.plans.filter(({ groupId }) => groupId === group.id);
    if (members.length === 0) return [];
    return [
      { key: `group ${group.id}`, heading: group.name },
      ...members.map((own) => {
        const athlete = plan.athletes.find(({ athleteId }) => athleteId === own.runner.id);
        const says = [own.changes.length > 0 ? 'changed' : '', own.remark ? 'see note' : ''].filter(Boolean).join(', ');
        return {
          key: own.runner.id,
          name: own.runner.name,
          ...(says ? { under: says } : {}),
          chosen: own.runner.id === chosenId,
          onPress: () => choose(own.runner.id),
          cells: columns.map((column) => (
            <Words key={column.label}>{athlete ? columnTarget(column, athlete, rounding) : ''}</Words>
          )),
        };
      }),
    ];
  });
  return (
    <Table
      label={`Targets of ${board.plans.length}`}
      nameTitle="Athlete"
      columns={columns.map(tableColumn)}
      rows={rows}
      nameSays={(name) => `Plan of ${name}`}
    />
  );
}

type OwnProps = { planning: Planning; own: OwnPlan; sheet: Sheet; isTitled: boolean };

/** One athlete's times at the marks, and what is to be different for them. */
function OwnSettings({ planning, own, sheet, isTitled }: OwnProps) {
  const [every, setEvery] = useState<Every>('200');
  const { rounding, venue, plan, decide } = planning;
  const athlete = sheet.plan.athletes.find(({ athleteId }) => athleteId === own.runner.id);
  const whom = { kind: 'athlete' as const, athleteId: own.runner.id };
  const changes = plan.changes ?? [];
  const isChanged = changes.some((one) => sameWhom(one.whom, whom));
  return (
    <View role="region" aria-label={`Plan of ${own.runner.name}`} style={{ gap: SPACE.m }}>
      {isTitled && (
        <Words as="heading" level={2}>
          {own.runner.name}
        </Words>
      )}
      {own.remark !== undefined && <Words as="small">{own.remark}</Words>}
      {own.waiting.length > 0 && (
        <Words as="small">
          {`${own.waiting.length} of the changes made for ${own.runner.tileName} no longer ${own.waiting.length === 1 ? 'fits' : 'fit'} the session’s text and ${own.waiting.length === 1 ? 'is' : 'are'} not in use.`}
        </Words>
      )}
      <Choice label="Marks" options={MARKS} value={every} onChange={setEvery} />
      {athlete && (
        <PassingTimes athlete={athlete} columns={sheet.columns} every={every} venue={venue} rounding={rounding} />
      )}
      <Words as="heading" level={3}>
        {`Only for ${own.runner.tileName}`}
      </Words>
      {own.runner.paces.goalCurve && <AimFor planning={planning} whom={whom} />}
      <ItemSettings
        planning={planning}
        whom={whom}
        who={own.runner.tileName}
        written={own.written}
        session={own.session}
        legs={own.legs}
        hasTargets
      />
      {isChanged && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton
            onPress={() =>
              decide({ changes: withoutChanges(changes, whom) }, `${own.runner.tileName} runs as the group does again.`)
            }
          >
            {`Take everything back for ${own.runner.tileName}`}
          </SmallButton>
        </View>
      )}
    </View>
  );
}

/** Everyone's targets, group by group; press a name for the times at the marks and for changes of their own. */
export function OwnTargets({ planning }: { planning: Planning }) {
  const wide = useWide();
  const { plans, plan, decide, intent, rounding } = planning;
  const sheets = useSheets(planning);
  const [chosenId, setChosenId] = useState<string>();
  const pressed = plans.find(({ runner }) => runner.id === chosenId);
  const own = pressed ?? plans[0];
  const sheet = sheets.find(({ board }) => board.plans.some(({ runner }) => runner.id === own?.runner.id));
  if (!own || !sheet)
    return (
      <Empty title="Nobody to run it" action={{ label: 'Go to the squad', onPress: () => router.push('/squad') }}>
        Targets appear here for everyone who takes part.
      </Empty>
    );
  const usual = INTENT_FACTS[intent].toleranceTimes;
  const tolerance = plan.toleranceTimes ?? usual;
  const tables = (
    <View style={{ gap: SPACE.l }}>
      {sheets.map((one) => (
        <SheetTable
          key={one.board.key}
          planning={planning}
          sheet={one}
          chosenId={wide ? own.runner.id : (pressed?.runner.id ?? '')}
          choose={setChosenId}
        />
      ))}
    </View>
  );
  const settings = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: SPACE.m }}>
      <AimFor planning={planning} whom={{ kind: 'all' }} />
      <Choice
        label="Shown to"
        showLabel
        options={ROUNDINGS.map((value) => ({ value: String(value), text: `${value} s` }))}
        value={String(rounding)}
        onChange={(value) => decide({ rounding: ROUNDINGS.find((one) => String(one) === value) })}
      />
      <Stepper
        label="How near is on target"
        value={tolerance}
        text={`${tolerance.toFixed(2)} ×`}
        step={0.25}
        min={0.25}
        max={5}
        onChange={(to) => decide({ toleranceTimes: to === usual ? undefined : to })}
      />
    </View>
  );
  const chosen = <OwnSettings key={own.runner.id} planning={planning} own={own} sheet={sheet} isTitled={wide} />;
  if (wide)
    return (
      <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
        <View style={{ flex: 11, minWidth: 0, gap: SPACE.l }}>
          {settings}
          {tables}
          <ChangeList planning={planning} />
        </View>
        <View style={{ flex: 9, minWidth: 0 }}>{chosen}</View>
      </View>
    );
  return (
    <View style={{ gap: SPACE.l }}>
      {tables}
      {pressed && (
        <ModalSheet title={pressed.runner.name} close={() => setChosenId(undefined)}>
          {chosen}
        </ModalSheet>
      )}
      <ChangeList planning={planning} />
      {settings}
    </View>
  );
}
