import { View } from 'react-native';
import { basisText } from '@core/paces/checkPaceBook';
import type { PaceEntry } from '@core/paces/paceBook';
import { PACE_UNITS, paceTable, unitM, type PaceRow, type PaceUnit } from '@core/paces/paceTable';
import type { AthletePaces as Paces } from '@core/squad/athletePaces';
import { standardTrack } from '@core/venue/venue';
import { formatDelta, formatTime } from '@core/units/time';
import { settings } from '../store/settings';
import { useAppDispatch, useAppSelector } from '../store/store';
import { Choice } from '../ui/Choice';
import { Table } from '../ui/Table';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { paceText } from './squadRows';
import { changedPlacesText, surePacesText } from './sureText';
import { WhatIs } from '../parts/WhatIs';

const UNITS = PACE_UNITS.map((unit) => ({ value: unit, text: unit }));

function Now({ row, unit }: { row: PaceRow; unit: PaceUnit }) {
  const { entry, nowMps, error } = row;
  if (entry.basis.kind === 'effort') return <Text>{`effort ${entry.basis.effort}`}</Text>;
  if (nowMps === undefined) return <Text quiet>–</Text>;
  const errorS = (unitM(unit, standardTrack.lapM) / nowMps) * (error ?? 0);
  return (
    <View style={{ alignItems: 'flex-end' }}>
      <Text as="strong">{paceText(nowMps, unit)}</Text>
      <Text as="label" quiet label={`give or take ${formatTime(errorS, 1)} seconds`}>
        {`± ${formatTime(errorS, 1)}`}
      </Text>
    </View>
  );
}

/** What an entry stands on, where its name does not say it. */
function underText({ basis }: PaceEntry): { under?: string } {
  if (basis.kind === 'race' || basis.kind === 'effort') return {};
  // The limit of a share is for the pace book: three lines would not fit.
  return { under: basisText({ basis: basis.kind === 'share' ? { ...basis, atMost: undefined } : basis }) };
}

/** Seconds a lap between now and goal. */
function gapText({ nowMps, goalMps }: PaceRow): string {
  if (nowMps === undefined || goalMps === undefined) return '';
  const { lapM } = standardTrack;
  return formatDelta(lapM / goalMps - lapM / nowMps);
}

/** Every pace of the athlete's book, now and at the goal; one tap changes the length they are given over. */
export function AthletePaces({ name, paces }: { name: string; paces: Paces }) {
  const unit = useAppSelector((state) => state.settings.paces.unit);
  const dispatch = useAppDispatch();
  const { curve, goalCurve, paceBook, remark } = paces;
  const rows = paceTable(paces);
  const sure = surePacesText(rows);
  const changed = changedPlacesText(rows);
  const beyond = rows.some(({ extrapolated }) => extrapolated);
  const goalColumns = goalCurve
    ? [
        { key: 'goal', title: 'Goal', width: 78 },
        { key: 'gap', title: 'Gap', under: 's a lap', width: 70 },
      ]
    : [];
  return (
    <View style={{ gap: SPACE.m }}>
      <Choice
        label="Time over"
        showLabel
        options={UNITS}
        value={unit}
        onChange={(value) => dispatch(settings.actions.pacesChosen({ unit: value }))}
      />
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <Text as="small" quiet style={{ flexShrink: 1 }}>
          {[`By “${paceBook.name}”`, ...(curve?.nudge ? ['at the level you set'] : [])].join(' · ')}
        </Text>
        <WhatIs terms={['pace book', 'threshold', 'cv', 'aerobic-max', 'max', 'give or take']} />
      </View>
      {sure !== '' && <Text as="small">{sure}</Text>}
      {changed !== '' && (
        <Text as="small" quiet>
          {changed}
        </Text>
      )}
      {beyond && (
        <Text as="small" quiet>
          Trials say what is held for 2 to 20 minutes; the slower and the quicker paces come from the fitness curve of
          the same marks, moved to meet them.
        </Text>
      )}
      {remark !== undefined && <Text as="small">{remark}</Text>}
      <Table
        label={`Paces of ${name}`}
        nameTitle="Pace"
        nameWidth={goalCurve ? 118 : 150}
        rowHeight={52}
        columns={[{ key: 'now', title: 'Now', width: 84 }, ...goalColumns]}
        rows={rows.map((row) => ({
          key: row.entry.name,
          name: row.entry.name,
          ...underText(row.entry),
          cells: [
            <Now key="now" row={row} unit={unit} />,
            ...(goalCurve
              ? [
                  <Text key="goal">{row.goalMps === undefined ? '' : paceText(row.goalMps, unit)}</Text>,
                  <Text key="gap" quiet>
                    {gapText(row)}
                  </Text>,
                ]
              : []),
          ],
        }))}
      />
    </View>
  );
}
