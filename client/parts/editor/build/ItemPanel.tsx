import { useState } from 'react';
import { View } from 'react-native';
import type { Count, Item, Rep } from '@core/session/session';
import { MAX_LEGS } from '@core/session/treeTotals';
import { longerAmount } from '@core/session/usualAmounts';
import { Choice } from '../../../ui/Choice';
import { SmallButton } from '../../../ui/SmallButton';
import { Stepper } from '../../../ui/Stepper';
import { TextField } from '../../../ui/TextField';
import { SPACE } from '../../../ui/theme';
import { TickRow } from '../../../ui/TickRow';
import { AmountField } from './AmountField';
import { PacePanel, type PaceBookView } from './PacePanel';
import { RecoveryPanel } from './RecoveryPanel';

const COUNTS = [
  { value: 'fixed', text: 'So many' },
  { value: 'range', text: 'A range' },
  { value: 'open', text: 'Until it tires' },
] as const;

const SEQUENCES = [
  { value: 'ladder', text: 'One after the other' },
  { value: 'cutDown', text: 'Drop when told to' },
] as const;

function CountPanel({ count, onChange }: { count: Count; onChange: (count: Count) => void }) {
  const n = count.kind === 'fixed' ? count.n : count.kind === 'range' ? count.min : 1;
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="How often"
        options={COUNTS}
        value={count.kind}
        onChange={(kind) =>
          onChange(kind === 'fixed' ? { kind, n } : kind === 'range' ? { kind, min: n, max: n + 2 } : { kind })
        }
      />
      {count.kind === 'fixed' && (
        <Stepper
          label="Times"
          value={count.n}
          text={`${count.n} ×`}
          step={1}
          min={1}
          max={MAX_LEGS}
          onChange={(times) => onChange({ ...count, n: times })}
        />
      )}
      {count.kind === 'range' && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
          <Stepper
            label="At least"
            value={count.min}
            text={`${count.min} ×`}
            step={1}
            min={1}
            max={MAX_LEGS - 1}
            onChange={(min) => onChange({ ...count, min, max: Math.max(count.max, min + 1) })}
          />
          <Stepper
            label="At most"
            value={count.max}
            text={`${count.max} ×`}
            step={1}
            min={2}
            max={MAX_LEGS}
            onChange={(max) => onChange({ ...count, max, min: Math.min(count.min, max - 1) })}
          />
        </View>
      )}
    </View>
  );
}

function Amounts({ rep, onChange }: { rep: Rep; onChange: (rep: Rep) => void }) {
  const { amounts } = rep;
  const last = amounts.at(-1);
  return (
    <View style={{ gap: SPACE.s }}>
      {amounts.map((amount, i) => (
        <View key={i} style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s, flexWrap: 'wrap' }}>
          <AmountField
            label={amounts.length === 1 ? 'Length' : `Length ${i + 1}`}
            amount={amount}
            onChange={(changed) =>
              onChange({ ...rep, amounts: amounts.map((ownAmount, j) => (j === i ? changed : ownAmount)) })
            }
          />
          {amounts.length > 1 && (
            <SmallButton
              label={`Leave length ${i + 1} out`}
              onPress={() => onChange({ ...rep, amounts: amounts.filter((_, j) => j !== i) })}
            >
              ×
            </SmallButton>
          )}
        </View>
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' }}>
        {last && (
          <SmallButton onPress={() => onChange({ ...rep, amounts: [...amounts, longerAmount(last)] })}>
            Add a length
          </SmallButton>
        )}
        {last?.kind === 'distance' && amounts.length === 1 && (
          <SmallButton onPress={() => onChange({ ...rep, amounts: [{ kind: 'duration', durationS: 60 }] })}>
            By the clock
          </SmallButton>
        )}
        {last?.kind === 'duration' && amounts.length === 1 && (
          <SmallButton onPress={() => onChange({ ...rep, amounts: [{ kind: 'distance', distanceM: 400 }] })}>
            By distance
          </SmallButton>
        )}
      </View>
      {amounts.length > 1 && (
        <Choice
          label="Lengths"
          options={SEQUENCES}
          value={rep.sequence}
          onChange={(sequence) => onChange({ ...rep, sequence })}
        />
      )}
      <TickRow label="Unstructured (free)" checked={rep.free} onChange={(free) => onChange({ ...rep, free })} />
    </View>
  );
}

/** A note. Until the field is left it shows what was typed: a space at the end is no part of the note yet. */
function NoteField({ note, onChange }: { note: string; onChange: (note: string) => void }) {
  const [typing, setTyping] = useState<string>();
  return (
    <TextField
      label="Note"
      value={typing ?? note}
      onChange={(text) => {
        setTyping(text);
        // A quote mark or a new line would end it.
        onChange(text.replace(/["\n]/g, '’').trim());
      }}
      onBlur={() => setTyping(undefined)}
    />
  );
}

type Props = { item: Item; book: PaceBookView; onChange: (item: Item) => void };

/** Everything about one item, changed by presses. */
export function ItemPanel({ item, book, onChange }: Props) {
  const { body } = item;
  const setNote = (note: string) => {
    if (body.kind === 'set') return;
    const { note: _note, ...rest } = body;
    onChange({ ...item, body: note === '' ? rest : { ...rest, note } });
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <CountPanel count={item.count} onChange={(count) => onChange({ ...item, count })} />
      {body.kind === 'rep' && (
        <>
          <Amounts rep={body} onChange={(rep) => onChange({ ...item, body: rep })} />
          <PacePanel
            pace={body.pace}
            book={book}
            onChange={(pace) => {
              const { pace: _pace, ...rest } = body;
              onChange({ ...item, body: pace ? { ...rest, pace } : rest });
            }}
          />
        </>
      )}
      <RecoveryPanel
        recovery={item.recovery}
        book={book}
        onChange={(recovery) => {
          const { recovery: _recovery, ...rest } = item;
          onChange(recovery ? { ...rest, recovery } : rest);
        }}
      />
      {body.kind !== 'set' && <NoteField note={body.note ?? ''} onChange={setNote} />}
    </View>
  );
}
