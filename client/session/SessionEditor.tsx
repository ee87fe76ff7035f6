import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { standardTrack } from '@core/track/venue';
import { troubleText, useRemoveSessionMutation, useRestoreSessionMutation, type Session } from '../store/api';
import { trialCaution } from '@core/squad/cautions';
import { Cautions } from '../squad/Cautions';
import { pacesOf, type SquadView } from '../squad/useSquad';
import { Choice } from '../ui/Choice';
import { dayName } from '../ui/days';
import { DateField } from '../ui/DateField';
import { LapSheet } from '../ui/LapSheet';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextField } from '../ui/TextField';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useNotice } from '../ui/UndoBar';
import { useWide } from '../ui/useWide';
import { Words } from '../ui/Words';
import { HowToWrite } from './HowToWrite';
import { Problems } from './Problems';
import { Targets, usePlanPreview } from './Targets';
import { useSessionDraft, type Saving } from './useSessionDraft';
import { viewSession } from './sessionView';
import { WithSession } from './WithSession';

const backToList = () => router.replace('/sessions');

const SIDES = [
  { value: 'write', text: 'Write' },
  { value: 'targets', text: 'Targets' },
] as const;
type Side = (typeof SIDES)[number]['value'];

function savingText(saving: Saving): string {
  if (saving.state === 'saving') return 'Saving …';
  return saving.state === 'saved' ? 'Saved' : 'Not saved yet';
}

function useRemoveSession(session: Session) {
  const [remove] = useRemoveSessionMutation();
  const [restore] = useRestoreSessionMutation();
  const notice = useNotice();
  return async () => {
    const removed = await remove(session.id);
    if (removed.error) return notice({ text: troubleText(removed.error) });
    backToList();
    notice({ text: `“${session.title}” is removed.`, undo: () => void restore(session.id) });
  };
}

function Editor({ stored, squad }: { stored: Session; squad: SquadView }) {
  const wide = useWide();
  const palette = usePalette();
  const draft = useSessionDraft(stored, squad.paceNames);
  const { typed, change, parsed, lastGood, saving, saveNow } = draft;
  const remove = useRemoveSession(stored);
  const [side, setSide] = useState<Side>('write');
  const date = typed.date || stored.date;
  const plan = usePlanPreview(lastGood, squad, date);
  const caution = useMemo(
    () => lastGood && trialCaution(lastGood, squad.athletes, date),
    [lastGood, squad.athletes, date],
  );
  const view = useMemo(() => {
    const whose = squad.athletes.find((athlete) => pacesOf(athlete, squad, date).curve !== undefined);
    return lastGood && viewSession(lastGood, whose && { name: whose.name, paces: pacesOf(whose, squad, date) });
  }, [lastGood, squad, date]);

  const goToTrack = async () => {
    await saveNow();
    router.push(`/track/ready/${stored.id}`);
  };
  const ready = parsed.ok && plan !== undefined && plan.reps.length > 0;

  const writing = (
    <View style={{ gap: SPACE.l }}>
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 3 }}>
          <TextField
            label="Title"
            value={typed.title}
            onChange={(title) => change({ title })}
            error={typed.title.trim() === '' ? 'A title is needed.' : undefined}
          />
        </View>
        <View style={{ flex: 2, minWidth: 146 }}>
          <DateField
            label="Day"
            value={typed.date}
            onChange={(date) => change({ date })}
            error={typed.date === '' ? 'A day is needed.' : undefined}
          />
        </View>
      </View>
      <TextField
        label="Session"
        value={typed.shorthand}
        onChange={(shorthand) => change({ shorthand })}
        lines={5}
        placeholder={'warm: 1600 @easy\nmain: 6x400 @5k / 90s\ncool: 1200 @easy'}
      />
      {!parsed.ok && <Problems text={typed.shorthand} problems={parsed.problems} />}
      {caution !== undefined && <Cautions list={[caution]} />}
      <HowToWrite />
      {view && (
        <View style={{ gap: SPACE.s }}>
          <View
            style={{
              flexDirection: 'row',
              justifyContent: 'space-between',
              alignItems: 'baseline',
              gap: SPACE.m,
              flexWrap: 'wrap',
            }}
          >
            <Words as="heading" level={2}>
              Lap by lap
            </Words>
            <Words as="small" quiet>
              {parsed.ok ? view.totals : 'as it last could be read'}
            </Words>
          </View>
          <LapSheet
            sections={view.sections}
            venue={standardTrack}
            finishLegs={view.finishLegs}
            about={`The session lap by lap on the ${standardTrack.name}: ${view.totals}`}
          />
        </View>
      )}
    </View>
  );
  const targets = plan ? (
    <Targets plan={plan} />
  ) : (
    <Words quiet>Write the session first: everyone’s times come by themselves.</Words>
  );

  return (
    <Page
      title={dayName(typed.date)}
      onBack={backToList}
      backLabel="Back to all sessions"
      aside={
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <Words as="small" color={saving.state === 'failed' ? palette.late : palette.quiet} live="polite">
            {savingText(saving)}
          </Words>
          <IconButton
            icon="remove"
            onPress={() => void remove()}
            accessibilityLabel="Remove this session"
            style={{ width: 44, height: 44 }}
          />
        </View>
      }
      footer={
        <PrimaryButton main icon="track" disabled={!ready} onPress={() => void goToTrack()}>
          Take to the track
        </PrimaryButton>
      }
    >
      {saving.state === 'failed' && <Trouble retry={() => void saveNow()}>{saving.message}</Trouble>}
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
          <View style={{ flex: 1, minWidth: 0 }}>{writing}</View>
          <View style={{ flex: 1, minWidth: 0, gap: SPACE.m }}>{targets}</View>
        </View>
      ) : (
        <>
          <Choice label="Side" options={SIDES} value={side} onChange={setSide} />
          {side === 'write' ? writing : targets}
        </>
      )}
    </Page>
  );
}

/** Writing a session: shorthand, lap sheet and everyone's targets, all from one text. */
export function SessionEditor({ id }: { id: string }) {
  return (
    <WithSession id={id} title="Session" backTo="all sessions" back={backToList}>
      {(session, squad) => <Editor key={id} stored={session} squad={squad} />}
    </WithSession>
  );
}
