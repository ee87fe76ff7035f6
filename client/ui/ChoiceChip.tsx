import { Chip } from 'react-native-paper';
import { rem } from './rem';
import { WRAPS } from './Text';
import { ON_MORE_LINES, RADIUS, usePalette } from './theme';

type Props = {
  role: 'radio' | 'checkbox' | 'button';
  on: boolean;
  onPress: () => void;
  isOneLine?: boolean;
  disabled?: boolean;
  /** Spoken instead of the text. */
  label?: string;
  children: string;
};

// Each side by its own name, as Paper gives them.
const USUAL = { marginLeft: 12, marginRight: 12 };
const NARROW = { marginLeft: 6, marginRight: 6, flexGrow: 1 };

/** One of the chips of a choice: the chosen one is filled with zest inside an edge of ink. */
export function ChoiceChip({ role, on, onPress, isOneLine = false, disabled = false, label, children }: Props) {
  const palette = usePalette();
  return (
    <Chip
      mode="outlined"
      accessibilityRole={role}
      {...(label === undefined ? {} : { accessibilityLabel: label })}
      selected={on}
      disabled={disabled}
      showSelectedCheck={false}
      onPress={onPress}
      style={{
        minWidth: 47,
        maxWidth: isOneLine ? rem(140) : '100%',
        ...(isOneLine ? { flexGrow: 1 } : {}),
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: on ? palette.ink : palette.quiet,
        borderStyle: disabled ? 'dashed' : 'solid',
        backgroundColor: on ? palette.action : palette.ground,
      }}
      textStyle={[
        ON_MORE_LINES,
        WRAPS,
        {
          // 44 px high with a line of words in it, not counting the edge, which is not pressed.
          marginVertical: 11,
          flexShrink: 1,
          textAlign: 'center',
          color: on ? palette.onAction : disabled ? palette.quiet : palette.ink,
          ...(isOneLine ? NARROW : USUAL),
        },
      ]}
    >
      {children}
    </Chip>
  );
}
