import { View } from 'react-native';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

export type KeyName = readonly [key: string, does: string];

/** A key and what it does. */
function Key({ name, does, width }: { name: string; does: string; width: number }) {
  const palette = usePalette();
  return (
    <View role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minWidth: 200 }}>
      <View style={{ minWidth: width, alignItems: 'flex-start' }}>
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
      </View>
      <Text as="small" style={{ flexShrink: 1 }}>
        {does}
      </Text>
    </View>
  );
}

/** What keys do, a line each, or side by side where they are many and short. */
export function Keys({ keys, isInRows = false }: { keys: readonly KeyName[]; isInRows?: boolean }) {
  return (
    <View role="list" style={{ gap: SPACE.s, ...(isInRows ? { flexDirection: 'row', flexWrap: 'wrap' } : {}) }}>
      {keys.map(([name, does]) => (
        <Key key={name} name={name} does={does} width={isInRows ? 36 : 152} />
      ))}
    </View>
  );
}
