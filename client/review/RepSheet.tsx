import { useState } from 'react';
import { View } from 'react-native';
import type { ReviewCell } from '@core/review/cell';
import type { ReviewRow } from '@core/review/review';
import { repLabel } from '@core/run/plan';
import { formatExactTime, formatTime, parseTime } from '@core/units/time';
import { EffortPicker } from '../ui/EffortPicker';
import { ModalSheet } from '../ui/ModalSheet';
import { PrimaryButton } from '../ui/PrimaryButton';
import { rem } from '../ui/rem';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { TextField } from '../ui/TextField';
import type { ReadRun } from './useReview';

type FieldProps = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong with it, or what to know of it. */
  trouble?: string | undefined;
  hint?: string;
  decimal?: boolean;
  button: string;
  onDone: () => void;
};

/** Something to type, and the press that takes it. */
function Field({ label, value, onChange, trouble, hint, decimal = false, button, onDone }: FieldProps) {
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.s }}>
      <View style={{ flex: 1 }}>
        <TextField
          label={label}
          value={value}
          onChange={onChange}
          onEnter={onDone}
          error={trouble}
          hint={hint}
          decimal={decimal}
        />
      </View>
      {/* Beside the field, not its label. */}
      <View style={{ paddingTop: rem(20) }}>
        <PrimaryButton onPress={onDone}>{button}</PrimaryButton>
      </View>
    </View>
  );
}

type Props = { read: ReadRun; row: ReviewRow; at: number; close: () => void };

/** The time of a rep put right; where none was taken, put in. */
function TimeField({ read, row, cell }: { read: ReadRun; row: ReviewRow; cell: ReviewCell }) {
  const [typed, setTyped] = useState(cell.actualS === undefined ? '' : formatExactTime(cell.actualS));
  const [trouble, setTrouble] = useState<string>();
  const { rep, finish, startedAtMs } = cell;
  const finishM = rep?.distanceM;
  if (finishM === undefined || startedAtMs === undefined) return null;
  const take = () => {
    const time = parseTime(typed, finishM, cell.targetS ?? cell.actualS);
    if (!time.ok) return setTrouble(time.message);
    setTrouble(undefined);
    const toMs = startedAtMs + time.timeS * 1000;
    const { athleteId } = row;
    if (!finish)
      return read.correct({ type: 'passed', athleteId, repIndex: cell.repIndex, atM: finishM, estimated: true }, toMs);
    // On the clock of the phone that took it.
    const offsetMs = read.state.clocks[finish.deviceId] ?? 0;
    return read.correct({ type: 'shifted', eventId: finish.eventId, toMs: Math.round(toMs - offsetMs) });
  };
  return (
    <Field
      label={finish ? 'Time' : 'Time that nobody took'}
      value={typed}
      onChange={setTyped}
      trouble={trouble}
      {...(cell.targetS === undefined ? {} : { hint: `Target ${formatTime(cell.targetS, 1)}.` })}
      decimal
      button={finish ? 'Put right' : 'Put in'}
      onDone={take}
    />
  );
}

function MetresField({ read, row, cell }: { read: ReadRun; row: ReviewRow; cell: ReviewCell }) {
  const [typed, setTyped] = useState(cell.coveredM === undefined ? '' : String(Math.round(cell.coveredM)));
  const [trouble, setTrouble] = useState<string>();
  const take = () => {
    const distanceM = Number(typed.trim().replace(/\s*m$/, '').replace(',', '.'));
    if (!(distanceM > 0 && distanceM < 200_000)) return setTrouble('Metres as a number, like 640.');
    setTrouble(undefined);
    return read.correct({ type: 'covered', athleteId: row.athleteId, repIndex: cell.repIndex, distanceM });
  };
  return (
    <Field
      label="Metres covered"
      value={typed}
      onChange={setTyped}
      trouble={trouble}
      {...(cell.expectedM === undefined ? {} : { hint: `${Math.round(cell.expectedM)} m were asked for.` })}
      decimal
      button="Put right"
      onDone={take}
    />
  );
}

/** A text about the rep that is sent off when it is done. */
function SentText({ label, button, send }: { label: string; button: string; send: (text: string) => void }) {
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const take = () => {
    const text = typed.trim();
    if (text === '') return setTrouble('A word or two is needed.');
    setTrouble(undefined);
    send(text.slice(0, 200));
    setTyped('');
  };
  return <Field label={label} value={typed} onChange={setTyped} trouble={trouble} button={button} onDone={take} />;
}

/** One rep of one athlete: everything about it that can be put right afterwards. */
export function RepSheet({ read, row, at, close }: Props) {
  const cell = row.cells[at];
  if (!cell?.rep) return null;
  const { athleteId, name } = row;
  const { repIndex, rep, excluded, notes } = cell;
  const { correct } = read;
  return (
    <ModalSheet title={`${name}, rep ${at + 1}: ${repLabel(rep)}`} close={close}>
      {rep.distanceM === undefined ? (
        <MetresField key={cell.coveredM} read={read} row={row} cell={cell} />
      ) : (
        <TimeField key={cell.actualS} read={read} row={row} cell={cell} />
      )}
      <View style={{ gap: SPACE.xs }}>
        <Text as="label" quiet>
          Effort after it
        </Text>
        <EffortPicker
          label="Effort after the rep, 1 to 10"
          value={cell.effort}
          onPick={(effort) => correct({ type: 'felt', athleteId, repIndex, effort })}
        />
      </View>
      {excluded ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' }}>
          <Text style={{ flexShrink: 1 }}>{`Not counted: ${excluded.reason}.`}</Text>
          <PrimaryButton onPress={() => correct({ type: 'undone', eventId: excluded.eventId })}>
            Count it again
          </PrimaryButton>
        </View>
      ) : (
        <SentText
          label="Why it should not count"
          button="Leave out"
          send={(reason) => correct({ type: 'excluded', athleteId, repIndex, reason })}
        />
      )}
      <SentText label="Note" button="Add" send={(text) => correct({ type: 'noted', athleteId, repIndex, text })} />
      {notes.length > 0 && <Text as="small">{notes.join(' · ')}</Text>}
      <Text as="small" quiet>
        What was taken at the track stays in the history; this is added to it.
      </Text>
    </ModalSheet>
  );
}
