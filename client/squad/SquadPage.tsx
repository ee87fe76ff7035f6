import { counted } from '@core/units/counted';
import { router, usePathname } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { STATUSES, type Group, type SquadMember } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { troubleText } from '../store/api';
import { useAppSelector } from '../store/store';
import { today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { SettingsLink } from '../parts/SettingsLink';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SmallButton } from '../ui/SmallButton';
import { Select } from '../ui/Select';
import { Table, type TableHeading, type TableRow } from '../ui/Table';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { ActOnChosen } from './ActOnChosen';
import { PaceOptions } from './PaceOptions';
import { arrangeSquad, cellText, sureOf, UNIT_WORDS, type Show } from './squadRows';
import { paceBookOf, everyoneIn, pacesOf, type SquadView, useSquad } from '../data/useSquad';
import { STATUS_WORDS } from '../data/athleteText';

/** A group over its athletes. Typed for itself: in a list of rows and headings the compiler would not see a field too many. */
const headingOf = ({ id, name }: Group, count: number): TableHeading => ({
  key: `group:${id}`,
  heading: name,
  detail: String(count),
});

/** Returns the line under a name: status unless training, and the latest mark. */
function underName({ status, marks }: SquadMember): string {
  const [latest] = [...marks].sort((a, b) => b.date.localeCompare(a.date));
  const mark = latest ? `${formatDistance(latest.distanceM)} ${formatMarkTime(latest.timeS)}` : 'no mark yet';
  return status === 'training' ? mark : `${STATUS_WORDS[status]} · ${mark}`;
}

const showOptions = ({ settings, archived }: SquadView): { value: Show; text: string }[] => [
  { value: 'everyone', text: 'Everyone' },
  ...settings.groups.map(({ id, name }) => ({ value: `group:${id}` as const, text: name })),
  ...STATUSES.map((status) => ({ value: status, text: STATUS_WORDS[status] })),
  { value: 'unsure', text: 'unsure paces' },
  ...(archived.length > 0 ? [{ value: 'archived' as const, text: `archive (${archived.length})` }] : []),
];

function Matrix({
  squad,
  narrow,
  choosing,
  chosen,
  toggle,
}: {
  squad: SquadView;
  /** Beside an open athlete: names and one pace. */
  narrow: boolean;
  choosing: boolean;
  chosen: ReadonlySet<string>;
  toggle: (id: string) => void;
}) {
  const view = useAppSelector((state) => state.settings.paces);
  const [find, setFind] = useState('');
  const [show, setShow] = useState<Show>('everyone');
  const [sortBy, setSortBy] = useState<string>();
  const path = usePathname();
  const asOf = today();
  const squadBook = squad.books.find(({ id }) => id === squad.settings.paceBookId) ?? squad.books[0];
  const wanted = useDeferredValue(find);
  const shown = narrow ? [view.shown.includes('threshold') ? 'threshold' : (view.shown[0] ?? 'threshold')] : view.shown;
  const sections = useMemo(() => {
    const from = show === 'archived' ? squad.archived : squad.athletes;
    const arrangement = { find: wanted, show, sortBy, byGroup: view.byGroup };
    return arrangeSquad(from, squad.settings.groups, arrangement, (athlete) => pacesOf(athlete, squad, asOf));
  }, [squad, wanted, show, sortBy, view.byGroup, asOf]);

  const groupName = new Map(squad.settings.groups.map(({ id, name }) => [id, name]));
  const rowOf = (athlete: SquadMember): TableRow => {
    const group = view.byGroup ? undefined : groupName.get(athlete.groupId ?? '');
    return {
      key: athlete.id,
      name: athlete.name,
      under: group === undefined ? underName(athlete) : `${group} · ${underName(athlete)}`,
      chosen: !choosing && path === `/squad/${athlete.id}`,
      ...(choosing
        ? { ticked: chosen.has(athlete.id), onPress: () => toggle(athlete.id) }
        : { href: `/squad/${athlete.id}` as const }),
      // Curves are costly: they are worked out for the rows in sight first.
      cells: (count) => {
        const paces = pacesOf(athlete, squad, asOf);
        const isUnsure = sureOf(paces) === 'unsure';
        return shown.slice(0, count).map((name) => (
          <Text key={name} quiet={isUnsure} numberOfLines={1}>
            {cellText(paces, name, view.unit)}
          </Text>
        ));
      },
    };
  };
  const rows: (TableRow | TableHeading)[] = sections.flatMap(({ group, athletes }) => [
    ...(group ? [headingOf(group, athletes.length)] : []),
    ...athletes.map(rowOf),
  ]);
  const isMixed = squad.athletes.some((athlete) => paceBookOf(athlete, squad) !== squadBook);
  return (
    <>
      <View style={{ flexDirection: 'row', gap: SPACE.s, maxWidth: 560 }}>
        <View style={{ flex: 3 }}>
          <TextField finds label="Find by name" value={find} onChange={setFind} />
        </View>
        <View style={{ flex: 2, minWidth: 128 }}>
          <Select label="Show" options={showOptions(squad)} value={show} onChange={setShow} />
        </View>
      </View>
      {rows.length === 0 ? (
        <Text quiet>Nobody like that. Change what is found or shown.</Text>
      ) : (
        <Table
          label="Paces of the squad"
          nameTitle={`Paces ${UNIT_WORDS[view.unit]}`}
          nameWidth={choosing || narrow ? 176 : 132}
          rowHeight={56}
          columns={shown.map((name) => ({
            key: name,
            title: name,
            width: 75,
            sorted: sortBy === name,
            onPress: () => setSortBy((before) => (before === name ? undefined : name)),
          }))}
          rows={rows}
        />
      )}
      <Text as="small" quiet>
        {`Paces by “${squadBook?.name ?? ''}”${isMixed ? ', some athletes by their own book' : ''}. ≈ means unsure: a fresh mark would settle it.`}
      </Text>
    </>
  );
}

const PLACES = [
  { href: '/squad/groups', text: 'Groups' },
  { href: '/squad/books', text: 'Pace books' },
  { href: '/squad/files', text: 'Files' },
] as const;

/** Everyone in the squad with their paces, by group; several can be chosen and acted on at once. */
export function SquadPage() {
  const { squad, error, retry } = useSquad();
  const wide = useWide();
  const path = usePathname();
  const narrow = wide && path !== '/squad';
  const [isChoosing, setChoosing] = useState(false);
  const [hasOptions, setOptions] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const choosing = isChoosing && !narrow;
  const toggle = (id: string) =>
    setChosen((before) => new Set(before.has(id) ? [...before].filter((other) => other !== id) : [...before, id]));
  const stop = () => {
    setChoosing(false);
    setChosen(new Set());
  };
  const everyone = squad ? everyoneIn(squad) : [];
  const isEmpty = squad !== undefined && everyone.length === 0;
  return (
    <Page
      title="Squad"
      {...(squad && !isEmpty ? { subtitle: counted(squad.athletes.length, 'athlete') } : {})}
      aside={wide ? undefined : <SettingsLink />}
      footer={
        choosing && squad ? (
          <ActOnChosen squad={squad} chosen={everyone.filter(({ id }) => chosen.has(id))} done={stop} />
        ) : (
          <View style={{ flexDirection: 'row', gap: SPACE.s }}>
            <View style={{ flex: 1 }}>
              <PrimaryButton main icon="plus" onPress={() => router.push('/squad/new')}>
                Add athlete
              </PrimaryButton>
            </View>
            {isEmpty && <PrimaryButton onPress={() => router.push('/squad/files')}>Paste a list</PrimaryButton>}
            {!isEmpty && !narrow && (
              <PrimaryButton onPress={() => setChoosing(true)} label="Choose several athletes">
                Choose
              </PrimaryButton>
            )}
          </View>
        )
      }
    >
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !squad && <Loading />}
      {squad && !choosing && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          {PLACES.map(({ href, text }) => (
            <SmallButton key={href} onPress={() => router.push(href)}>
              {text}
            </SmallButton>
          ))}
          {!isEmpty && !narrow && (
            <SmallButton onPress={() => setOptions(!hasOptions)} expanded={hasOptions}>
              View
            </SmallButton>
          )}
        </View>
      )}
      {squad && hasOptions && !choosing && !narrow && (
        <PaceOptions names={squad.paceNames} hasGroups={squad.settings.groups.length > 0} />
      )}
      {isEmpty && (
        <Empty title="Nobody here yet">
          Add each athlete with one race or trial: that is enough to give them their own paces. More marks make them
          surer. A list from a message or a spreadsheet can be pasted.
        </Empty>
      )}
      {squad && !isEmpty && (
        <Matrix squad={squad} narrow={narrow} choosing={choosing} chosen={chosen} toggle={toggle} />
      )}
    </Page>
  );
}
