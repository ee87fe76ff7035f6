import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { LibrarySession } from '@core/library/librarySession';
import { isStarter } from '@core/library/starters';
import type { SquadView } from '../data/useSquad';
import { useChangeLibraryMutation } from '../store/api';
import { today } from '../ui/days';
import { WhenField } from '../ui/WhenField';
import { NotThere } from '../ui/NotThere';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { useNotice } from '../ui/Notices';
import { SideBySide } from '../ui/SideBySide';
import { EditorPage } from '../parts/editor/write/EditorPage';
import { useDraft } from '../parts/editor/write/useDraft';
import { SessionAbout } from './SessionAbout';
import { draftOf, sessionOf, type LibraryDraft } from './libraryDraft';
import { useLibraryChange, type LibraryView } from '../data/useLibrary';
import { usePutOnDay } from './usePutOnDay';
import { backToLibrary, WithLibrary } from './WithLibrary';

type Props = { stored: LibrarySession; library: LibraryView; squad: SquadView };

function Editor({ stored, library, squad }: Props) {
  const [send] = useChangeLibraryMutation();
  const putOn = usePutOnDay();
  const change = useLibraryChange(library);
  const notice = useNotice();
  const [date, setDate] = useState(today);
  const start = useMemo(() => draftOf(stored), [stored]);
  const save = useCallback((draft: LibraryDraft) => send({ sessions: [sessionOf(draft, stored)] }), [send, stored]);
  const draft = useDraft<LibraryDraft>(stored.id, start, squad.paceNames, save);
  const { typed, saveNow } = draft;
  const remove = async () => {
    const starter = isStarter(stored.id);
    const { title } = stored;
    const refused = await change(
      starter ? { sessions: [{ ...stored, archived: true }] } : { removedSessionIds: [stored.id] },
      starter ? `“${title}” is out of sight, under Archived.` : `“${title}” is out of the library.`,
    );
    if (refused !== undefined) return notice({ text: refused });
    backToLibrary();
  };
  const favour = async () => {
    await saveNow();
    const { favourite, ...rest } = sessionOf(typed, stored);
    const text = favourite ? 'No longer a favourite.' : 'A favourite.';
    const refused = await change({ sessions: [favourite ? rest : { ...rest, favourite: true }] }, text);
    if (refused !== undefined) notice({ text: refused });
  };
  const putOnDate = async () => {
    await saveNow();
    await putOn(sessionOf(typed, stored), date, `/sessions/library/${stored.id}`);
  };
  return (
    <EditorPage
      draft={draft}
      squad={squad}
      date={date}
      title="In the library"
      onBack={backToLibrary}
      backLabel="Back to the library"
      onRemove={{ label: 'Remove from the library', go: () => void remove() }}
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
      extra={
        <SessionAbout
          session={sessionOf(typed, stored)}
          typed={typed}
          onChange={draft.change}
          onText={(shorthand) => draft.change({ shorthand })}
          library={library}
          paceNames={squad.paceNames}
        />
      }
      footer={(readable) => (
        <SideBySide isAtFoot>
          <WhenField type="date" label="On" value={date} onChange={(day) => setDate(day === '' ? today() : day)} />
          <PrimaryButton main icon="plus" disabled={!readable} onPress={() => void putOnDate()}>
            Put on this day
          </PrimaryButton>
        </SideBySide>
      )}
    />
  );
}

/** A session in the library: written, drawn, said what it is for, and put on a day. */
export function LibrarySessionEditor({ id }: { id: string }) {
  return (
    <WithLibrary title="In the library">
      {(library, squad) => {
        const stored = library.sessions.find((session) => session.id === id);
        return stored ? (
          <Editor key={id} stored={stored} library={library} squad={squad} />
        ) : (
          <Page title="In the library" onBack={backToLibrary} backLabel="Back to the library">
            <NotThere what="session" goTo="the library" onGo={backToLibrary} />
          </Page>
        );
      }}
    </WithLibrary>
  );
}
