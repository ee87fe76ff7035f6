import { router } from 'expo-router';
import { useCallback, useMemo } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { SessionInput } from '@core/api/schemas';
import type { ScheduledSession } from '@core/api/answers';
import {
  troubleText,
  useChangeLibraryMutation,
  usePutSessionMutation,
  useRemoveSessionMutation,
  useRestoreSessionMutation,
} from '../store/api';
import type { SquadView } from '../data/useSquad';
import { dayName } from '../ui/days';
import { WhenField } from '../ui/WhenField';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SmallButton } from '../ui/SmallButton';
import { useNotice } from '../ui/Notices';
import { rem } from '../ui/rem';
import { WithSession } from '../parts/WithSession';
import { EditorPage } from '../parts/editor/write/EditorPage';
import { useDraft } from '../parts/editor/write/useDraft';

/** A session on a day while it is written: what is optional may be taken away again. */
type SessionDraft = Pick<SessionInput, 'title' | 'date' | 'shorthand'> & {
  [K in 'startTime' | 'intent' | 'libraryId']?: SessionInput[K] | undefined;
};

const backToList = () => router.replace('/sessions');

function useRemoveSession(session: ScheduledSession) {
  const [remove] = useRemoveSessionMutation();
  const [restore] = useRestoreSessionMutation();
  const notice = useNotice();
  return async () => {
    const removed = await remove(session.id);
    if (removed.error) return notice({ text: troubleText(removed.error) });
    backToList();
    notice({ text: `“${session.title}” is removed.`, undo: () => restore(session.id) });
  };
}

function Editor({ stored, squad }: { stored: ScheduledSession; squad: SquadView }) {
  const { id } = stored;
  const [put] = usePutSessionMutation();
  const [changeLibrary] = useChangeLibraryMutation();
  const notice = useNotice();
  const input = useMemo(() => {
    const { id: _id, plan: _plan, ...rest } = stored;
    return rest;
  }, [stored]);
  const save = useCallback(
    ({ intent, startTime, libraryId, ...rest }: SessionDraft) =>
      put({
        id,
        ...rest,
        ...(intent ? { intent } : {}),
        ...(startTime ? { startTime } : {}),
        ...(libraryId ? { libraryId } : {}),
      }),
    [put, id],
  );
  const draft = useDraft<SessionDraft>(id, input, squad.paceNames, save);
  const { typed, change, saveNow } = draft;
  const remove = useRemoveSession(stored);
  const date = typed.date || stored.date;
  const goToTrack = async () => {
    await saveNow();
    router.push(`/track/ready/${id}`);
  };
  const goToPlan = async () => {
    await saveNow();
    router.push(`/sessions/plan/${id}`);
  };
  const keepInLibrary = async () => {
    const { title, shorthand, intent } = typed;
    const libraryId = ulid();
    const kept = await changeLibrary({
      sessions: [{ id: libraryId, title, shorthand, tags: [], ...(intent ? { intent } : {}) }],
    });
    if (kept.error) return notice({ text: troubleText(kept.error) });
    change({ libraryId });
    await saveNow();
    notice({
      text: `“${title}” is in the library.`,
      undo: () => {
        change({ libraryId: undefined });
        return changeLibrary({ removedSessionIds: [libraryId] });
      },
    });
  };
  return (
    <EditorPage
      draft={draft}
      squad={squad}
      date={date}
      title={dayName(typed.date)}
      onBack={backToList}
      backLabel="Back to all sessions"
      startTime={typed.startTime}
      onRemove={{ label: 'Remove this session', go: () => void remove() }}
      fields={
        <>
          <View style={{ flexGrow: 1, flexBasis: rem(150) }}>
            <WhenField
              type="date"
              label="Day"
              value={typed.date}
              onChange={(day) => change({ date: day })}
              error={typed.date === '' ? 'A day is needed.' : undefined}
            />
          </View>
          <View style={{ flexGrow: 1, flexBasis: rem(130) }}>
            <WhenField
              type="time"
              label="Starts at"
              value={typed.startTime ?? ''}
              onChange={(startTime) => change({ startTime })}
            />
          </View>
        </>
      }
      footer={(readable) => (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
          <View style={{ flexGrow: 1, flexBasis: rem(136), maxWidth: '100%' }}>
            <PrimaryButton main icon="track" disabled={!readable} onPress={() => void goToTrack()}>
              To the track
            </PrimaryButton>
          </View>
          <SmallButton onPress={() => void goToPlan()}>Plan</SmallButton>
          {typed.libraryId === undefined ? (
            <SmallButton onPress={() => void keepInLibrary()}>Keep in the library</SmallButton>
          ) : (
            <SmallButton onPress={() => router.push(`/sessions/library/${typed.libraryId ?? ''}`)}>
              In the library
            </SmallButton>
          )}
        </View>
      )}
    />
  );
}

/** A session on a day: written, drawn, with everyone's targets, ready for the track. */
export function SessionEditor({ id }: { id: string }) {
  return (
    <WithSession id={id} title="Session" backTo="all sessions" back={backToList}>
      {(session, squad) => <Editor key={id} stored={session} squad={squad} />}
    </WithSession>
  );
}
