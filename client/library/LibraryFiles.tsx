import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { ReadSessions } from '@core/formats/sessionFile';
import { today } from '../ui/days';
import { FilePicker, type PickedFile } from '../ui/FilePicker';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveFile } from '../ui/saveFile';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { useLibraryChange, type LibraryView } from '../data/useLibrary';
import { backToLibrary, WithLibrary } from './WithLibrary';

/** A file longer than this is no library of sessions. */
const LARGEST = 8_000_000;
const CODE_MISSING =
  'What reads and writes files cannot be fetched: the server cannot be reached. Nothing was changed.';

type Found = Extract<ReadSessions, { ok: true }>;

const STATE_WORDS = { new: 'new', known: 'in the library already', draft: 'a draft, to be mended' } as const;

function Files({ library, paceNames }: { library: LibraryView; paceNames: readonly string[] }) {
  const palette = usePalette();
  const change = useLibraryChange(library);
  const [found, setFound] = useState<Found>();
  const [trouble, setTrouble] = useState<string>();
  const everySession = library.sessions.filter(({ archived }) => !archived);
  const checks = async () => {
    const code = await import('../data/checks').catch(() => undefined);
    if (!code) setTrouble(CODE_MISSING);
    return code;
  };
  const save = async () => {
    const code = await checks();
    if (!code) return;
    const text = code.writeSessionsFile(everySession, library.progressions, { savedOn: today(), paceNames });
    saveFile(`Library ${today()}.json`, text, 'application/json');
  };
  const pick = async ({ name, bytes }: PickedFile) => {
    setFound(undefined);
    setTrouble(undefined);
    if (bytes.length > LARGEST) return setTrouble('This file is too large for a library. Nothing was imported.');
    const code = await checks();
    if (!code) return;
    const read = code.readSessions(new TextDecoder().decode(bytes), name, {
      known: library.sessions,
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
      count === 1 ? '1 session is in the library.' : `${count} sessions are in the library.`,
    );
    if (refused === undefined) backToLibrary();
    else setTrouble(refused);
  };
  return (
    <Page
      title="Import, export"
      onBack={backToLibrary}
      backLabel="Back to the library"
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
        <Text as="heading" level={2}>
          Save as a file
        </Text>
        <Text as="small" quiet>
          The whole library with its progressions as one JSON file, in an open format any program can read. A single
          session is saved from its own page, under About.
        </Text>
        <PrimaryButton onPress={() => void save()}>{`Save the library (${everySession.length})`}</PrimaryButton>
      </View>
      <FilePicker title="Bring in sessions" accept=".json,.txt,application/json,text/plain" onPick={pick}>
        A session or a library saved as JSON, or one session as text. You see what is in it before anything is stored.
      </FilePicker>
      {found && (
        <View role="list" aria-label="What is in the file" style={{ gap: SPACE.s }}>
          {found.found.map(({ title, state, trouble: wrong }, i) => (
            <View
              role="listitem"
              key={i}
              style={{ paddingBottom: SPACE.s, borderBottomWidth: 1, borderBottomColor: palette.line }}
            >
              <Text as="strong">{title}</Text>
              <Text as="small" quiet>
                {STATE_WORDS[state]}
              </Text>
              {wrong !== undefined && (
                <Text as="small" color={palette.late}>
                  {wrong}
                </Text>
              )}
            </View>
          ))}
        </View>
      )}
    </Page>
  );
}

/** The library as a file, and files into the library. */
export function LibraryFiles() {
  return (
    <WithLibrary title="Import, export">
      {(library, squad) => <Files library={library} paceNames={squad.paceNames} />}
    </WithLibrary>
  );
}
