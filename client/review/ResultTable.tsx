import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { cameTo } from '@core/review/cameTo';
import type { ReviewCell } from '@core/review/cell';
import type { Review, ReviewRow } from '@core/review/review';
import { repLabel, type PlannedRep } from '@core/run/plan';
import { formatClock, formatDelta, formatTime } from '@core/units/time';
import { Delta } from '../ui/Delta';
import { Press } from '../ui/Press';
import { Table, type TableColumn, type TableHeading } from '../ui/Table';
import { Text } from '../ui/Text';
import { spokenDelta } from '../ui/spokenDelta';
import { outcomeText, paceText, restPair } from './repText';
import { evennessText, signedPercent } from './reviewText';
import { TwoLines } from './TwoLines';

/** Rows drawn first: the findings and the spread above leave room for only a few. */
const FIRST_ROWS = 6;

const none = <Text quiet>–</Text>;
const right = { alignItems: 'flex-end' } as const;

function outcome(cell: ReviewCell): ReactNode {
  const { actualS, targetS, deltaS, verdict, plannedS, coveredM, expectedM, unfinished, leftOut } = cell;
  if (actualS === undefined)
    return (
      <Text quiet label={unfinished ? 'no finish taken' : leftOut ? 'left out' : 'not run'}>
        {unfinished ? 'no finish' : leftOut ? 'left out' : '–'}
      </Text>
    );
  const isOut = cell.excluded !== undefined;
  return (
    <View style={right}>
      <Text as="strong" quiet={isOut} {...(isOut ? { style: { textDecorationLine: 'line-through' } } : {})}>
        {coveredM === undefined ? formatTime(actualS, 1) : paceText(actualS, coveredM)}
      </Text>
      {isOut ? (
        <Text as="label" quiet>
          not counted
        </Text>
      ) : (
        deltaS !== undefined && verdict && <Delta deltaS={deltaS} verdict={verdict} />
      )}
      {plannedS !== undefined && (
        <Text as="label" quiet>
          {`of ${formatClock(plannedS)}`}
        </Text>
      )}
      {coveredM !== undefined && !isOut && (
        <Text as="label" quiet>
          {`${Math.round(coveredM)} m${expectedM === undefined ? '' : ` of ${Math.round(expectedM)}`}`}
        </Text>
      )}
      {targetS !== undefined && !isOut && (
        <Text as="label" quiet>
          {`of ${formatTime(targetS, 1)}`}
        </Text>
      )}
    </View>
  );
}

/** Returns a rep's distance or time without its pace: `1600`, `2:00`. */
const amountOf = (rep: PlannedRep | undefined): string | undefined => rep && repLabel(rep).split(' @')[0];

/** Returns a rep's cell as a screen reader reads it: `1:28.8 of 1:28.0, on target`. */
function spokenOutcome(cell: ReviewCell): string {
  const { deltaS, verdict, excluded } = cell;
  const judged = excluded ? 'not counted' : deltaS !== undefined && verdict ? spokenDelta(deltaS, verdict) : undefined;
  return [outcomeText(cell), judged].filter(Boolean).join(', ');
}

/** One column: what it shows, and what it sorts by (largest first is what to look at first). */
type Shown = TableColumn & { cell: (row: ReviewRow) => ReactNode; by: (row: ReviewRow) => number | undefined };

const percentCell = (percent: number | undefined, isSure: boolean) =>
  percent === undefined ? (
    none
  ) : (
    <Text as={isSure ? 'strong' : 'body'} quiet={!isSure}>
      {signedPercent(percent)}
    </Text>
  );

/** The sum of a row, after its reps. */
function summaryColumns({ columns: reps, rows, meanOver }: Review): Shown[] {
  const has = (is: (row: ReviewRow) => boolean) => rows.some(is);
  // One rep is its own mean, and cannot be uneven.
  const isOneRep = reps.length === 1;
  const columns: (Shown | false)[] = [
    !(isOneRep && meanOver !== '400') && {
      key: 'mean',
      title: meanOver === '400' ? 'Mean a lap' : 'Mean',
      under: 'to target',
      width: 92,
      by: ({ meanDeltaS, meanS }) => meanDeltaS ?? meanS,
      cell: ({ meanS, meanDeltaS }) =>
        meanS === undefined ? (
          none
        ) : (
          <TwoLines
            over={formatTime(meanS, 1)}
            {...(meanDeltaS === undefined
              ? {}
              : { under: formatDelta(meanDeltaS), label: `on average ${formatDelta(meanDeltaS)} seconds to target` })}
          />
        ),
    },
    {
      key: 'came',
      title: 'Came to',
      under: 'running',
      width: 92,
      by: ({ cells }) => cameTo(cells).distanceM,
      cell: ({ cells }) => {
        const { distanceM, durationS } = cameTo(cells);
        if (durationS === 0) return none;
        const over = distanceM > 0 ? `${(distanceM / 1000).toFixed(1)} km` : '–';
        return <TwoLines over={over} under={`in ${formatTime(durationS, 0)}`} />;
      },
    },
    !isOneRep && {
      key: 'even',
      title: 'Even',
      under: 'rep to rep',
      width: 84,
      by: ({ evenness }) => evenness.evennessPercent,
      cell: ({ evenness }) => <Text as="strong">{evennessText(evenness)}</Text>,
    },
    has(({ evenness }) => evenness.fadePercent !== undefined) && {
      key: 'fade',
      title: 'Fade',
      under: 'first to last',
      width: 88,
      by: ({ evenness }) => evenness.fadePercent,
      cell: ({ evenness }) => percentCell(evenness.fadePercent, evenness.isFadeSure === true),
    },
    has(({ lastEffort, sessionEffort }) => (lastEffort ?? sessionEffort) !== undefined) && {
      key: 'effort',
      title: 'Effort',
      under: 'last, whole',
      width: 84,
      by: ({ lastEffort, sessionEffort }) => sessionEffort ?? lastEffort,
      cell: ({ lastEffort, sessionEffort }) =>
        lastEffort === undefined && sessionEffort === undefined ? (
          none
        ) : (
          <Text
            as="strong"
            label={`last rep ${lastEffort ?? 'not reported'}, whole session ${sessionEffort ?? 'not reported'}`}
          >
            {`${lastEffort ?? '–'}, ${sessionEffort ?? '–'}`}
          </Text>
        ),
    },
    has(({ rest }) => rest !== undefined) && {
      key: 'rest',
      title: 'Rest',
      under: 'of planned',
      width: 84,
      by: ({ rest }) => rest && rest.takenS - rest.plannedS,
      cell: ({ rest }) => {
        if (!rest) return none;
        const [taken, planned] = restPair(rest.takenS, rest.plannedS);
        return <TwoLines over={taken} under={`of ${planned}`} />;
      },
    },
    has(({ evenness }) => evenness.firstPercent !== undefined) && {
      key: 'first',
      title: 'First',
      under: 'to the middle',
      width: 88,
      by: ({ evenness }) => (evenness.firstPercent === undefined ? undefined : -evenness.firstPercent),
      cell: ({ evenness }) => percentCell(evenness.firstPercent, true),
    },
    has(({ evenness }) => evenness.lastPercent !== undefined) && {
      key: 'last',
      title: 'Last',
      under: 'to the middle',
      width: 88,
      by: ({ evenness }) => (evenness.lastPercent === undefined ? undefined : -evenness.lastPercent),
      cell: ({ evenness }) => percentCell(evenness.lastPercent, true),
    },
  ];
  return columns.filter((column) => column !== false);
}

/** Grouped while unsorted; sorted by a column they are all together. */
function withHeadings(rows: readonly ReviewRow[], isSorted: boolean): (ReviewRow | TableHeading)[] {
  const groups = new Set(rows.map(({ groupName }) => groupName));
  if (isSorted || groups.size < 2) return [...rows];
  return [...groups].flatMap((heading) => [
    { key: `group ${heading}`, heading },
    ...rows.filter(({ groupName }) => groupName === heading),
  ]);
}

type Props = {
  review: Review;
  chosen: string | undefined;
  choose: (athleteId: string) => void;
  /** Something about a rep is to be put right. */
  open: (athleteId: string, at: number) => void;
};

/** Athletes × reps, sorted by any column; every rep can be opened. */
export function ResultTable({ review, chosen, choose, open }: Props) {
  const [sortKey, setSortKey] = useState<string>();
  const reps = review.columns.map(({ rep, repIndex }, at): Shown => {
    // In open work some are cut down to a shorter distance: title the column with the distances that were run.
    const ran = new Set(review.rows.flatMap(({ cells }) => amountOf(cells[at]?.rep) ?? []));
    const [, pace] = repLabel(rep).split(' @');
    const amount = ran.size > 0 ? [...ran].join('/') : (amountOf(rep) ?? '');
    const isMixed = ran.size > 1;
    return {
      key: `rep ${repIndex}`,
      title: `${at + 1}: ${amount}`,
      width: 88,
      ...(pace ? { under: `@${pace}` } : {}),
      by: ({ cells }) => cells[at]?.deltaS ?? cells[at]?.actualS,
      cell: ({ athleteId, name, cells }) => {
        const cell = cells[at];
        if (!cell) return none;
        if (!cell.rep) return outcome(cell);
        return (
          <Press
            role="button"
            aria-label={`${name}, rep ${at + 1}: ${spokenOutcome(cell)}`}
            onPress={() => open(athleteId, at)}
            style={{ minHeight: 48, width: '100%', justifyContent: 'center', ...right }}
          >
            {isMixed && (
              <Text as="label" quiet>
                {amountOf(cell.rep)}
              </Text>
            )}
            {outcome(cell)}
          </Press>
        );
      },
    };
  });
  // The times come first: what sums them up is behind them.
  const columns = [...reps, ...summaryColumns(review)];
  const sorted = columns.find(({ key }) => key === sortKey);
  const rows = sorted
    ? [...review.rows].sort((a, b) => (sorted.by(b) ?? -Infinity) - (sorted.by(a) ?? -Infinity))
    : review.rows;
  return (
    <Table
      label="Results"
      nameTitle="Athlete"
      rowHeight={66}
      mostRows={FIRST_ROWS}
      columns={columns.map(({ cell: _cell, by: _by, ...column }) => ({
        ...column,
        sorted: column.key === sortKey,
        onPress: () => setSortKey(column.key === sortKey ? undefined : column.key),
      }))}
      rows={withHeadings(rows, sorted !== undefined).map((row) =>
        'heading' in row
          ? row
          : {
              key: row.athleteId,
              name: row.name,
              ...(row.movedFrom === undefined ? {} : { under: `from ${row.movedFrom}` }),
              chosen: row.athleteId === chosen,
              onPress: () => choose(row.athleteId),
              cells: (count) => columns.slice(0, count).map(({ key, cell }) => <View key={key}>{cell(row)}</View>),
            },
      )}
      nameLabel={(name) => `Bring out ${name}`}
    />
  );
}
