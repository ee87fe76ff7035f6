import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { MODEL_NAMES, type ModelName } from '@core/fitness/curve';
import { basisText } from '@core/paces/checkPaceBook';
import { speedOfEntry, USUAL_TOLERANCE, type PaceBook, type PaceEntry } from '@core/paces/paceBook';
import { PACE_NAMES } from '@core/session/paceNames';
import { PACE_BOOK_NOTES } from '@core/paces/shippedPaceBooks';
import { athletePaces } from '@core/squad/athletePaces';
import type { SquadMember } from '@core/squad/athlete';
import {
  troubleText,
  usePutPaceBookMutation,
  useRemovePaceBookMutation,
  useRestorePaceBookMutation,
} from '../../store/api';
import { Choice } from '../../ui/Choice';
import { today } from '../../ui/days';
import { NotThere } from '../../ui/NotThere';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { TextField } from '../../ui/TextField';
import { SPACE, usePalette } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { useNotice } from '../../ui/Notices';
import { Text } from '../../ui/Text';
import { paceText } from '../squadRows';
import { useSquad, type SquadView } from '../../data/useSquad';
import { MODEL_WORDS } from '../../data/athleteText';
import { copyOf, withEntry } from './paceBookForm';
import { EntryEditor } from './EntryEditor';

const backToPaceBooks = () => router.replace('/squad/books');

const MODELS = MODEL_NAMES.map((model) => ({ value: model, text: MODEL_WORDS[model] }));
const MODEL_SAYS: Record<ModelName, string> = {
  endurance: 'Races and trials of any distance, weighed by age and kind (Péronnet and Thibault, 1989).',
  'power-law': 'Time grows with distance by a power, usually 1.06 (Riegel, 1981).',
  'critical-speed': 'Two or more flat-out efforts of 2 to 20 minutes (Monod and Scherrer, 1965).',
};

const isStandard = (name: string) => (PACE_NAMES as readonly string[]).includes(name);
const NEW_ENTRY: PaceEntry = {
  name: '',
  short: '',
  tolerance: USUAL_TOLERANCE,
  basis: { kind: 'share', of: 'threshold', share: 0.97 },
};

function EntryRow({ entry, example, onPress }: { entry: PaceEntry; example: string; onPress?: () => void }) {
  const palette = usePalette();
  const row = (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.m,
        minHeight: 56,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
      }}
    >
      <Text as="strong" style={{ width: 40 }}>
        {entry.short}
      </Text>
      <View style={{ flex: 1 }}>
        <Text as="strong">{entry.name}</Text>
        <Text as="small" quiet>
          {`${basisText(entry)} · within ${Math.round(entry.tolerance * 1000) / 10} %`}
        </Text>
      </View>
      <Text>{example}</Text>
    </View>
  );
  if (!onPress) return row;
  return (
    <Press role="button" aria-label={`Change ${entry.name}`} onPress={onPress}>
      {row}
    </Press>
  );
}

/** The first athlete who has paces by this book, to show what it comes to. */
function exampleBy(book: PaceBook, athletes: readonly SquadMember[], asOf: string) {
  for (const athlete of athletes) {
    const { curve } = athletePaces(athlete, book, asOf);
    if (curve) return { tileName: athlete.tileName, curve };
  }
  return undefined;
}

function Book({ book, squad }: { book: PaceBook; squad: SquadView }) {
  const isShipped = book.id in PACE_BOOK_NOTES;
  const notice = useNotice();
  const [put] = usePutPaceBookMutation();
  const [removePaceBook] = useRemovePaceBookMutation();
  const [restore] = useRestorePaceBookMutation();
  const [name, setName] = useState(book.name);
  const [open, setOpen] = useState<number>();
  const [trouble, setTrouble] = useState<string>();
  const asOf = today();
  const { athletes } = squad;
  const example = useMemo(() => exampleBy(book, athletes, asOf), [book, athletes, asOf]);
  const exampleOf = (entry: PaceEntry) => {
    const speedMps = example && speedOfEntry(book, entry.name, example.curve);
    return speedMps === undefined ? '' : paceText(speedMps, '400');
  };

  /** @returns what went wrong, if anything. */
  const keep = async (next: PaceBook, noticeText: string): Promise<string | undefined> => {
    const sent = await put(next);
    if (sent.error) return troubleText(sent.error);
    notice({ text: noticeText, undo: () => put(book) });
    return undefined;
  };
  const keepEntry = (index: number) => async (entry: PaceEntry | undefined) => {
    const { book: next, problem } = withEntry(book, index, entry);
    if (problem !== undefined) return problem;
    const failed = await keep(
      next,
      entry ? `“${entry.name}” is changed.` : `“${book.entries[index]?.name}” is removed.`,
    );
    if (failed === undefined) setOpen(undefined);
    return failed;
  };
  const remove = async () => {
    const sent = await removePaceBook(book.id);
    if (sent.error) return setTrouble(troubleText(sent.error));
    backToPaceBooks();
    return notice({ text: `“${book.name}” is removed.`, undo: () => restore(book.id) });
  };
  const copy = async () => {
    const made = copyOf(
      book,
      ulid(),
      squad.books.map((other) => other.name),
    );
    const sent = await put(made);
    if (sent.error) return setTrouble(troubleText(sent.error));
    return router.replace(`/squad/books/${made.id}`);
  };
  const editor = (entry: PaceEntry, index: number) => (
    <EntryEditor
      key={index}
      entry={entry}
      isStandard={isStandard(entry.name)}
      others={book.entries.map((other) => other.name).filter((other) => other !== entry.name)}
      save={keepEntry(index)}
      cancel={() => setOpen(undefined)}
      {...(entry.name !== '' && !isStandard(entry.name)
        ? { remove: () => void keepEntry(index)(undefined).then(setTrouble) }
        : {})}
    />
  );
  return (
    <Page
      title={book.name}
      subtitle={PACE_BOOK_NOTES[book.id] ?? 'Your own book. Changes are saved at once.'}
      onBack={backToPaceBooks}
      backLabel="Back to the pace books"
      readOnly={isShipped}
      footer={
        isShipped ? (
          <PrimaryButton main onPress={() => void copy()}>
            Copy and make it mine
          </PrimaryButton>
        ) : undefined
      }
    >
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <View style={{ gap: SPACE.l, maxWidth: 640 }}>
        {!isShipped && (
          <View style={{ gap: SPACE.m }}>
            <TextField
              label="Name of the book"
              value={name}
              onChange={setName}
              error={name.trim() === '' ? 'A pace book needs a name.' : undefined}
              onBlur={() => {
                if (name.trim() !== '' && name.trim() !== book.name)
                  void keep({ ...book, name: name.trim() }, 'The name is changed.').then(setTrouble);
              }}
            />
            <Choice
              label="Paces come by"
              showLabel
              options={MODELS}
              value={book.model}
              onChange={(model) =>
                void keep({ ...book, model }, `Paces come by ${MODEL_WORDS[model]}.`).then(setTrouble)
              }
            />
          </View>
        )}
        <Text as="small" quiet>
          {MODEL_SAYS[book.model]}
        </Text>
        <View>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Text as="label" quiet>
              {isShipped ? 'Pace' : 'Press a pace to change it'}
            </Text>
            <Text as="label" quiet>
              {example ? `${example.tileName}, a lap` : ''}
            </Text>
          </View>
          {book.entries.map((entry, index) =>
            index === open ? (
              editor(entry, index)
            ) : (
              <EntryRow
                key={entry.name}
                entry={entry}
                example={exampleOf(entry)}
                {...(isShipped ? {} : { onPress: () => setOpen(index) })}
              />
            ),
          )}
          {!isShipped && open === book.entries.length && editor(NEW_ENTRY, book.entries.length)}
        </View>
        {!isShipped && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            <PrimaryButton icon="plus" onPress={() => setOpen(book.entries.length)}>
              Add a pace
            </PrimaryButton>
            <PrimaryButton icon="remove" onPress={() => void remove()}>
              Remove the book
            </PrimaryButton>
          </View>
        )}
      </View>
    </Page>
  );
}

/** A pace book: what comes with the app can be read and copied, the coach's own changed. */
export function PaceBookEditor({ id }: { id: string }) {
  const { squad, error, retry } = useSquad();
  const book = squad?.books.find((candidate) => candidate.id === id);
  if (squad && book) return <Book key={id} book={book} squad={squad} />;
  return (
    <Page title="Pace book" onBack={backToPaceBooks} backLabel="Back to the pace books">
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !squad && <Loading />}
      {squad && <NotThere what="pace book" goTo="the pace books" onGo={backToPaceBooks} />}
    </Page>
  );
}
