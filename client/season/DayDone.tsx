import { useState } from 'react';
import { View } from 'react-native';
import type { SeasonChange } from '@core/season/changes';
import { exceptionOn } from '@core/season/exceptions';
import { usualAmount } from '@core/season/load';
import type { DayDone as Done, SeasonDay, SeasonPlan } from '@core/season/season';
import { amountText } from '@core/season/weekText';
import type { SquadMember } from '@core/squad/athlete';
import { Chips } from '../ui/Chips';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Segments } from '../ui/Segments';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { Text } from '../ui/Text';

const UNITS = ['km', 'min'] as const;
const UNIT_WORDS = { km: 'km', min: 'min' } as const;
const MOST = 600;

/** An amount as typed; undefined where it is none. */
function typedAmount(text: string): number | undefined {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && value > 0 && value <= MOST ? value : undefined;
}

type Props = {
  day: SeasonDay;
  done: Done | undefined;
  season: SeasonPlan;
  /** Who the season is for. */
  athletes: readonly SquadMember[];
  change: (change: SeasonChange, noticeText: string) => void;
};

/** A day without a timed session: that it was run, how much, and who did not. */
export function DayDone({ day, done, season, athletes, change }: Props) {
  const { date } = day;
  const usual = done?.amount ?? usualAmount(day);
  const [text, setText] = useState(String(usual.amount));
  const [unit, setUnit] = useState(usual.unit);
  const amount = typedAmount(text);
  const there = athletes.filter(({ id }) => {
    const found = exceptionOn(season.exceptions, id, date);
    return !found || found.isEasing;
  });
  const put = (next: Omit<Done, 'date'> | undefined, noticeText: string) =>
    change({ kind: 'done', date, done: next }, noticeText);
  const isSame = done?.amount.amount === amount && done?.amount.unit === unit;
  return (
    <View role="region" aria-label="Was it run?" style={{ gap: SPACE.s }}>
      <Text as="strong">{done ? `Run: ${amountText(done.amount)}` : 'Was it run?'}</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: SPACE.s }}>
        <View style={{ width: 110 }}>
          <TextField
            label="How much"
            value={text}
            decimal
            onChange={setText}
            error={amount === undefined ? 'A number, like 8.' : undefined}
          />
        </View>
        <View style={{ width: 150 }}>
          <Segments who="How much" values={UNITS} words={UNIT_WORDS} value={unit} onChange={setUnit} />
        </View>
        <PrimaryButton
          main={!done}
          icon="check"
          disabled={amount === undefined || isSame}
          onPress={() =>
            amount !== undefined &&
            put({ amount: { unit, amount }, ...(done?.notIds ? { notIds: done.notIds } : {}) }, 'It was run.')
          }
        >
          {done ? 'Change' : 'Tick it'}
        </PrimaryButton>
        {done && (
          <PrimaryButton icon="remove" onPress={() => put(undefined, 'The tick is gone.')}>
            Take the tick back
          </PrimaryButton>
        )}
      </View>
      {done && there.length > 0 && (
        <Chips
          label="Who did not run"
          options={there.map(({ id, tileName }) => ({ value: id, text: tileName }))}
          chosen={done.notIds ?? []}
          onChange={(notIds) =>
            put({ amount: done.amount, ...(notIds.length > 0 ? { notIds } : {}) }, 'Who ran is changed.')
          }
        />
      )}
    </View>
  );
}
