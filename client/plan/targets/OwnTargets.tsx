import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { sameWhom, withoutChanges } from '@core/planning/changes';
import { ROUNDINGS } from '@core/planning/dayPlan';
import type { AthletePlan } from '@core/planning/athletePlans';
import { targetTables, groupOfTable, type TargetTable } from '@core/planning/runPlans';
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
import { Text } from '../../ui/Text';
import { USUAL_TOLERANCE } from '@core/paces/paceBook';
import { AimFor } from '../groups/AimFor';
import { ItemSettings } from '../ItemSettings';
import type { Planning } from '../../data/usePlanning';
import { ChangeList } from './ChangeList';
import { WhatIs } from '../../parts/WhatIs';
import { Why } from '../../parts/Why';
import { whyTarget } from './whyTarget';

type Sheet = { table: TargetTable; plan: PlannedGroup; columns: RepColumn[] };

/** Those who run the same reps, as a table of their targets. */
function useSheets({ plans, venue }: Planning): Sheet[] {
  return useMemo(
    () =>
      targetTables(plans).map((table) => {
        const plan = groupOfTable(table, venue);
        return { table, plan, columns: repColumns(plan) };
      }),
    [plans, venue],
  );
}

type SheetProps = { planning: Planning; sheet: Sheet; chosenId: string; choose: (id: string) => void };

function SheetTable({ planning, sheet: { plan, columns, table }, chosenId, choose }: SheetProps) {
  const { groups, rounding } = planning;
  const rows = groups.flatMap((group) => {
    const members = table.plans.filter(({ groupId }) => groupId === group.id);
    if (members.length === 0) return [];
    return [
      { key: `group ${group.id}`, heading: group.name },
      ...members.map((athletePlan) => {
        const athlete = plan.athletes.find(({ athleteId }) => athleteId === athletePlan.runner.id);
        const text = [athletePlan.changes.length > 0 ? 'changed' : '', athletePlan.remark ? 'see note' : '']
          .filter(Boolean)
          .join(', ');
        return {
          key: athletePlan.runner.id,
          name: athletePlan.runner.name,
          ...(text ? { under: text } : {}),
          chosen: athletePlan.runner.id === chosenId,
          onPress: () => choose(athletePlan.runner.id),
          cells: columns.map((column) => (
            <Text key={column.label}>
              {athlete
                ? columnTarget(column, athlete, { rounding, isWithoutGoal: !athletePlan.runner.paces.goalCurve })
                : ''}
            </Text>
          )),
        };
      }),
    ];
  });
  return (
    <Table
      label={`Targets of ${table.plans.length}`}
      nameTitle="Athlete"
      columns={columns.map(tableColumn)}
      rows={rows}
      nameLabel={(name) => `Plan of ${name}`}
    />
  );
}

type OwnProps = { planning: Planning; athletePlan: AthletePlan; sheet: Sheet; isTitled: boolean };

/** One athlete's times at the marks, and what is to be different for them. */
function OwnSettings({ planning, athletePlan, sheet, isTitled }: OwnProps) {
  const [every, setEvery] = useState<Every>('200');
  const { rounding, venue, plan, decide } = planning;
  const athlete = sheet.plan.athletes.find(({ athleteId }) => athleteId === athletePlan.runner.id);
  const member = planning.athletes.find(({ id }) => id === athletePlan.runner.id);
  const whom = { kind: 'athlete' as const, athleteId: athletePlan.runner.id };
  const changes = plan.changes ?? [];
  const isChanged = changes.some((change) => sameWhom(change.whom, whom));
  return (
    <View role="region" aria-label={`Plan of ${athletePlan.runner.name}`} style={{ gap: SPACE.m }}>
      {isTitled && (
        <Text as="heading" level={2}>
          {athletePlan.runner.name}
        </Text>
      )}
      {athletePlan.remark !== undefined && <Text as="small">{athletePlan.remark}</Text>}
      {athletePlan.waiting.length > 0 && (
        <Text as="small">
          {`${athletePlan.waiting.length} of the changes made for ${athletePlan.runner.tileName} no longer ${athletePlan.waiting.length === 1 ? 'fits' : 'fit'} the session’s text and ${athletePlan.waiting.length === 1 ? 'is' : 'are'} not in use.`}
        </Text>
      )}
      <Choice label="Marks" options={MARKS} value={every} onChange={setEvery} />
      {athlete && (
        <PassingTimes athlete={athlete} columns={sheet.columns} every={every} venue={venue} rounding={rounding} />
      )}
      {member && (
        <View style={{ alignItems: 'flex-start' }}>
          <Why
            what={`The targets of ${athletePlan.runner.name}`}
            lines={() => whyTarget(athletePlan, member, planning)}
          />
        </View>
      )}
      <Text as="heading" level={3}>
        {`Only for ${athletePlan.runner.tileName}`}
      </Text>
      {athletePlan.runner.paces.goalCurve && <AimFor planning={planning} whom={whom} />}
      <ItemSettings
        planning={planning}
        whom={whom}
        who={athletePlan.runner.tileName}
        written={athletePlan.written}
        session={athletePlan.session}
        legs={athletePlan.legs}
        hasTargets
      />
      {isChanged && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton
            onPress={() =>
              decide(
                { changes: withoutChanges(changes, whom) },
                `${athletePlan.runner.tileName} runs as the group does again.`,
              )
            }
          >
            {`Take everything back for ${athletePlan.runner.tileName}`}
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
  const athletePlan = pressed ?? plans[0];
  const sheet = sheets.find(({ table }) => table.plans.some(({ runner }) => runner.id === athletePlan?.runner.id));
  if (!athletePlan || !sheet)
    return (
      <Empty title="Nobody to run it" action={{ label: 'Go to the squad', onPress: () => router.push('/squad') }}>
        Targets appear here for everyone who takes part.
      </Empty>
    );
  const usual = INTENT_FACTS[intent].toleranceTimes;
  const tolerance = plan.toleranceTimes ?? usual;
  const tables = (
    <View style={{ gap: SPACE.l }}>
      {sheets.map((sheet) => (
        <SheetTable
          key={sheet.table.key}
          planning={planning}
          sheet={sheet}
          chosenId={wide ? athletePlan.runner.id : (pressed?.runner.id ?? '')}
          choose={setChosenId}
        />
      ))}
    </View>
  );
  const settings = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: SPACE.m }}>
      <AimFor planning={planning} whom={{ kind: 'all' }} />
      <Choice
        label="Rounded to"
        showLabel
        options={ROUNDINGS.map((value) => ({ value: String(value), text: `${value} s` }))}
        value={String(rounding)}
        onChange={(value) => decide({ rounding: ROUNDINGS.find((step) => String(step) === value) })}
      />
      <Stepper
        label="On target within"
        value={tolerance}
        text={`± ${Math.round(tolerance * USUAL_TOLERANCE * 10_000) / 100} %`}
        step={0.25}
        min={0.25}
        max={5}
        onChange={(to) => decide({ toleranceTimes: to === usual ? undefined : to })}
      />
      <WhatIs terms={['tolerance', 'on target']} />
    </View>
  );
  const chosen = (
    <OwnSettings
      key={athletePlan.runner.id}
      planning={planning}
      athletePlan={athletePlan}
      sheet={sheet}
      isTitled={wide}
    />
  );
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
