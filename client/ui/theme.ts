import { configureFonts, useTheme, type MD3Theme } from 'react-native-paper';
import { MD3DarkTheme, MD3LightTheme } from 'react-native-paper/lib/module/styles/themes';
import { DARK, LIGHT, type Palette } from './palette';
import { rem } from './rem';

export type ZestTheme = MD3Theme & { zest: Palette };

const letters = (sizePx: number, linePx: number, fontWeight: '500' | '700') => ({
  fontFamily: 'Zest',
  fontWeight,
  fontSize: rem(sizePx),
  lineHeight: rem(linePx),
  letterSpacing: 0,
});

/** The kinds of text there are: see Text.tsx. */
export const WORDS = {
  title: letters(28, 32, '700'),
  heading: letters(19, 24, '700'),
  strong: letters(17, 22, '700'),
  body: letters(17, 23, '500'),
  small: letters(15, 20, '500'),
  label: letters(13, 16, '700'),
  clock: letters(56, 58, '700'),
};

/** Space between things, in px. */
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24 } as const;
export const RADIUS = 8;

/** Paper keeps the words of a button or chip on one line and cuts them: with this they go on in the next. React Native's types do not know of it. */
export const ON_MORE_LINES = { whiteSpace: 'normal', overflow: 'visible' } as object;

function themed(base: MD3Theme, palette: Palette): ZestTheme {
  return {
    ...base,
    roundness: 2,
    // Dry: nothing grows, wiggles or fades on its way.
    animation: { ...base.animation, scale: 0 },
    fonts: {
      ...configureFonts({ config: { fontFamily: 'Zest', fontWeight: '500', letterSpacing: 0 } }),
      ...WORDS,
      // What Paper's own parts write in.
      headlineSmall: WORDS.heading,
      labelLarge: WORDS.strong,
      bodyLarge: WORDS.body,
      bodyMedium: WORDS.small,
      bodySmall: WORDS.small,
    },
    colors: {
      ...base.colors,
      primary: palette.ink,
      onPrimary: palette.ground,
      primaryContainer: palette.action,
      onPrimaryContainer: palette.onAction,
      secondaryContainer: palette.action,
      onSecondaryContainer: palette.onAction,
      background: palette.ground,
      onBackground: palette.ink,
      surface: palette.ground,
      onSurface: palette.ink,
      surfaceVariant: palette.raised,
      onSurfaceVariant: palette.quiet,
      outline: palette.quiet,
      outlineVariant: palette.line,
      error: palette.late,
      inverseSurface: palette.ink,
      inverseOnSurface: palette.ground,
      inversePrimary: palette.action,
      elevation: {
        ...base.colors.elevation,
        level0: palette.ground,
        level1: palette.raised,
        level2: palette.raised,
        level3: palette.raised,
      },
    },
    zest: palette,
  };
}

export const lightTheme = themed(MD3LightTheme, LIGHT);
export const darkTheme = themed(MD3DarkTheme, DARK);

/** The colours in use. */
export const usePalette = (): Palette => useTheme<ZestTheme>().zest;
