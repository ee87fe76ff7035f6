import { View } from 'react-native';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { inOrder } from '../board/order';
import { isOnTheWay } from '../board/steps';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

type Props = { run: Run; shown: ReadonlySet<string>; close: () => void; open: (athleteId: string) => void };

/** Stops an athlete in one press, runners listed first; then opens their sheet for a reason or a note. */
export function StopSheet({ run, shown, close, open }: Props) {
  const { state, now, happen } = run;
  const here = inOrder(state, shown).filter(({ stoppedAtMs }) => stoppedAtMs === undefined);
  const running = here.filter((athlete) => isOnTheWay(athlete, now()));
  const resting = here.filter((athlete) => !running.includes(athlete));
  const stop = (athleteId: string, repIndex: number) => {
    happen({ type: 'decided', athleteIds: [athleteId], decision: { kind: 'stop' }, repIndex });
    open(athleteId);
  };
  const part = (title: string, athletes: typeof here) =>
    athletes.length > 0 && (
      <View role="group" aria-label={title} style={{ gap: SPACE.xs }}>
        <Text as="label">{title}</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          {athletes.map(({ athleteId, tileName, runs }) => (
            <SmallButton
              key={athleteId}
              label={`${tileName} has stopped`}
              onPress={() => stop(athleteId, runs.at(-1)?.repIndex ?? -1)}
            >
              {tileName}
            </SmallButton>
          ))}
        </View>
      </View>
    );
  return (
    <Sheet title="Who has stopped?" subtitle="They run no more today; Undo takes it back." close={close}>
      {part('Running', running)}
      {part(running.length > 0 ? 'Not running' : 'Here', resting)}
      <Text as="small">Pain, dizziness or illness: stop. Medical advice comes first.</Text>
    </Sheet>
  );
}
