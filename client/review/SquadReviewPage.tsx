import { router } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { squadRows, type SquadRow } from '@core/review/story';
import { formatDelta } from '@core/units/time';
import { useCare } from '../data/useCare';
import { useSquad } from '../data/useSquad';
import { troubleText, useSquadHistoryQuery } from '../store/api';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { Select } from '../ui/Select';
import { Table, type TableColumn } from '../ui/Table';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { Later } from '../ui/Later';
import { LoadPart } from './LoadPart';
import { signedPercent } from './reviewText';
import { SaveRows } from './SaveRows';
import { SquadTrend } from './SquadTrend';
import { weeksBack, type Weeks } from './weeks';
import { WeeksPicker } from './WeeksPicker';

const EVERYONE = 'all';

/** A row, and by how much the same work has felt harder lately. */
type Row = SquadRow & { creep?: number };
type Column = TableColumn & { by: (row: Row) => number | undefined; text: (row: Row) => string };

const some = (value: number | undefined, text: (value: number) => string): string =>
  value === undefined ? '–' : text(value);

/** What there is to sort by; what needs a look is first. */
const COLUMNS: Column[] = [
  {
    key: 'attended',
    title: 'There',
    under: 'sessions',
    width: 84,
    by: ({ attended }) => -attended,
    text: ({ attended, of }) => `${attended} of ${of}`,
  },
  {
    key: 'even',
    title: 'Even',
    under: 'rep to rep',
    width: 84,
    by: ({ evennessPercent }) => evennessPercent,
    text: ({ evennessPercent }) => some(evennessPercent, (value) => `± ${value.toFixed(1)}\u00a0%`),
  },
  {
    key: 'fade',
    title: 'Fade',
    under: 'first to last',
    width: 88,
    by: ({ fadePercent }) => fadePercent,
    text: ({ fadePercent }) => some(fadePercent, signedPercent),
  },
  {
    key: 'on',
    title: 'On target',
    under: 'of the reps',
    width: 92,
    by: ({ onShare }) => (onShare === undefined ? undefined : -onShare),
    text: ({ onShare }) => some(onShare, (value) => `${Math.round(value * 100)}\u00a0%`),
  },
  {
    key: 'effort',
    title: 'Effort',
    under: 'to what is meant',
    width: 104,
    by: ({ effortAbove }) => effortAbove,
    text: ({ effortAbove }) => some(effortAbove, formatDelta),
  },
  {
    key: 'creep',
    title: 'Creeping up',
    under: 'effort, last three',
    width: 116,
    by: ({ creep }) => creep,
    text: ({ creep }) => some(creep, (value) => `${formatDelta(value)} for the same`),
  },
];

/** The squad over some weeks: who is even, who slips, whose effort rises, who was missing; and its load. */
export function SquadReviewPage() {
  const [weeks, setWeeks] = useState<Weeks>('14');
  const [groupId, setGroupId] = useState(EVERYONE);
  const [sortKey, setSortKey] = useState('creep');
  const window = useMemo(() => weeksBack(Number(weeks)), [weeks]);
  const { squad } = useSquad();
  const { data, error, refetch } = useSquadHistoryQuery(window);
  const members = useMemo(
    () => squad?.athletes.filter((athlete) => groupId === EVERYONE || athlete.groupId === groupId) ?? [],
    [squad, groupId],
  );
  const care = useCare(squad, window.to);
  const rows = useMemo(
    () =>
      data
        ? squadRows(
            data,
            members.map(({ id }) => id),
          ).map((row): Row => {
            const by = care?.known[row.athleteId]?.creep?.by;
            return by === undefined ? row : { ...row, creep: by };
          })
        : [],
    [data, members, care],
  );
  const ids = useMemo(() => new Set(members.map(({ id }) => id)), [members]);
  const ofGroup = useMemo(
    () => ({
      athletes: data?.athletes.filter(({ athleteId }) => ids.has(athleteId)) ?? [],
      metres: data?.metres.filter(({ athleteId }) => ids.has(athleteId)) ?? [],
    }),
    [data, ids],
  );
  const sorted = COLUMNS.find(({ key }) => key === sortKey);
  const shown = sorted ? [...rows].sort((a, b) => (sorted.by(b) ?? -Infinity) - (sorted.by(a) ?? -Infinity)) : rows;
  const nameOf = new Map(members.map(({ id, name }) => [id, name]));
  const groups = squad?.settings.groups ?? [];
  let body: ReactNode = <Loading />;
  if (error) body = <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble>;
  else if (data?.runs.length === 0)
    body = (
      <Empty
        title="Nothing run in these weeks"
        action={{ label: 'Go to the track', onPress: () => router.push('/track') }}
      >
        Once sessions have been timed, everyone’s weeks stand here.
      </Empty>
    );
  else if (data)
    body = (
      <>
        <Table
          label="The squad over the weeks"
          nameTitle="Athlete"
          columns={COLUMNS.map(({ by: _by, text: _text, ...column }) => ({
            ...column,
            sorted: column.key === sortKey,
            onPress: () => setSortKey(column.key),
          }))}
          rows={shown.map((row) => ({
            key: row.athleteId,
            name: nameOf.get(row.athleteId) ?? '',
            onPress: () => router.push(`/squad/${row.athleteId}?side=sessions`),
            cells: COLUMNS.map(({ key, text }) => (
              <View key={key}>
                <Text as={key === sortKey ? 'strong' : 'body'}>{text(row)}</Text>
              </View>
            )),
          }))}
          nameLabel={(name) => `The story of ${name}`}
        />
        <Later>
          <LoadPart
            name={groups.find(({ id }) => id === groupId)?.name ?? 'The squad'}
            runs={data.runs}
            athletes={ofGroup.athletes}
            metres={ofGroup.metres}
            window={window}
            members={members}
            isMean
          />
        </Later>
        {squad && <SquadTrend squad={squad} members={members} />}
        <View style={{ alignItems: 'flex-start' }}>
          <SaveRows name="Squad" window={window} />
        </View>
      </>
    );
  return (
    <Page title="The squad over the weeks" onBack={() => router.replace('/results')} backLabel="Back to all results">
      <WeeksPicker value={weeks} onChange={setWeeks} />
      {groups.length > 0 && (
        <Select
          label="Group"
          options={[
            { value: EVERYONE, text: 'Everyone' },
            ...groups.map(({ id, name }) => ({ value: id, text: name })),
          ]}
          value={groupId}
          onChange={setGroupId}
        />
      )}
      <View style={{ gap: SPACE.l }}>{body}</View>
    </Page>
  );
}
