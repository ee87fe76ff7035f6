import { View } from 'react-native';
import type { Happening } from '@core/run/events';
import { runAt } from '@core/run/runState';
import { counted } from '@core/units/counted';
import { listed } from '@core/units/listed';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { isOnTheWay } from '../board/steps';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';
import { stopOf } from './stopping';

type Start = Happening & { type: 'started' };

/** Returns the athletes of a start who are still running the previous rep. */
export const stillOutOf = ({ state, now }: Run, starts: readonly Start[]) =>
  starts
    .flatMap(({ athleteIds }) => athleteIds)
    .flatMap((id) => state.athletes[id] ?? [])
    .filter((athlete) => isOnTheWay(athlete, now()));

/** At most this many names in the sentence; each athlete has a row below. */
const MOST_NAMED = 4;

type Props = { run: Run; starts: readonly Start[]; close: () => void };

/** Asks about athletes who are still running when their next start is pressed. */
export function StillOutSheet({ run, starts, close }: Props) {
  const { happen } = run;
  const out = stillOutOf(run, starts);
  const isOut = (id: string) => out.some(({ athleteId }) => athleteId === id);
  const others = starts.flatMap((start): Start[] => {
    const athleteIds = start.athleteIds.filter((id) => !isOut(id));
    return athleteIds.length > 0 ? [{ ...start, athleteIds }] : [];
  });
  const go = (chosen: readonly Start[]) => {
    for (const start of chosen) happen(start);
    close();
  };
  const names = out.map(({ tileName }) => tileName);
  const text =
    names.length === 0
      ? 'Everybody is in.'
      : `${names.length > MOST_NAMED ? counted(names.length, 'athlete') : listed(names)} ${names.length === 1 ? 'has' : 'have'} no finish yet. Started now, that rep stays without one.`;
  return (
    <Sheet title={names.length === 0 ? 'Everybody is in' : 'Still running'} subtitle={text} close={close}>
      <View style={{ gap: SPACE.s }}>
        <PrimaryButton main onPress={close}>
          {names.length === 0 ? 'Back to the board' : 'Wait'}
        </PrimaryButton>
        {names.length > 0 && others.length > 0 && (
          <PrimaryButton onPress={() => go(others)}>
            {`Start the others${names.length === 1 ? `, without ${names[0] ?? ''}` : ''}`}
          </PrimaryButton>
        )}
        <PrimaryButton onPress={() => go(starts)}>{names.length === 0 ? 'Start' : 'Start everybody'}</PrimaryButton>
      </View>
      {out.map(({ athleteId, tileName, runs }) => {
        const repIndex = runs.at(-1)?.repIndex ?? 0;
        const finishM = runAt(run.state.athletes[athleteId], repIndex)?.rep.callM.at(-1);
        return (
          <View key={athleteId} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
            <Text as="strong" style={{ flex: 1 }}>
              {tileName}
            </Text>
            {finishM !== undefined && (
              <SmallButton
                label={`${tileName} is in now`}
                onPress={() => happen({ type: 'passed', athleteId, repIndex, atM: finishM })}
              >
                In now
              </SmallButton>
            )}
            <SmallButton label={`${tileName} has stopped`} onPress={() => happen(stopOf({ athleteId, runs }))}>
              Stopped
            </SmallButton>
          </View>
        );
      })}
    </Sheet>
  );
}
