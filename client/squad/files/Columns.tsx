import { View } from 'react-native';
import { COLUMN_USES, columnName, columnUseText, USE_WORDS, type ColumnUse } from '@core/formats/roster/columns';
import type { CsvTable } from '@core/formats/roster/table';
import { formatDistance, USUAL_DISTANCES_M } from '@core/units/distance';
import type { DayOrder } from '@core/units/day';
import { Choice } from '../../ui/Choice';
import { Select } from '../../ui/Select';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';

const keyOf = (use: ColumnUse) => (typeof use === 'string' ? use : `over:${use.markM}`);
const fromKey = (key: string): ColumnUse =>
  key.startsWith('over:') ? { markM: Number(key.slice('over:'.length)) } : (key as ColumnUse);

/** Everything a column can be; times over a distance that is not a usual one are offered where the heading says so. */
function optionsFor(use: ColumnUse) {
  const overs = new Set([...USUAL_DISTANCES_M, ...(typeof use === 'string' ? [] : [use.markM])]);
  return [
    ...COLUMN_USES.map((value) => ({ value: value as string, text: USE_WORDS[value] })),
    ...[...overs].map((markM) => ({ value: `over:${markM}`, text: `Times over ${formatDistance(markM)}` })),
  ];
}

type Props = {
  table: CsvTable;
  hasHeadings: boolean;
  uses: readonly ColumnUse[];
  dayOrder: DayOrder;
  setUse: (index: number, use: ColumnUse) => void;
  setHeadings: (hasHeadings: boolean) => void;
  setDayOrder: (dayOrder: DayOrder) => void;
};

/** What each column of the file holds: guessed, and to be put right. */
export function Columns({ table, hasHeadings, uses, dayOrder, setUse, setHeadings, setDayOrder }: Props) {
  const palette = usePalette();
  const body = table.rows.slice(hasHeadings ? 1 : 0);
  const sample = (i: number) =>
    body
      .map(({ cells }) => cells[i] ?? '')
      .filter((value) => value !== '')
      .slice(0, 3)
      .map((value) => (value.length > 28 ? `${value.slice(0, 27)}…` : value))
      .join(', ');
  const hasDates = uses.some((use) => use === 'date' || use === 'goalDate');
  return (
    <View style={{ gap: SPACE.m }}>
      <Text as="heading" level={2}>
        What the columns hold
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l }}>
        <Choice
          label="The first row is"
          showLabel
          options={[
            { value: 'headings', text: 'Headings' },
            { value: 'athlete', text: 'An athlete' },
          ]}
          value={hasHeadings ? 'headings' : 'athlete'}
          onChange={(value) => setHeadings(value === 'headings')}
        />
        {hasDates && (
          <Choice
            label="3/10 means"
            showLabel
            options={[
              { value: 'day-first', text: '3 October' },
              { value: 'month-first', text: 'March 10' },
            ]}
            value={dayOrder}
            onChange={setDayOrder}
          />
        )}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {uses.map((use, i) => (
          <View
            key={i}
            style={{
              flexGrow: 1,
              flexBasis: 160,
              maxWidth: 300,
              gap: SPACE.xs,
              padding: SPACE.s,
              borderRadius: RADIUS,
              backgroundColor: use === 'ignore' ? 'transparent' : palette.raised,
            }}
          >
            <Text as="strong">{columnName(table, hasHeadings, i)}</Text>
            <Text as="label" quiet>
              {sample(i) || 'empty'}
            </Text>
            <Select
              label={`${columnName(table, hasHeadings, i)} holds`}
              quiet
              options={optionsFor(use)}
              value={keyOf(use)}
              onChange={(key) => setUse(i, fromKey(key))}
            />
          </View>
        ))}
      </View>
      {!uses.some((use) => use === 'name' || use === 'firstName' || use === 'familyName') && (
        <Text as="strong" color={palette.late}>
          {`Which column has the names? ${columnUseText('name')} has to be one of them.`}
        </Text>
      )}
    </View>
  );
}
