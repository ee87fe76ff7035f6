import type { ReactNode } from 'react';
import type { StyleProp, TextStyle } from 'react-native';
import { customText } from 'react-native-paper';
import { usePalette, type WORDS } from './theme';

type Kind = keyof typeof WORDS;
const PaperText = customText<Kind>();

/** Figures of one width, so that times line up. A word longer than its line goes on in the next one; React Native's types do not know of it. */
export const WRAPS = { fontVariant: ['tabular-nums'], overflowWrap: 'anywhere' } as object;

type Props = {
  as?: Kind;
  quiet?: boolean;
  color?: string;
  style?: StyleProp<TextStyle>;
  numberOfLines?: number;
  /** A heading's level, for screen readers. */
  level?: 1 | 2 | 3;
  /** Spoken instead of the text. */
  label?: string;
  live?: 'polite' | 'assertive';
  children: ReactNode;
};

/** All text of the app, in one of the theme's kinds. */
export function Text({ as = 'body', quiet = false, color, style, numberOfLines, level, label, live, children }: Props) {
  const palette = usePalette();
  return (
    <PaperText
      variant={as}
      {...(numberOfLines === undefined ? {} : { numberOfLines })}
      {...(level === undefined ? {} : { role: 'heading', 'aria-level': level })}
      {...(label === undefined ? {} : { 'aria-label': label })}
      {...(live === undefined ? {} : { 'aria-live': live })}
      style={[{ color: color ?? (quiet ? palette.quiet : palette.ink) }, WRAPS, style]}
    >
      {children}
    </PaperText>
  );
}
