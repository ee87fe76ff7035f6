import type { TextStyle } from 'react-native';
import { Button } from 'react-native-paper';
import { WORDS, usePalette } from './theme';

type Props = { children: string; onPress: () => void; label?: string };

const LABEL: TextStyle = {
  ...WORDS.small,
  fontWeight: '700',
  marginHorizontal: 10,
  textDecorationLine: 'underline',
};

/** A small step in a line of text, 44 px high. */
export function TextButton({ children, onPress, label = children }: Props) {
  const palette = usePalette();
  return (
    <Button
      mode="text"
      compact
      accessibilityLabel={label}
      textColor={palette.ink}
      onPress={onPress}
      contentStyle={{ minHeight: 44 }}
      labelStyle={LABEL}
    >
      {children}
    </Button>
  );
}
