import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useState } from 'react';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Trouble } from '../../ui/Trouble';
import { Text } from '../../ui/Text';
import type { RollCallState } from './useRollCall';

/** The way to the board; a session that was started before asks first. */
export function RollFooter({ roll: { before, going, trouble, go } }: { roll: RollCallState }) {
  const [isAgain, setAgain] = useState(false);
  if (before && !isAgain)
    return (
      <>
        <Text as="small">
          {before.summary?.endedAtMs === undefined
            ? 'This session is under way already. Started again, it is timed a second time from its first rep.'
            : 'This session was run already. Its results stay as they are.'}
        </Text>
        <PrimaryButton
          main
          icon="track"
          onPress={() =>
            router.replace(
              before.summary?.endedAtMs === undefined ? `/track/run/${before.id}` : `/results/${before.id}`,
            )
          }
        >
          {before.summary?.endedAtMs === undefined ? 'Go on where you left off' : 'See the results'}
        </PrimaryButton>
        <PrimaryButton onPress={() => setAgain(true)}>Run it once more</PrimaryButton>
      </>
    );
  return (
    <>
      {going === 0 && <Text as="small">Nobody is ticked. Tick at least one athlete to go on.</Text>}
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <PrimaryButton main icon="track" disabled={going === 0} onPress={() => void go()}>
        {`Go with ${counted(going, 'athlete')}`}
      </PrimaryButton>
    </>
  );
}
