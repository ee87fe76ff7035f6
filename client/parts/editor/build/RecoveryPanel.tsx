import { View } from 'react-native';
import { MANNERS, type Amount, type Recovery, type RecoveryAmount } from '@core/session/session';
import { Choice } from '../../../ui/Choice';
import { Select } from '../../../ui/Select';
import { Stepper } from '../../../ui/Stepper';
import { SPACE } from '../../../ui/theme';
import { TickRow } from '../../../ui/TickRow';
import { AmountField } from './AmountField';
import type { PaceBookView } from './PacePanel';

const KINDS = [
  { value: 'none', text: 'None' },
  { value: 'time', text: 'Time' },
  { value: 'distance', text: 'Distance' },
  { value: 'equal', text: 'Equal' },
  { value: 'half', text: 'Half' },
  { value: 'share', text: 'Part of the rep' },
  { value: 'ready', text: 'Until ready' },
] as const;

const START: Record<RecoveryAmount['kind'], Recovery> = {
  time: { amount: { kind: 'time', minS: 90, maxS: 90 } },
  distance: { amount: { kind: 'distance', distanceM: 200 }, manner: 'jog' },
  equal: { amount: { kind: 'equal' } },
  half: { amount: { kind: 'half' } },
  share: { amount: { kind: 'share', percent: 75 } },
  ready: { amount: { kind: 'ready' }, manner: 'walk' },
};

/** A new recovery of a kind: as the squad takes them, else the usual one. */
const startOf = (kind: RecoveryAmount['kind'], rest: Recovery): Recovery =>
  rest.amount.kind === kind ? rest : START[kind];

const MANNER_OPTIONS = [
  { value: 'any', text: 'any' },
  ...MANNERS.map((manner) => ({ value: manner, text: manner === 'moving' ? 'keep moving' : manner })),
] as const;

function AmountOf({ amount, onChange }: { amount: RecoveryAmount; onChange: (amount: RecoveryAmount) => void }) {
  const seconds = (of: Amount) => (of.kind === 'duration' ? of.durationS : 0);
  switch (amount.kind) {
    case 'time': {
      const isRange = amount.maxS !== amount.minS;
      return (
        <View style={{ gap: SPACE.s }}>
          <AmountField
            label="Recovery time"
            timeOnly
            amount={{ kind: 'duration', durationS: amount.minS }}
            onChange={(of) =>
              onChange({
                ...amount,
                minS: seconds(of),
                maxS: isRange ? Math.max(seconds(of), amount.maxS) : seconds(of),
              })
            }
          />
          {isRange && (
            <AmountField
              label="up to"
              timeOnly
              amount={{ kind: 'duration', durationS: amount.maxS }}
              onChange={(of) => onChange({ ...amount, maxS: Math.max(amount.minS, seconds(of)) })}
            />
          )}
          <TickRow
            label="A range, by athlete"
            checked={isRange}
            onChange={(range) => onChange({ ...amount, maxS: range ? amount.minS + 30 : amount.minS })}
          />
        </View>
      );
    }
    case 'distance':
      return (
        <AmountField
          label="Recovery distance"
          amount={{ kind: 'distance', distanceM: amount.distanceM, ...(amount.unit ? { unit: amount.unit } : {}) }}
          onChange={(of) => of.kind === 'distance' && onChange(of)}
        />
      );
    case 'share':
      return (
        <Stepper
          label="Share of the rep"
          value={amount.percent}
          text={`${amount.percent} %`}
          step={5}
          min={5}
          max={500}
          onChange={(percent) => onChange({ ...amount, percent })}
        />
      );
    default:
      return null;
  }
}

type Props = { recovery: Recovery | undefined; book: PaceBookView; onChange: (recovery: Recovery | undefined) => void };

/** What follows each rep: how much of it, how it is spent, and a float's pace. */
export function RecoveryPanel({ recovery, book, onChange }: Props) {
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="Recovery"
        showLabel
        options={KINDS}
        value={recovery?.amount.kind ?? 'none'}
        onChange={(kind) => onChange(kind === 'none' ? undefined : { ...recovery, ...startOf(kind, book.rest) })}
      />
      {recovery && (
        <>
          <AmountOf amount={recovery.amount} onChange={(amount) => onChange({ ...recovery, amount })} />
          <Choice
            label="Spent"
            options={MANNER_OPTIONS}
            value={recovery.manner ?? 'any'}
            onChange={(manner) => {
              const { manner: _manner, pace, ...rest } = recovery;
              if (manner === 'any') return onChange(rest);
              return onChange({ ...rest, manner, ...(manner === 'float' && pace ? { pace } : {}) });
            }}
          />
          {recovery.manner === 'float' && (
            <Select
              label="Float at"
              options={[{ value: '', text: 'no set pace' }, ...book.names.map((name) => ({ value: name, text: name }))]}
              value={recovery.pace?.kind === 'named' ? recovery.pace.name : ''}
              onChange={(name) => {
                const { pace: _pace, ...rest } = recovery;
                onChange(name === '' ? rest : { ...rest, pace: { kind: 'named', name, goal: false } });
              }}
            />
          )}
        </>
      )}
    </View>
  );
}
