import type { GestureResponderEvent, TextStyle } from 'react-native';
import { Button } from 'react-native-paper';
import type { IconName } from './icons/Icon';
import { ON_MORE_LINES, RADIUS, WORDS, usePalette } from './theme';

type Props = {
  children: string;
  onPress: (event: GestureResponderEvent) => void;
  /** The one next step of a screen is zest lime; all others are outlined. */
  main?: boolean;
  icon?: IconName;
  disabled?: boolean;
  label?: string;
};

const LABEL: TextStyle = { ...WORDS.strong, ...ON_MORE_LINES };

/** A button at least 48 px high. */
export function PrimaryButton({ children, onPress, main = false, icon, disabled = false, label }: Props) {
  const palette = usePalette();
  return (
    <Button
      mode={main ? 'contained' : 'outlined'}
      onPress={onPress}
      disabled={disabled}
      {...(icon ? { icon } : {})}
      {...(label ? { accessibilityLabel: label } : {})}
      buttonColor={main ? palette.action : 'transparent'}
      textColor={main ? palette.onAction : palette.ink}
      style={{ borderRadius: RADIUS, borderColor: palette.ink, borderWidth: main ? 0 : 1.5 }}
      contentStyle={{ minHeight: 48 }}
      labelStyle={[LABEL, icon ? undefined : { marginHorizontal: 14 }]}
    >
      {children}
    </Button>
  );
}
