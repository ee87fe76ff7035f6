import { View } from 'react-native';
import { Surface } from 'react-native-paper';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

/** What matters, first and large: a few sentences. */
export function FindingList({ texts }: { texts: readonly string[] }) {
  const palette = usePalette();
  return (
    <Surface
      elevation={1}
      style={{ borderRadius: RADIUS, padding: SPACE.m, borderLeftWidth: 5, borderLeftColor: palette.action }}
    >
      <View role="list" aria-label="What matters" style={{ gap: SPACE.xs }}>
        {texts.map((text) => (
          <View role="listitem" key={text}>
            <Text as="strong" style={{ fontWeight: '500' }}>
              {text}
            </Text>
          </View>
        ))}
      </View>
    </Surface>
  );
}
