import { useState } from 'react';
import { View } from 'react-native';
import { USUAL_CAUTION } from '@core/judgement/careWords';
import { WhyStopped } from '../../parts/WhyStopped';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { inOrder } from '../board/order';
import { isOnTheWay } from '../board/steps';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';
import { stopOf } from './stopping';

type Props = { run: Run; shown: ReadonlySet<string>; close: () => void; open: (athleteId: string) => void };

/** Stops an athlete in one press, runners listed first; then asks why, which may be skipped. */
export function StopSheet({ run, shown, close, open }: Props) {
  const { state, now, happen } = run;
  const [stoppedId, setStoppedId] = useState<string>();
  const stopped = stoppedId === undefined ? undefined : state.athletes[stoppedId];
  if (stopped?.stoppedAtMs !== undefined)
    return (
      <Sheet title={`Why did ${stopped.tileName} stop?`} subtitle="It can be said later too." close={close}>
        <WhyStopped
          people={[stopped]}
          say={(athleteId, reason) => {
            happen({ type: 'stopReason', athleteId, reason });
            close();
          }}
        />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <SmallButton onPress={close}>Skip</SmallButton>
          <SmallButton label={`All about ${stopped.tileName}`} onPress={() => open(stopped.athleteId)}>
            A note
          </SmallButton>
        </View>
        <Text as="small">{USUAL_CAUTION}</Text>
      </Sheet>
    );
  const here = inOrder(state, shown).filter(({ stoppedAtMs }) => stoppedAtMs === undefined);
  const running = here.filter((athlete) => isOnTheWay(athlete, now()));
  const resting = here.filter((athlete) => !running.includes(athlete));
  const part = (title: string, athletes: typeof here) =>
    athletes.length > 0 && (
      <View role="group" aria-label={title} style={{ gap: SPACE.xs }}>
        <Text as="label">{title}</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          {athletes.map((athlete) => (
            <SmallButton
              key={athlete.athleteId}
              label={`${athlete.tileName} has stopped`}
              onPress={() => {
                happen(stopOf(athlete));
                setStoppedId(athlete.athleteId);
              }}
            >
              {athlete.tileName}
            </SmallButton>
          ))}
        </View>
      </View>
    );
  return (
    <Sheet title="Who has stopped?" subtitle="They run no more today; Undo takes it back." close={close}>
      {part('Running', running)}
      {part(running.length > 0 ? 'Not running' : 'Here', resting)}
      <Text as="small">{USUAL_CAUTION}</Text>
    </Sheet>
  );
}
