import { View } from 'react-native';
import { START_MODES, type StartMode } from '@core/run/events';
import { USUAL_HEAT_LIMITS } from '@core/squad/heat';
import { useAccessQuery } from '../../store/api';
import { settings } from '../../store/settings';
import { useAppDispatch, useAppSelector } from '../../store/store';
import { saveFile } from '../../ui/saveFile';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Text } from '../../ui/Text';
import { useWide } from '../../ui/useWide';
import { wakeSound } from '../sound/sound';
import type { Awake } from '../sound/useWakeLock';
import { eventWords, lastUndone } from '../../log/undoing';
import type { Run } from '../../log/useRun';
import { ConditionsFields } from './ConditionsFields';
import { stillOut } from './EndSheet';
import { Sheet } from './Sheet';

const START_MODE_WORDS: Record<StartMode, string> = {
  tap: 'when I tap',
  together: 'by themselves, together, after the recovery',
  each: 'by themselves, each after their own recovery',
};

/** The whole session as one file: plan and events, as the server would get them. */
export function saveRun({ plan, events }: Run): void {
  const text = JSON.stringify({ format: 'zest-lap/run', version: 1, plan, events }, null, 1);
  saveFile(`${plan.date} ${plan.title}.json`, text, 'application/json');
}

type Props = {
  run: Run;
  awake: Awake;
  close: () => void;
  open: (sheet: 'history' | 'people' | 'keys' | 'phone' | 'end') => void;
};

/** Everything that is not needed every minute. */
export function MoreSheet({ run, awake, close, open }: Props) {
  const { state, happen, device, may } = run;
  const dispatch = useAppDispatch();
  const calls = useAppSelector((all) => all.settings.calls);
  const isCoach = (useAccessQuery().data?.who ?? 'coach') === 'coach';
  const undone = lastUndone(state, device);
  const isOver = state.endedAtMs !== undefined;
  const wide = useWide();
  const undoneEvent =
    undone?.type === 'undone' ? state.log.find(({ event }) => event.id === undone.eventId)?.event : undefined;
  return (
    <Sheet title="More" close={close}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <SmallButton onPress={() => open('history')}>History</SmallButton>
        <SmallButton onPress={() => open('people')}>Who is here</SmallButton>
        {wide && <SmallButton onPress={() => open('keys')}>Keys</SmallButton>}
        {isCoach && !run.isRehearsal && <SmallButton onPress={() => open('phone')}>A second phone</SmallButton>}
        {undone && (
          <SmallButton onPress={() => happen({ type: 'undone', eventId: undone.id })}>
            {`Do again: ${undoneEvent ? eventWords(state, undoneEvent) : 'the last'}`}
          </SmallButton>
        )}
        <SmallButton onPress={() => saveRun(run)}>Save a file</SmallButton>
      </View>
      <TickRow
        label="Calls by beep and voice"
        checked={calls}
        onChange={(on) => {
          wakeSound();
          dispatch(settings.actions.callsChosen(on));
        }}
      />
      <TickRow
        label="Finishes only: nobody takes the marks on the way"
        checked={state.finishesOnly}
        onChange={(finishesOnly) => happen({ type: 'marks', finishesOnly })}
      />
      <Select
        label="The next reps start"
        options={START_MODES.map((value) => ({ value, text: START_MODE_WORDS[value] }))}
        value={state.startMode}
        onChange={(sending) => happen({ type: 'sending', sending })}
      />
      <ConditionsFields
        conditions={state.conditions}
        heat={USUAL_HEAT_LIMITS}
        onChange={(conditions) => happen({ type: 'conditions', conditions })}
      />
      <Text as="small">
        {awake === 'awake' ? 'The screen stays on.' : 'This phone may switch its screen off: times go on all the same.'}
      </Text>
      {!isOver && may({ type: 'ended' }) && (
        <PrimaryButton
          label="End the session now"
          onPress={() => {
            if (stillOut(run).length > 0) return open('end');
            happen({ type: 'ended' });
            return close();
          }}
        >
          End the session
        </PrimaryButton>
      )}
    </Sheet>
  );
}
