import { useState } from 'react';
import { View } from 'react-native';
import type { AthleteState, RepRun } from '@core/run/runState';
import { parseTime } from '@core/units/time';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import type { Run } from '../../log/useRun';

/** A time that nobody took, put in for one of the marks left open. */
export function AddTime({ run, athlete, rep }: { run: Run; athlete: AthleteState; rep: RepRun }) {
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
        <TextField label="Time" value={typed} onChange={setTyped} decimal error={trouble} />
      </View>
      <SmallButton onPress={add}>Add</SmallButton>
    </View>
  );
}
