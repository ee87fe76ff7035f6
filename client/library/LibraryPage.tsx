import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { searchLibrary, type LibraryEntry, type LibraryQuery } from '@core/library/searchLibrary';
import { INTENT_FACTS, INTENTS, type Intent } from '@core/session/intent';
import { usePaceNames } from '../data/useSquad';
import { troubleText } from '../store/api';
import { Chips } from '../ui/Chips';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { LongList } from '../ui/LongList';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { TextField } from '../ui/TextField';
import { rem } from '../ui/rem';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { LibraryRow } from './LibraryRow';
import { LENGTHS } from './libraryText';
import { readAhead } from './readAhead';
import { useLibrary, useLibraryChange, type LibraryView } from '../data/useLibrary';

const keyOf = ({ session }: LibraryEntry) => session.id;

function Found({ library, query }: { library: LibraryView; query: LibraryQuery }) {
  const found = useMemo(() => searchLibrary(library.entries, query), [library.entries, query]);
  useEffect(() => readAhead(library.entries), [library.entries]);
  if (found.length === 0)
    return (
      <Empty title="Nothing like that">
        No session in the library fits all of it. Take a word or a choice away, or write a new one.
      </Empty>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="small" quiet live="polite">
        {counted(found.length, 'session')}
      </Text>
      <LongList
        rows={found}
        keyOf={keyOf}
        row={(entry) => (
          <LibraryRow
            entry={entry}
            use={library.useOf(entry.session.id)}
            href={`/sessions/library/${entry.session.id}`}
          />
        )}
      />
    </View>
  );
}

const SHOWN = [
  { value: 'favourites', text: '★ Favourites' },
  { value: 'archived', text: 'Archived' },
] as const;

/** The library: every session of one's own and those to start from, to be found again. */
export function LibraryPage() {
  const { library, error, retry } = useLibrary();
  const change = useLibraryChange(library);
  const paceNames = usePaceNames();
  const wide = useWide();
  const [words, setWords] = useState('');
  const [intent, setIntent] = useState<Intent | ''>('');
  const [pace, setPace] = useState('');
  const [length, setLength] = useState<(typeof LENGTHS)[number]['value']>('');
  const [tag, setTag] = useState('');
  const [shown, setShown] = useState<string[]>([]);
  const [isChoosing, setChoosing] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const chosen = [intent, pace, length, tag].filter(Boolean).length + shown.length;
  const tags = useMemo(
    () => [...new Set((library?.sessions ?? []).flatMap((session) => session.tags))].sort((a, b) => a.localeCompare(b)),
    [library],
  );
  const query = useMemo((): LibraryQuery => {
    const { fromM, belowM } = LENGTHS.find(({ value }) => value === length) ?? LENGTHS[0];
    return {
      words,
      intent: intent === '' ? undefined : intent,
      pace: pace === '' ? undefined : pace,
      tag: tag === '' ? undefined : tag,
      fromM,
      belowM,
      favourites: shown.includes('favourites'),
      archived: shown.includes('archived'),
    };
  }, [words, intent, pace, tag, length, shown]);
  const add = async () => {
    const id = ulid();
    const refused = await change(
      { sessions: [{ id, title: 'New session', shorthand: '', tags: [] }] },
      'A new session in the library.',
    );
    setTrouble(refused);
    if (refused === undefined) router.push(`/sessions/library/${id}`);
  };
  const any = (text: string) => [{ value: '' as const, text }];
  const pick = (element: React.ReactNode) => (
    <View style={{ flexGrow: 1, flexBasis: rem(150), minWidth: 0 }}>{element}</View>
  );
  return (
    <Page
      title="Library"
      onBack={() => router.replace('/sessions')}
      backLabel="Back to all sessions"
      footer={
        <PrimaryButton main icon="plus" onPress={() => void add()}>
          New in the library
        </PrimaryButton>
      }
    >
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !library && <Loading />}
      <TextField finds label="Find" value={words} onChange={setWords} placeholder="a word, a distance, a tag" />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {!wide && (
          <SmallButton expanded={isChoosing} onPress={() => setChoosing(!isChoosing)}>
            {chosen > 0 ? `Choose by (${chosen})` : 'Choose by'}
          </SmallButton>
        )}
        <SmallButton onPress={() => router.push('/sessions/progressions')}>Progressions</SmallButton>
        <SmallButton onPress={() => router.push('/sessions/files')}>Import, export</SmallButton>
      </View>
      {(wide || isChoosing) && (
        <View style={{ gap: SPACE.s }}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {pick(
              <Select
                label="Kind"
                options={[...any('any kind'), ...INTENTS.map((value) => ({ value, text: INTENT_FACTS[value].name }))]}
                value={intent}
                onChange={setIntent}
              />,
            )}
            {pick(<Select label="Length" options={LENGTHS} value={length} onChange={setLength} />)}
            {pick(
              <Select
                label="Pace"
                options={[...any('any pace'), ...paceNames.map((value) => ({ value, text: value }))]}
                value={pace}
                onChange={setPace}
              />,
            )}
            {pick(
              <Select
                label="Tag"
                options={[...any('any tag'), ...tags.map((value) => ({ value, text: value }))]}
                value={tag}
                onChange={setTag}
              />,
            )}
          </View>
          <Chips label="Show only" options={SHOWN} chosen={shown} onChange={setShown} />
        </View>
      )}
      {library && <Found library={library} query={query} />}
    </Page>
  );
}
