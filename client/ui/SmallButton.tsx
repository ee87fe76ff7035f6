import { Press } from './Press';
import { RADIUS, SPACE, usePalette } from './theme';
import { Text } from './Text';

type Props = {
  children: string;
  onPress: () => void;
  /** Spoken instead of the text. */
  label?: string;
  /** It opens something, which is open or not. */
  expanded?: boolean;
};

/** A way to another place, or something that opens: 44 px high, never the main step. */
export function SmallButton({ children, onPress, label = children, expanded }: Props) {
  const palette = usePalette();
  return (
    <Press
      role="button"
      aria-label={label}
      {...(expanded === undefined ? {} : { 'aria-expanded': expanded })}
      onPress={onPress}
      style={{
        minHeight: 44,
        minWidth: 44,
        maxWidth: '100%',
        paddingHorizontal: SPACE.m,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: palette.ink,
        backgroundColor: expanded ? palette.fill : 'transparent',
      }}
    >
      <Text as="strong" style={{ fontSize: 15, textAlign: 'center' }}>
        {children}
      </Text>
    </Press>
  );
}
