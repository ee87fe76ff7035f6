import { useState } from 'react';
import { View } from 'react-native';
import { LEVERS, type ChainLink, type Lever } from '@core/library/librarySession';
import { LEVER_WORDS } from '@core/library/leverWords';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { CHAIN_UNITS, linkText, typedNumber } from './chainText';

const NOT_A_NUMBER = 'A number above nothing, or empty.';

type NumberProps = { label: string; value: number | undefined; onChange: (value: number | undefined) => void };

function NumberField({ label, value, onChange }: NumberProps) {
  const [typed, setTyped] = useState(value === undefined ? '' : String(value));
  const read = typedNumber(typed);
  return (
    <View style={{ flexGrow: 1, flexBasis: 130 }}>
      <TextField
        label={label}
        value={typed}
        decimal
        onChange={setTyped}
        onBlur={() => read.ok && read.value !== value && onChange(read.value)}
        error={read.ok ? undefined : NOT_A_NUMBER}
      />
    </View>
  );
}

const link = (lever: Lever, by: number | undefined, to: number | undefined): ChainLink => ({
  lever,
  ...(by === undefined ? {} : { by }),
  ...(to === undefined ? {} : { to }),
});

type LinkProps = { at: number; value: ChainLink; put: (value: ChainLink | undefined) => void };

function Link({ at, value, put }: LinkProps) {
  const { lever, by, to } = value;
  const units = CHAIN_UNITS[lever];
  return (
    <View role="group" aria-label={`Lever ${at + 1}`} style={{ gap: SPACE.s }}>
      <Select
        label={at === 0 ? 'First' : 'Then'}
        options={LEVERS.map((value) => ({ value, text: LEVER_WORDS[value] }))}
        value={lever}
        onChange={(next) => put(link(next, undefined, undefined))}
      />
      {units && (
        <View key={lever} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <NumberField label={units.by} value={by} onChange={(next) => put(link(lever, next, to))} />
          <NumberField label={units.to} value={to} onChange={(next) => put(link(lever, by, next))} />
        </View>
      )}
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton label={`Take lever ${at + 1} out`} onPress={() => put(undefined)}>
          Take out
        </SmallButton>
      </View>
    </View>
  );
}

type Props = {
  chain: readonly ChainLink[];
  /** What the first one begins with. */
  lever: Lever;
  put: (chain: ChainLink[]) => void;
};

/** Levers one after the other, each until it comes to its end. */
export function ChainFields({ chain, lever, put }: Props) {
  return (
    <>
      {chain.map((value, at) => (
        <Link
          // A lever that is changed is another one; its fields begin anew.
          key={`${at} ${linkText(value)}`}
          at={at}
          value={value}
          put={(next) => put(chain.flatMap((link, i) => (i === at ? (next ? [next] : []) : [link])))}
        />
      ))}
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton onPress={() => put([...chain, { lever: chain.length === 0 ? lever : 'less-rest' }])}>
          {chain.length === 0 ? 'Say how far it goes' : 'And then another lever'}
        </SmallButton>
      </View>
    </>
  );
}
