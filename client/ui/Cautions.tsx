import { View } from 'react-native';
import { RADIUS, SPACE, usePalette } from './theme';
import { Text } from './Text';

/** Soft notes with their reasons; the coach can go on. */
export function Cautions({ list }: { list: readonly string[] }) {
  const palette = usePalette();
  if (list.length === 0) return null;
  return (
    <View
      role="note"
      style={{
        gap: SPACE.xs,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderLeftWidth: 6,
        borderLeftColor: palette.warning,
        backgroundColor: palette.raised,
      }}
    >
      {list.map((caution) => (
        <Text as="small" key={caution}>
          {caution}
        </Text>
      ))}
      <Text as="label" quiet>
        Your judgement, local rules and qualified advice come first.
      </Text>
    </View>
  );
}
