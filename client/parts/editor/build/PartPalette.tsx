import { View } from 'react-native';
import { PARTS, type Part } from '@core/session/parts';
import { Press } from '../../../ui/Press';
import { rem } from '../../../ui/rem';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';

/** What a session is put together from: one press adds it where it belongs. */
export function PartPalette({ onPick }: { onPick: (part: Part) => void }) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="label" quiet level={3}>
        Add a part
      </Text>
      <View role="group" aria-label="Add a part" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {PARTS.map((part) => (
          <Press
            key={part.name}
            role="button"
            aria-label={`Add: ${part.name}, ${part.description}`}
            onPress={() => onPick(part)}
            style={{
              minHeight: 52,
              flexGrow: 1,
              flexBasis: 104,
              paddingHorizontal: 10,
              paddingVertical: 4,
              justifyContent: 'center',
              borderRadius: RADIUS,
              backgroundColor: palette.raised,
            }}
          >
            <Text as="strong" style={{ fontSize: rem(16) }}>
              {part.name}
            </Text>
            <Text as="label" quiet style={{ fontWeight: '500' }}>
              {part.description}
            </Text>
          </Press>
        ))}
      </View>
    </View>
  );
}
