import { useState } from 'react';
import { View } from 'react-native';
import { formatAmount } from '@core/session/formatSession';
import { parseAmount } from '@core/session/parseSession';
import type { Amount } from '@core/session/session';
import { longerAmount, shorterAmount } from '@core/session/usualAmounts';
import { StepButton } from '../../../ui/Stepper';
import { TextField } from '../../../ui/TextField';
import { SPACE } from '../../../ui/theme';

type Props = {
  label: string;
  amount: Amount;
  onChange: (amount: Amount) => void;
  /** Only a time will do. */
  timeOnly?: boolean;
};

/** A distance or a time: a step up or down the usual ones, or typed. What cannot be read is said and changes nothing. */
export function AmountField({ label, amount, onChange, timeOnly = false }: Props) {
  const shown = formatAmount(amount);
  const [typing, setTyping] = useState<string>();
  const typed = typing === undefined ? amount : parseAmount(typing);
  const isWrong = !typed || (timeOnly && typed.kind === 'distance');
  return (
    <View role="group" aria-label={label} style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s }}>
      <StepButton sign="−" label={`${label}: shorter`} onPress={() => onChange(shorterAmount(amount))} />
      <View style={{ flex: 1, minWidth: 84, maxWidth: 180 }}>
        <TextField
          label={label}
          value={typing ?? shown}
          onChange={(text) => {
            setTyping(text);
            const read = parseAmount(text);
            if (read && !(timeOnly && read.kind === 'distance')) onChange(read);
          }}
          onBlur={() => setTyping(undefined)}
          {...(isWrong ? { error: timeOnly ? 'Like 90s or 2:30.' : 'Like 400, 1mi or 2:30.' } : {})}
        />
      </View>
      <StepButton sign="+" label={`${label}: longer`} onPress={() => onChange(longerAmount(amount))} />
    </View>
  );
}
