import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { beep } from '../sound/sound';

const COUNT_S = 10;
const BEATS = { least: 5, most: 41 };

type Props = { beatsPerMin: number | undefined; keep: (beatsPerMin: number) => void };

/** The athlete counts heart beats for ten seconds, from one beep to the other; the number is typed in. */
export function PulseCount({ beatsPerMin, keep }: Props) {
  const [leftS, setLeftS] = useState<number>();
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    if (leftS === undefined || leftS === 0) return;
    const timer = setTimeout(() => {
      if (leftS === 1) beep('go');
      setLeftS(leftS - 1);
    }, 1000);
    return () => clearTimeout(timer);
  }, [leftS]);
  if (leftS === undefined)
    return (
      <SmallButton
        onPress={() => {
          beep('tick');
          setLeftS(COUNT_S);
        }}
        label="Count the pulse for 10 seconds"
      >
        {beatsPerMin === undefined ? 'Pulse, 10 s' : `Pulse ${beatsPerMin}`}
      </SmallButton>
    );
  const done = () => {
    const beats = Number(typed);
    if (typed.trim() === '') return;
    if (!Number.isInteger(beats) || beats < BEATS.least || beats > BEATS.most)
      return setTrouble(`Beats in 10 seconds are a number from ${BEATS.least} to ${BEATS.most}.`);
    keep(beats * 6);
    setLeftS(undefined);
    setTyped('');
    setTrouble(undefined);
  };
  return (
    <View style={{ flexDirection: 'row', gap: 8, alignItems: 'flex-end', flexGrow: 1 }}>
      <View style={{ flex: 1 }}>
        <TextField
          label={leftS > 0 ? `Counting: ${leftS}` : 'Beats in 10 s'}
          name="Beats in 10 s"
          value={typed}
          onChange={setTyped}
          decimal
          error={trouble}
        />
      </View>
      <SmallButton onPress={done}>Keep</SmallButton>
    </View>
  );
}
