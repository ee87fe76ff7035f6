import { router } from 'expo-router';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { PACE_BOOK_NOTES } from '@core/paces/shippedPaceBooks';
import type { PaceBook } from '@core/paces/paceBook';
import { troubleText, usePutPaceBookMutation } from '../../store/api';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { SmallButton } from '../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { useNotice } from '../../ui/Notices';
import { Text } from '../../ui/Text';
import { paceBookOf, useSquad, type SquadView } from '../../data/useSquad';
import { useSquadChange } from '../../data/useSquadChange';
import { MODEL_WORDS } from '../../data/athleteText';
import { copyOf } from './paceBookForm';

function PaceBookCard({ book, squad }: { book: PaceBook; squad: SquadView }) {
  const palette = usePalette();
  const notice = useNotice();
  const { change } = useSquadChange(squad);
  const [put] = usePutPaceBookMutation();
  const isUsed = squad.settings.paceBookId === book.id;
  const ownAthletes = squad.athletes.filter(
    (athlete) => athlete.paceBookId === book.id && paceBookOf(athlete, squad) === book,
  );
  const isShipped = book.id in PACE_BOOK_NOTES;
  const copy = async () => {
    const made = copyOf(
      book,
      ulid(),
      squad.books.map(({ name }) => name),
    );
    const sent = await put(made);
    if (sent.error) return notice({ text: troubleText(sent.error) });
    router.push(`/squad/books/${made.id}`);
    return notice({ text: `“${made.name}” is made: change what you like.` });
  };
  return (
    <View
      role="listitem"
      style={{
        gap: SPACE.s,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderWidth: isUsed ? 2.5 : 1,
        borderColor: isUsed ? palette.ink : palette.line,
      }}
    >
      <View>
        <Text as="heading" level={2}>
          {book.name}
        </Text>
        <Text as="small" quiet>
          {PACE_BOOK_NOTES[book.id] ?? `Your own, ${book.entries.length} paces by ${MODEL_WORDS[book.model]}.`}
        </Text>
        {isUsed && <Text as="strong">The squad’s book</Text>}
        {ownAthletes.length > 0 && (
          <Text as="small">{`For ${ownAthletes.map(({ tileName }) => tileName).join(', ')}`}</Text>
        )}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {!isUsed && (
          <SmallButton
            label={`Use ${book.name} for the squad`}
            onPress={() => void change({ paceBookId: book.id }, `The squad’s paces now come by “${book.name}”.`)}
          >
            Use for the squad
          </SmallButton>
        )}
        <SmallButton
          label={isShipped ? `See ${book.name}` : `Change ${book.name}`}
          onPress={() => router.push(`/squad/books/${book.id}`)}
        >
          {isShipped ? 'See it' : 'Change'}
        </SmallButton>
        <SmallButton label={`Copy ${book.name}`} onPress={() => void copy()}>
          Copy
        </SmallButton>
      </View>
    </View>
  );
}

/** The pace books there are, one for each school and the coach's own; one of them is the squad's. */
export function PaceBookList() {
  const { squad, error, retry } = useSquad();
  return (
    <Page title="Pace books" onBack={() => router.replace('/squad')} backLabel="Back to the squad">
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !squad && <Loading />}
      <Text as="small" quiet>
        Coaches disagree where paces come from. Choose a book for the squad, another for single athletes, or copy one
        and make it yours.
      </Text>
      <View role="list" style={{ gap: SPACE.m, maxWidth: 640 }}>
        {squad?.books.map((book) => (
          <PaceBookCard key={book.id} book={book} squad={squad} />
        ))}
      </View>
    </Page>
  );
}
