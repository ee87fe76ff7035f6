import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { ReadSessions } from '@core/formats/sessionFile';
import { today } from '../ui/days';
import { FilePicker } from '../ui/FilePicker';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveFile } from '../ui/saveFile';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { useBookChange, type BookView } from '../data/useBook';
import { backToBook, WithBook } from './WithBook';

/** A file longer than this is no book of sessions. */
const LARGEST = 8_000_000;
const CODE_MISSING =
  'What reads and writes files cannot be fetched: the server cannot be reached. Nothing was changed.';

type Found = Extract<ReadSessions, { ok: true }>;

const SAYS = { new: 'new', known: 'in the book already', draft: 'a draft, to be mended' } as const;

function Files({ book, paceNames }: { book: BookView; paceNames: readonly string[] }) {
  const palette = usePalette();
  const change = useBookChange(book);
  const [found, setFound] = useState<Found>();
  const [trouble, setTrouble] = useState<string>();
  const wholeBook = book.sessions.filter(({ archived }) => !archived);
  const checks = async () => {
    const code = await import('../data/checks').catch(() => undefined);
    if (!code) setTrouble(CODE_MISSING);
    return code;
  };
  const save = async () => {
    const code = await checks();
    if (!code) return;
    const text = code.writeSessionsFile(wholeBook, book.progressions, { savedOn: today(), paceNames });
    saveFile(`Book of sessions ${today()}.json`, text, 'application/json');
  };
  const pick = async (file: File) => {
    setFound(undefined);
    setTrouble(undefined);
    if (file.size > LARGEST) return setTrouble('This file is too large for a book of sessions. Nothing was imported.');
    const code = await checks();
    if (!code) return;
    const read = code.readSessions(await file.text(), file.name, {
      known: book.sessions,
      paceNames,
      newId: () => ulid(),
    });
    if (read.ok) setFound(read);
    else setTrouble(read.message);
  };
  const count = found?.change.sessions?.length ?? 0;
  const take = async () => {
    if (!found) return;
    const refused = await change(
      found.change,
      count === 1 ? '1 session is in the book.' : `${count} sessions are in the book.`,
    );
    if (refused === undefined) backToBook();
    else setTrouble(refused);
  };
  return (
    <Page
      title="Import, export"
      onBack={backToBook}
      backLabel="Back to the book"
      footer={
        found && (
          <PrimaryButton main icon="check" disabled={count === 0} onPress={() => void take()}>
            {count === 1 ? 'Take 1 session over' : `Take ${count} sessions over`}
          </PrimaryButton>
        )
      }
    >
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
        <Words as="heading" level={2}>
          Save as a file
        </Words>
        <Words as="small" quiet>
          The whole book with its progressions as one JSON file, in an open format any program can read. A single
          session is saved from its own page, under About.
        </Words>
        <PrimaryButton onPress={() => void save()}>{`Save the book (${wholeBook.length})`}</PrimaryButton>
      </View>
      <FilePicker
        title="Bring in sessions"
        accept=".json,.txt,application/json,text/plain"
        onPick={(file) => void pick(file)}
      >
        A session or a book saved as JSON, or one session as text. You see what is in it before anything is stored.
      </FilePicker>
      {found && (
        <View role="list" aria-label="What is in the file" style={{ gap: SPACE.s }}>
          {found.found.map(({ title, says, trouble: wrong }, i) => (
            <View
              role="listitem"
              key={i}
              style={{ paddingBottom: SPACE.s, borderBottomWidth: 1, borderBottomColor: palette.line }}
            >
              <Words as="strong">{title}</Words>
              <Words as="small" quiet>
                {SAYS[says]}
              </Words>
              {wrong !== undefined && (
                <Words as="small" color={palette.late}>
                  {wrong}
                </Words>
              )}
            </View>
          ))}
        </View>
      )}
    </Page>
  );
}

/** The book as a file, and files into the book. */
export function BookFiles() {
  return (
    <WithBook title="Import, export">{(book, squad) => <Files book={book} paceNames={squad.paceNames} />}</WithBook>
  );
}
