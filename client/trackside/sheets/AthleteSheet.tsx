import { useState } from 'react';
import { View } from 'react-native';
import { USUAL_CAUTION } from '@core/judgement/careWords';
import { FLAGS, PRESENCES, type Presence } from '@core/run/events';
import { countOf } from '@core/run/lineUp';
import { repLabel } from '@core/run/plan';
import { groupOf } from '@core/run/runState';
import { judge } from '@core/run/tile';
import { Choice } from '../../ui/Choice';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { judgedWords } from '../board/tiles/tileFace';
import type { Run } from '../../log/useRun';
import { FLAG_WORDS, STOP_REASON_WORDS } from '../../parts/careText';
import { WhyStopped } from '../../parts/WhyStopped';
import { AddTime } from './AddTime';
import { Decisions } from './Decisions';
import { EffortButtons } from './EffortButtons';
import { PulseCount } from './PulseCount';
import { Sheet } from './Sheet';
import { TakeCare } from './TakeCare';
import { TimeRow } from './TimeRow';

const PRESENCE_WORDS: Record<Presence, string> = { present: 'here', late: 'late', absent: 'away' };

type Props = {
  run: Run;
  athleteId: string;
  close: () => void;
  /** After an effort: on to the next who has finished, if anyone has. */
  next: () => void;
};

/** All about one athlete, at the track: how it felt, what was taken, and what to do about it. */
export function AthleteSheet({ run, athleteId, close, next }: Props) {
  const { state, happen } = run;
  const athlete = state.athletes[athleteId];
  const [note, setNote] = useState('');
  const [covered, setCovered] = useState('');
  if (!athlete) return null;
  const group = groupOf(state, athlete.groupId);
  const rep = athlete.runs.at(-1);
  const repIndex = rep?.repIndex ?? 0;
  const count = group && rep && countOf(group, rep.repIndex);
  const finish = rep?.passes.at(-1);
  const subtitle = rep
    ? [
        `${count ? `${count.at} of ${count.of}: ` : ''}${repLabel(rep.rep)}`,
        finish ? judgedWords(judge(rep.rep, rep.target, finish.atM, finish.elapsedS)) : '',
      ]
        .filter(Boolean)
        .join(' · ')
    : undefined;
  const keepNote = () => {
    if (note.trim() !== '') happen({ type: 'noted', athleteId, repIndex, text: note.trim().slice(0, 500) });
    setNote('');
  };
  const keepCovered = () => {
    const distanceM = Number(covered.replace(',', '.'));
    if (distanceM > 0 && distanceM < 200_000) happen({ type: 'covered', athleteId, repIndex, distanceM });
    setCovered('');
  };
  return (
    <Sheet title={athlete.name} subtitle={subtitle} close={close}>
      {rep && (
        <>
          <EffortButtons
            effort={rep.effort}
            onPick={(effort) => {
              happen({ type: 'felt', athleteId, repIndex, effort });
              next();
            }}
          />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {FLAGS.map((flag) => (
              <SmallButton
                key={flag}
                expanded={rep.flags.includes(flag)}
                onPress={() => happen({ type: 'flagged', athleteId, repIndex, flag })}
              >
                {FLAG_WORDS[flag]}
              </SmallButton>
            ))}
            <PulseCount
              beatsPerMin={rep.beatsPerMin}
              keep={(beatsPerMin) => happen({ type: 'pulse', athleteId, repIndex, beatsPerMin })}
            />
          </View>
          <Text as="small">{USUAL_CAUTION}</Text>
        </>
      )}
      {athlete.stoppedAtMs !== undefined && athlete.stopReason === undefined && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="strong">{`Why did ${athlete.tileName} stop?`}</Text>
          <WhyStopped people={[athlete]} say={(id, reason) => happen({ type: 'stopReason', athleteId: id, reason })} />
        </View>
      )}
      {athlete.stopReason !== undefined && (
        <Text as="small">{`Stopped: ${STOP_REASON_WORDS[athlete.stopReason].toLowerCase()}.`}</Text>
      )}
      {athlete.stoppedAtMs === undefined && <TakeCare run={run} athlete={athlete} />}
      <Decisions run={run} athlete={athlete} />
      {rep && rep.passes.length > 0 && (
        <View role="list" aria-label="Times of this rep" style={{ gap: SPACE.s }}>
          {rep.passes.map((pass) => (
            <TimeRow key={pass.eventId} run={run} athlete={athlete} rep={rep} pass={pass} />
          ))}
        </View>
      )}
      {rep && <AddTime run={run} athlete={athlete} rep={rep} />}
      {rep?.rep.durationS !== undefined && (
        <TextField
          label={`Distance covered, in metres${rep.coveredM === undefined ? '' : `: ${rep.coveredM}`}`}
          name="Distance covered, in metres"
          value={covered}
          onChange={setCovered}
          onBlur={keepCovered}
          decimal
        />
      )}
      {rep && (
        <TextField
          label="Note"
          value={note}
          onChange={setNote}
          onBlur={keepNote}
          hint={rep.notes.length > 0 ? rep.notes.join(' · ') : undefined}
        />
      )}
      <Choice
        label={`${athlete.tileName} is`}
        showLabel
        options={PRESENCES.map((value) => ({ value, text: PRESENCE_WORDS[value] }))}
        value={athlete.presence}
        onChange={(presence) => happen({ type: 'came', athleteId, presence })}
      />
      {state.groups.length > 1 && (
        <Select
          label="Runs with"
          options={state.groups.map(({ id, name }) => ({ value: id, text: name }))}
          value={athlete.groupId}
          onChange={(groupId) => happen({ type: 'moved', athleteIds: [athleteId], groupId })}
        />
      )}
    </Sheet>
  );
}
