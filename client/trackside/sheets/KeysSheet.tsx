import { View } from 'react-native';
import type { AthleteState } from '@core/run/runState';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { ATHLETE_KEYS } from '../board/useKeys';
import { Sheet } from './Sheet';

const KEYS = [
  ['Space, or a clicker', 'the line: a time without a name'],
  ['Y', 'the start on the big button'],
  ['Z', 'undo'],
  ['Shift Z', 'do it again'],
  ['Esc', 'close what is open'],
  ['?', 'this list'],
] as const;

function Key({ name, does }: { name: string; does: string }) {
  const palette = usePalette();
  return (
    <View role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minWidth: 200 }}>
      <View
        style={{
          minWidth: 36,
          paddingHorizontal: 8,
          paddingVertical: 3,
          alignItems: 'center',
          borderRadius: RADIUS,
          borderWidth: 1.5,
          borderColor: palette.ink,
        }}
      >
        <Text as="strong">{name}</Text>
      </View>
      <Text as="small">{does}</Text>
    </View>
  );
}

/** What the keys do, and whose key is which. */
export function KeysSheet({ athletes, close }: { athletes: readonly AthleteState[]; close: () => void }) {
  return (
    <Sheet title="Keys" subtitle="They also stand in the corners of the tiles." close={close} readOnly>
      <View role="list" style={{ gap: SPACE.s }}>
        {KEYS.map(([name, does]) => (
          <Key key={name} name={name} does={does} />
        ))}
      </View>
      <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {athletes.slice(0, ATHLETE_KEYS.length).map(({ athleteId, name }, i) => (
          <Key key={athleteId} name={(ATHLETE_KEYS[i] ?? '').toUpperCase()} does={name} />
        ))}
      </View>
    </Sheet>
  );
}
