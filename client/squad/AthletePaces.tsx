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
import { Words } from '../ui/Words';
import { paceText } from './squadRows';
import { changedPlacesText, surePacesText } from './sureWords';

const UNITS = PACE_UNITS.map((unit) => ({ value: unit, text: unit }));

function Now({ row, unit }: { row: PaceRow; unit: PaceUnit }) {
  const { entry, nowMps, error } = row;
  if (entry.basis.kind === 'effort') return <Words>{`effort ${entry.basis.effort}`}</Words>;
  if (nowMps === undefined) return <Words quiet>–</Words>;
  const errorS = (unitM(unit, standardTrack.lapM) / nowMps) * (error ?? 0);
  return (
    <View style={{ alignItems: 'flex-end' }}>
      <Words as="strong">{paceText(nowMps, unit)}</Words>
      <Words as="label" quiet label={`give or take ${formatTime(errorS, 1)} seconds`}>
        {`± ${formatTime(errorS, 1)}`}
      </Words>
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
      <Words as="small" quiet>
        {[`By “${paceBook.name}”`, ...(curve?.nudge ? ['at the level you set'] : [])].join(' · ')}
      </Words>
      {sure !== '' && <Words as="small">{sure}</Words>}
      {changed !== '' && (
        <Words as="small" quiet>
          {changed}
        </Words>
      )}
      {beyond && (
        <Words as="small" quiet>
          Trials say what is held for 2 to 20 minutes; the slower and the quicker paces come from the fitness curve of
          the same marks, moved to meet them.
        </Words>
      )}
      {remark !== undefined && <Words as="small">{remark}</Words>}
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
                  <Words key="goal">{row.goalMps === undefined ? '' : paceText(row.goalMps, unit)}</Words>,
                  <Words key="gap" quiet>
                    {gapText(row)}
                  </Words>,
                ]
              : []),
          ],
        }))}
      />
    </View>
  );
}
