import { View } from 'react-native';
import type { PlannedGroup } from '@core/run/plan';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Text } from '../../ui/Text';
import { Part } from './Part';

/** Which groups this phone times; the others are left to somebody else. */
export function WhoTimes({
  groups,
  timed,
  toggle,
}: {
  groups: readonly PlannedGroup[];
  timed: (groupId: string) => boolean;
  toggle: (groupId: string) => void;
}) {
  return (
    <Part title="This phone times">
      <View
        role="group"
        aria-label="This phone times"
        style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l }}
      >
        {groups.map(({ id, name }) => (
          <TickRow key={id} label={name} checked={timed(id)} onChange={() => toggle(id)} />
        ))}
      </View>
      <Text as="small" quiet>
        An assistant joins from the board: More, then A second phone.
      </Text>
    </Part>
  );
}
