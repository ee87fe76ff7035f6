import { configureFonts, useTheme, type MD3Theme } from 'react-native-paper';
import { MD3DarkTheme, MD3LightTheme } from 'react-native-paper/lib/module/styles/themes';
import { DARK, LIGHT, type Palette } from './palette';

export type ZestTheme = MD3Theme & { zest: Palette };

const FONT = 'Zest';

/** Space between things, in px. */
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24 } as const;
export const RADIUS = 8;

function themed(base: MD3Theme, palette: Palette): ZestTheme {
  return {
    ...base,
    roundness: 2,
    fonts: configureFonts({ config: { fontFamily: FONT, fontWeight: '500', letterSpacing: 0 } }),
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
