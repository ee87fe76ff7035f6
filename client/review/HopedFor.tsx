import { View } from 'react-native';
import { hopedAndRun, type SideOfSession } from '@core/review/hopedFor';
import type { Review } from '@core/review/review';
import { formatRest, formatTime } from '@core/units/time';
import { SPACE } from '../ui/theme';
import { Table, type TableColumn } from '../ui/Table';
import { Text } from '../ui/Text';

const COLUMNS: TableColumn[] = [
  { key: 'hoped', title: 'Hoped for', width: 112 },
  { key: 'run', title: 'Run', width: 112 },
];

const tenths = (value: number) => value.toFixed(value % 1 === 0 ? 0 : 1);

/** A session as it was hoped for beside the one that was run, on average over those who ran it. */
export function HopedFor({ review, meantLast }: { review: Review; meantLast: number | undefined }) {
  const both = hopedAndRun(review, meantLast);
  if (!both) return null;
  const { hoped, run, athletes, meanOver } = both;
  const lines: [string, (side: SideOfSession) => string | undefined][] = [
    ['Reps', ({ reps }) => tenths(reps)],
    [
      meanOver === 'rep' ? 'A rep in' : 'A lap in',
      ({ repS }) => (repS === undefined ? undefined : formatTime(repS, 1)),
    ],
    ['Rests', ({ restS }) => (restS === undefined ? undefined : formatRest(restS))],
    ['Metres', ({ distanceM }) => (distanceM === undefined ? undefined : `${(distanceM / 1000).toFixed(2)} km`)],
    ['Last effort', ({ lastEffort }) => (lastEffort === undefined ? undefined : tenths(lastEffort))],
  ];
  const rows = lines.filter(([, text]) => text(hoped) !== undefined || text(run) !== undefined);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        As hoped for, and as run
      </Text>
      <Table
        label="As hoped for, and as run"
        nameTitle={athletes === 1 ? 'One athlete' : `Mean of ${athletes}`}
        columns={COLUMNS}
        rows={rows.map(([name, text]) => ({
          key: name,
          name,
          cells: [hoped, run].map((side, i) => (
            <View key={i} style={{ alignItems: 'flex-end' }}>
              <Text as="strong">{text(side) ?? '–'}</Text>
            </View>
          )),
        }))}
      />
    </View>
  );
}
