import { router } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { searchBook, type BookQuery } from '@core/library/searchBook';
import { INTENT_FACTS, INTENTS, type Intent } from '@core/session/intent';
import { usePaceNames } from '../data/useSquad';
import { troubleText } from '../store/api';
import { Chips } from '../ui/Chips';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { Words } from '../ui/Words';
import { BookRow } from './BookRow';
import { LENGTHS } from './bookWords';
import { useBook, useBookChange, type BookView } from '../data/useBook';

/** So many are drawn at first, those in sight before the rest: the others when they are asked for. */
const FIRST = 25;
const IN_SIGHT = 8;

function Found({ book, query }: { book: BookView; query: BookQuery }) {
  const [shown, setShown] = useState(FIRST);
  const found = useMemo(() => searchBook(book.entries, query), [book.entries, query]);
  const isSettled = useDeferredValue(found) === found;
  if (found.length === 0)
    return (
      <Empty title="Nothing like that">
        No session of the book fits all of it. Take a word or a choice away, or write a new one.
      </Empty>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="small" quiet live="polite">
        {found.length === 1 ? '1 session' : `${found.length} sessions`}
      </Words>
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {found.slice(0, isSettled ? shown : IN_SIGHT).map((entry) => (
          <View role="listitem" key={entry.session.id}>
            <BookRow entry={entry} use={book.useOf(entry.session.id)} href={`/sessions/book/${entry.session.id}`} />
          </View>
        ))}
      </View>
      {found.length > shown && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={() => setShown(shown + 50)}>{`Show more (${found.length - shown})`}</SmallButton>
        </View>
      )}
    </View>
  );
}

const SHOWN = [
  { value: 'favourites', text: '★ Favourites' },
  { value: 'archived', text: 'Archived' },
] as const;

/** The book: every session of one's own and those to start from, to be found again. */
export function BookPage() {
  const { book, error, retry } = useBook();
  const change = useBookChange(book);
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
    () => [...new Set((book?.sessions ?? []).flatMap((session) => session.tags))].sort((a, b) => a.localeCompare(b)),
    [book],
  );
  const query = useMemo((): BookQuery => {
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
      'A new session in the book.',
    );
    setTrouble(refused);
    if (refused === undefined) router.push(`/sessions/book/${id}`);
  };
  const any = (text: string) => [{ value: '' as const, text }];
  const pick = (element: React.ReactNode) => (
    <View style={{ flexGrow: 1, flexBasis: 150, minWidth: 0 }}>{element}</View>
  );
  return (
    <Page
      title="The book"
      onBack={() => router.replace('/sessions')}
      backLabel="Back to all sessions"
      footer={
        <PrimaryButton main icon="plus" onPress={() => void add()}>
          New in the book
        </PrimaryButton>
      }
    >
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !book && <Loading />}
      <TextField label="Find" value={words} onChange={setWords} placeholder="a word, a distance, a tag" />
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
      {book && <Found book={book} query={query} />}
    </Page>
  );
}
