import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { BookSession } from '@core/library/bookSession';
import { isStarter } from '@core/library/starters';
import type { SquadView } from '../data/useSquad';
import { useChangeBookMutation } from '../store/api';
import { today } from '../ui/days';
import { WhenField } from '../ui/WhenField';
import { Empty } from '../ui/Empty';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { useNotice } from '../ui/Notices';
import { EditorPage } from '../parts/editor/write/EditorPage';
import { useDraft } from '../parts/editor/write/useDraft';
import { BookAbout } from './BookAbout';
import { draftOf, sessionOf, type BookDraft } from './bookDraft';
import { useBookChange, type BookView } from '../data/useBook';
import { usePutOnDay } from './usePutOnDay';
import { backToBook, WithBook } from './WithBook';

type Props = { stored: BookSession; book: BookView; squad: SquadView };

function Editor({ stored, book, squad }: Props) {
  const [send] = useChangeBookMutation();
  const putOn = usePutOnDay();
  const change = useBookChange(book);
  const notice = useNotice();
  const [date, setDate] = useState(today);
  const start = useMemo(() => draftOf(stored), [stored]);
  const save = useCallback((draft: BookDraft) => send({ sessions: [sessionOf(draft, stored)] }), [send, stored]);
  const draft = useDraft<BookDraft>(stored.id, start, squad.paceNames, save);
  const { typed, saveNow } = draft;
  const remove = async () => {
    const starter = isStarter(stored.id);
    const { title } = stored;
    const refused = await change(
      starter ? { sessions: [{ ...stored, archived: true }] } : { removedSessionIds: [stored.id] },
      starter ? `“${title}” is out of sight, under Archived.` : `“${title}” is out of the book.`,
    );
    if (refused !== undefined) return notice({ text: refused });
    backToBook();
  };
  const favour = async () => {
    await saveNow();
    const { favourite, ...rest } = sessionOf(typed, stored);
    const says = favourite ? 'No longer a favourite.' : 'A favourite.';
    const refused = await change({ sessions: [favourite ? rest : { ...rest, favourite: true }] }, says);
    if (refused !== undefined) notice({ text: refused });
  };
  const putOnDate = async () => {
    await saveNow();
    await putOn(sessionOf(typed, stored), date, `/sessions/book/${stored.id}`);
  };
  return (
    <EditorPage
      draft={draft}
      squad={squad}
      date={date}
      title="In the book"
      onBack={backToBook}
      backLabel="Back to the book"
      onRemove={{ label: 'Remove from the book', go: () => void remove() }}
      fields={
        <View style={{ justifyContent: 'flex-end' }}>
          <IconButton
            icon={stored.favourite ? 'star' : 'star-outline'}
            onPress={() => void favour()}
            accessibilityLabel={stored.favourite ? 'No longer a favourite' : 'Make it a favourite'}
            style={{ margin: 0, width: 48, height: 48 }}
          />
        </View>
      }
      about={
        <BookAbout
          session={sessionOf(typed, stored)}
          typed={typed}
          onChange={draft.change}
          onText={(shorthand) => draft.change({ shorthand })}
          book={book}
          paceNames={squad.paceNames}
        />
      }
      footer={(readable) => (
        <View style={{ flexDirection: 'row', gap: 8, alignItems: 'flex-end' }}>
          <View style={{ flex: 1, minWidth: 0 }}>
            <WhenField type="date" label="On" value={date} onChange={(day) => setDate(day === '' ? today() : day)} />
          </View>
          <View style={{ flex: 1 }}>
            <PrimaryButton main icon="plus" disabled={!readable} onPress={() => void putOnDate()}>
              Put on this day
            </PrimaryButton>
          </View>
        </View>
      )}
    />
  );
}

/** A session of the book: written, drawn, said what it is for, and put on a day. */
export function BookSessionEditor({ id }: { id: string }) {
  return (
    <WithBook title="In the book">
      {(book, squad) => {
        const stored = book.sessions.find((session) => session.id === id);
        return stored ? (
          <Editor key={id} stored={stored} book={book} squad={squad} />
        ) : (
          <Page title="In the book" onBack={backToBook} backLabel="Back to the book">
            <Empty title="No such session" action={{ label: 'Go to the book', onPress: backToBook }}>
              There is no session at this address. It may have been removed.
            </Empty>
          </Page>
        );
      }}
    </WithBook>
  );
}
