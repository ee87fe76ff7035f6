import type { ReactNode } from 'react';
import { Text as NativeText, type StyleProp, type TextStyle } from 'react-native';
import { usePalette } from './theme';

const SIZES = {
  title: { fontSize: 28, lineHeight: 32, fontWeight: '700' },
  heading: { fontSize: 19, lineHeight: 24, fontWeight: '700' },
  strong: { fontSize: 17, lineHeight: 22, fontWeight: '700' },
  body: { fontSize: 17, lineHeight: 23, fontWeight: '500' },
  small: { fontSize: 15, lineHeight: 20, fontWeight: '500' },
  label: { fontSize: 13, lineHeight: 16, fontWeight: '700' },
  clock: { fontSize: 56, lineHeight: 58, fontWeight: '700' },
} satisfies Record<string, TextStyle>;

/** A word that is longer than its line goes on in the next one; React Native's types do not know of it. */
const WRAPS = { overflowWrap: 'anywhere' } as object;

type Props = {
  as?: keyof typeof SIZES;
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

/** All text of the app: one typeface, figures of one width so that times line up. */
export function Text({ as = 'body', quiet = false, color, style, numberOfLines, level, label, live, children }: Props) {
  const palette = usePalette();
  return (
    <NativeText
      {...(numberOfLines === undefined ? {} : { numberOfLines })}
      {...(level === undefined ? {} : { role: 'heading', 'aria-level': level })}
      {...(label === undefined ? {} : { 'aria-label': label })}
      {...(live === undefined ? {} : { 'aria-live': live })}
      style={[
        SIZES[as],
        {
          fontFamily: 'Zest',
          fontVariant: ['tabular-nums'],
          color: color ?? (quiet ? palette.quiet : palette.ink),
          ...WRAPS,
        },
        style,
      ]}
    >
      {children}
    </NativeText>
  );
}
