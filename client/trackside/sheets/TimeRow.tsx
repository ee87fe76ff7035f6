import { useState } from 'react';
import { View } from 'react-native';
import { runAt, type AthleteState, type Passing, type RepRun } from '@core/run/runState';
import { judge } from '@core/run/tile';
import { formatTime, parseTime } from '@core/units/time';
import { Delta } from '../../ui/Delta';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { StepButton } from '../../ui/Stepper';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';

type Props = { run: Run; athlete: AthleteState; rep: RepRun; pass: Passing };

/** How a time is stamped on the clock of the phone that took it, so that it comes out at `elapsedS`. */
const rawAt = ({ state }: Run, { deviceId }: Passing, { startedAtMs }: RepRun, elapsedS: number): number =>
  Math.round(startedAtMs + elapsedS * 1000 - (state.clocks[deviceId] ?? 0));

/** One time taken, and how to put it right: a tenth up or down, typed, another name, or away with it. */
export function TimeRow({ run, athlete, rep, pass }: Props) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const { happen, state, may } = run;
  const { deltaS, verdict } = judge(rep.rep, rep.target, pass.atM, pass.elapsedS);
  const where = pass.atM === rep.rep.distanceM ? 'finish' : String(Math.round(pass.atM));
  const shiftTo = (elapsedS: number) =>
    happen({ type: 'shifted', eventId: pass.eventId, toMs: rawAt(run, pass, rep, elapsedS) });
  const type = () => {
    if (typed.trim() === '') return;
    const read = parseTime(typed, pass.atM, pass.elapsedS);
    if (!read.ok) return setTrouble(read.message);
    shiftTo(read.timeS);
    setTyped('');
    setTrouble(undefined);
  };
  const others = Object.values(state.athletes).filter(({ presence }) => presence !== 'absent');
  const nameAs = (eventId: string, athleteId: string) =>
    happen({ type: 'named', eventId, athleteId, repIndex: rep.repIndex, atM: pass.atM });
  const [chosenId, choose] = useState<string>();
  const chosen = chosenId === undefined ? undefined : state.athletes[chosenId];
  /** The chosen athlete's own time at this mark: the two taps may have been swapped. */
  const theirs = runAt(chosen, rep.repIndex)?.passes.find((other) => other.atM === pass.atM);
  const nameOf = (athleteId: string) => {
    const hasTime = runAt(state.athletes[athleteId], rep.repIndex)?.passes.some((other) => other.atM === pass.atM);
    if (athleteId !== athlete.athleteId && !hasTime) nameAs(pass.eventId, athleteId);
    else choose(athleteId === athlete.athleteId ? undefined : athleteId);
  };
  return (
    <View role="listitem" style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' }}>
        <Text as="small" style={{ width: 48 }}>
          {where}
        </Text>
        <Text as="strong">{formatTime(pass.elapsedS, 1)}</Text>
        {deltaS !== undefined && verdict && <Delta deltaS={deltaS} verdict={verdict} />}
        {pass.estimated && <Text as="small">estimated</Text>}
        {pass.also && (
          <Text as="small">{`also taken as ${pass.also.map((other) => formatTime(other.elapsedS, 1)).join(', ')}`}</Text>
        )}
        <View style={{ flex: 1 }} />
        {may({ type: 'undone', eventId: pass.eventId }) && (
          <SmallButton expanded={open} label={`Correct ${athlete.tileName} at ${where}`} onPress={() => setOpen(!open)}>
            Correct
          </SmallButton>
        )}
      </View>
      {open && (
        <View style={{ gap: SPACE.s, paddingLeft: SPACE.s }}>
          <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-end' }}>
            <StepButton sign="−" label="A tenth earlier" onPress={() => shiftTo(pass.elapsedS - 0.1)} />
            <StepButton sign="+" label="A tenth later" onPress={() => shiftTo(pass.elapsedS + 0.1)} />
            <View style={{ flex: 1 }}>
              <TextField
                label="Really"
                name="The time really was"
                value={typed}
                onChange={setTyped}
                onBlur={type}
                decimal
                error={trouble}
              />
            </View>
            <SmallButton label="Delete this time" onPress={() => happen({ type: 'undone', eventId: pass.eventId })}>
              Delete
            </SmallButton>
          </View>
          <Select
            label="It was"
            options={others.map(({ athleteId, name }) => ({ value: athleteId, text: name }))}
            value={chosenId ?? athlete.athleteId}
            onChange={nameOf}
          />
          {chosen && theirs && (
            <View role="group" aria-label={`${chosen.tileName} has a time too`} style={{ gap: SPACE.s }}>
              <Text as="small">{`${chosen.tileName} has ${formatTime(theirs.elapsedS, 1)} there.`}</Text>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
                <SmallButton
                  onPress={() => {
                    nameAs(pass.eventId, chosen.athleteId);
                    nameAs(theirs.eventId, athlete.athleteId);
                    choose(undefined);
                  }}
                >
                  Swap the two
                </SmallButton>
                <SmallButton
                  onPress={() => {
                    nameAs(pass.eventId, chosen.athleteId);
                    choose(undefined);
                  }}
                >
                  {`Only this one; ${formatTime(theirs.elapsedS, 1)} then has no name`}
                </SmallButton>
              </View>
            </View>
          )}
        </View>
      )}
    </View>
  );
}
