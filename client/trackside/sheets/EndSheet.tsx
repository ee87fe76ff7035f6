import { View } from 'react-native';
import type { AthleteState } from '@core/run/runState';
import { listed } from '@core/units/listed';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SPACE } from '../../ui/theme';
import { isOnTheWay } from '../board/steps';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

/** Who is still on the way, in the order of the tiles. */
export const stillOut = ({ state, now }: Run): AthleteState[] =>
  Object.values(state.athletes).filter((athlete) => isOnTheWay(athlete, now()));

type Props = { run: Run; close: () => void; endWhenIn: () => void };

/** Ending a session with somebody still running: who that is, and a way that leaves them their time. */
export function EndSheet({ run, close, endWhenIn }: Props) {
  const names = stillOut(run).map(({ tileName }) => tileName);
  const text =
    names.length === 0 ? 'Everybody is in.' : `${listed(names)} ${names.length === 1 ? 'is' : 'are'} still running.`;
  return (
    <Sheet title="End the session?" subtitle={text} close={close}>
      <View style={{ gap: SPACE.s }}>
        {names.length > 0 && (
          <PrimaryButton
            main
            onPress={() => {
              endWhenIn();
              close();
            }}
          >
            {names.length === 1 ? 'When they are in' : 'When all are in'}
          </PrimaryButton>
        )}
        <PrimaryButton
          onPress={() => {
            run.happen({ type: 'ended' });
            close();
          }}
        >
          End it now
        </PrimaryButton>
      </View>
    </Sheet>
  );
}
