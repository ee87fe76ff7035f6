import { useState } from 'react';
import { View } from 'react-native';
import { FLAGS, PRESENCES, type Decision, type Presence } from '@core/run/events';
import { countOf } from '@core/run/lineUp';
import { repLabel } from '@core/run/plan';
import { optionsFor } from '@core/trackside/proposals';
import { groupOf, membersOf, type AthleteState, type RepRun } from '@core/run/runState';
import { dueStarts, startOf } from '@core/run/starts';
import { judge } from '@core/run/tile';
import { parseTime } from '@core/units/time';
import { capitalised } from '../../ui/capitalised';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { judgedWords } from '../board/tiles/tileFace';
import type { Run } from '../../log/useRun';
import { PulseCount } from './PulseCount';
import { Sheet } from './Sheet';
import { TimeRow } from './TimeRow';

/** For those who would rather not have numbers: about where on 1 to 10 the words lie. */
const WORDS_FOR_EFFORT = [
  { effort: 4, words: 'in control' },
  { effort: 6.5, words: 'working' },
  { effort: 9, words: 'straining' },
] as const;

const PRESENCE_WORDS: Record<Presence, string> = { present: 'here', late: 'late', absent: 'away' };

type EffortProps = { effort: number | undefined; onPick: (effort: number) => void };

/** Effort in one tap. */
function Effort({ effort, onPick }: EffortProps) {
  const palette = usePalette();
  const button = (value: number, text: string, basis: `${number}%`) => (
    <Press
      key={text}
      role="radio"
      aria-checked={effort === value}
      aria-label={text === String(value) ? `Effort ${value}` : `Effort: ${text}`}
      onPress={() => onPick(value)}
      style={{
        flexBasis: basis,
        flexGrow: 1,
        height: 56,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: RADIUS,
        borderWidth: effort === value ? 3 : 1.5,
        borderColor: palette.ink,
        backgroundColor: effort === value ? palette.action : palette.raised,
      }}
    >
      <Words as="heading" {...(effort === value ? { color: palette.onAction } : {})}>
        {text}
      </Words>
    </Press>
  );
  return (
    <View role="radiogroup" aria-label="How hard was it, 1 to 10?" style={{ gap: 6 }}>
      {[
        [1, 2, 3, 4, 5],
        [6, 7, 8, 9, 10],
      ].map((row) => (
        <View key={row[0]} style={{ flexDirection: 'row', gap: 6 }}>
          {row.map((value) => button(value, String(value), '16%'))}
        </View>
      ))}
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {WORDS_FOR_EFFORT.map((one) => button(one.effort, one.words, '30%'))}
      </View>
    </View>
  );
}

function AddTime({ run, athlete, rep }: { run: Run; athlete: AthleteState; rep: RepRun }) {
  const [typed, setTyped] = useState('');
  const [atM, setAtM] = useState<number>();
  const [trouble, setTrouble] = useState<string>();
  const taken = new Set(rep.passes.map((pass) => pass.atM));
  const open = rep.rep.callM.filter((mark) => !taken.has(mark));
  const last = open.at(-1);
  if (last === undefined) return null;
  const at = atM !== undefined && open.includes(atM) ? atM : last;
  const add = () => {
    const { distanceM = at } = rep.rep;
    const { targetS } = rep.target;
    const read = parseTime(typed, at, targetS === undefined ? undefined : (targetS * at) / distanceM);
    if (!read.ok) return setTrouble(read.message);
    run.happenAt(
      { type: 'passed', athleteId: athlete.athleteId, repIndex: rep.repIndex, atM: at, estimated: true },
      rep.startedAtMs + read.timeS * 1000,
    );
    setTyped('');
    setTrouble(undefined);
  };
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-end' }}>
      <View style={{ width: 108 }}>
        <Select
          label="Missed at"
          options={open.map((mark) => ({
            value: String(mark),
            text: mark === rep.rep.distanceM ? 'finish' : String(Math.round(mark)),
          }))}
          value={String(at)}
          onChange={(value) => setAtM(Number(value))}
        />
      </View>
      <View style={{ flex: 1 }}>
        <TextField label="Time" value={typed} onChange={setTyped} keyboard="decimal-pad" error={trouble} />
      </View>
      <SmallButton onPress={add}>Add</SmallButton>
    </View>
  );
}

type Whom = 'one' | 'group';

/** What the coach can do unasked, for one athlete or for the whole group. */
function Decisions({ run, athlete }: { run: Run; athlete: AthleteState }) {
  const [whom, setWhom] = useState<Whom>('one');
  const { state, happen } = run;
  const group = groupOf(state, athlete.groupId);
  const members = membersOf(state, athlete.groupId).filter(({ stoppedAtMs }) => stoppedAtMs === undefined);
  const athleteIds = whom === 'one' ? [athlete.athleteId] : members.map(({ athleteId }) => athleteId);
  const repIndex = athlete.runs.at(-1)?.repIndex ?? -1;
  const decide = (decision: Decision) => happen({ type: 'decided', athleteIds, decision, repIndex });
  const last = athlete.runs.at(-1);
  const due = dueStarts(state).find((one) => one.athleteIds.includes(athlete.athleteId));
  const options = Object.values(optionsFor(state, athlete)).flat();
  return (
    <View style={{ gap: SPACE.s }}>
      {group && members.length > 1 && (
        <Choice
          label="For whom"
          options={[
            { value: 'one', text: athlete.tileName },
            { value: 'group', text: `all of ${group.name}` },
          ]}
          value={whom}
          onChange={setWhom}
        />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {last?.finishedAtMs !== undefined && due && (
          <>
            <SmallButton
              onPress={() => happen({ type: 'held', athleteIds, repIndex: last.repIndex, addS: 15 })}
              label="15 seconds more recovery, this once"
            >
              +15 s now
            </SmallButton>
            <SmallButton
              onPress={() =>
                happen(
                  startOf(run.plan, { ...due, athleteIds: athleteIds.filter((id) => due.athleteIds.includes(id)) }),
                )
              }
            >
              Send now
            </SmallButton>
          </>
        )}
        {athlete.stoppedAtMs === undefined &&
          options.map(({ decision, says }) => (
            <SmallButton key={says} onPress={() => decide(decision)}>
              {capitalised(says)}
            </SmallButton>
          ))}
        {last?.target.targetS !== undefined && (
          <SmallButton onPress={() => decide({ kind: 'ease', percent: -1 })}>1 % faster</SmallButton>
        )}
      </View>
    </View>
  );
}

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
  const about = rep
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
    <Sheet title={athlete.name} about={about} close={close}>
      {rep && (
        <>
          <Effort
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
                {capitalised(flag)}
              </SmallButton>
            ))}
            <PulseCount
              beatsPerMin={rep.beatsPerMin}
              keep={(beatsPerMin) => happen({ type: 'pulse', athleteId, repIndex, beatsPerMin })}
            />
          </View>
          <Words as="small">Pain, dizziness or illness: stop. Medical advice comes first.</Words>
        </>
      )}
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
          keyboard="decimal-pad"
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
