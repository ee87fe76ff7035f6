import type { TextStyle } from 'react-native';
import { Button, TouchableRipple } from 'react-native-paper';
import { View } from 'react-native';
import { Icon } from './icons/Icon';
import { Text } from './Text';
import { ON_MORE_LINES, RADIUS, SPACE, WORDS, usePalette } from './theme';

type Props = {
  children: string;
  onPress: () => void;
  /** Spoken instead of the text. */
  label?: string;
  /** It opens something, which is open or not. */
  expanded?: boolean;
};

const LABEL: TextStyle = {
  ...WORDS.small,
  fontWeight: '700',
  marginHorizontal: SPACE.m,
  marginVertical: SPACE.xs,
  ...ON_MORE_LINES,
};

/** A way to another place: 44 px high, never the main step. */
export function SmallButton({ children, onPress, label = children, expanded }: Props) {
  const palette = usePalette();
  if (expanded !== undefined)
    return (
      <Opener label={label} expanded={expanded} onPress={onPress}>
        {children}
      </Opener>
    );
  return (
    <Button
      mode="outlined"
      compact
      accessibilityLabel={label}
      textColor={palette.ink}
      onPress={onPress}
      style={{ borderRadius: RADIUS, borderColor: palette.ink, borderWidth: 1.5, maxWidth: '100%', minWidth: 44 }}
      contentStyle={{ minHeight: 44 }}
      labelStyle={LABEL}
    >
      {children}
    </Button>
  );
}

/** One that opens something under itself and says whether it is open, which Paper's button cannot. */
function Opener({ children, onPress, label, expanded }: Required<Props>) {
  const palette = usePalette();
  return (
    <TouchableRipple
      role="button"
      aria-label={label}
      aria-expanded={expanded}
      onPress={onPress}
      style={{
        maxWidth: '100%',
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: palette.ink,
        backgroundColor: expanded ? palette.fill : 'transparent',
      }}
    >
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          justifyContent: 'center',
          gap: SPACE.xs,
          minHeight: 42,
          paddingLeft: SPACE.m,
          paddingRight: SPACE.xs,
        }}
      >
        <Text as="small" style={{ flexShrink: 1, fontWeight: '700' }}>
          {children}
        </Text>
        <Icon name={expanded ? 'menu-up' : 'menu-down'} color={palette.ink} size={20} />
      </View>
    </TouchableRipple>
  );
}
