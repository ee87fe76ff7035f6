import { View } from 'react-native';
import { PrimaryButton } from './PrimaryButton';
import { RADIUS, SPACE, usePalette } from './theme';
import { Text } from './Text';

type Props = { children: string; retry?: () => void };

/** What went wrong, in a sentence, where it matters; with a way to try again. */
export function Trouble({ children, retry }: Props) {
  const palette = usePalette();
  return (
    <View
      role="alert"
      style={{
        backgroundColor: palette.raised,
        borderLeftWidth: 5,
        borderLeftColor: palette.late,
        borderRadius: RADIUS,
        padding: SPACE.m,
        gap: SPACE.s,
      }}
    >
      <Text as="small">{children}</Text>
      {retry && (
        <View style={{ alignItems: 'flex-start' }}>
          <PrimaryButton onPress={retry}>Try again</PrimaryButton>
        </View>
      )}
    </View>
  );
}
