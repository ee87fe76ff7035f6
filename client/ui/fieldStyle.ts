import type { Palette } from './palette';
import { RADIUS } from './theme';

/** How a field of the page itself looks, which React Native has no component for: like our own text fields. */
export const fieldStyle = (palette: Palette, hasError: boolean) => ({
  height: 48,
  boxSizing: 'border-box',
  width: '100%',
  minWidth: 0,
  borderWidth: 1.5,
  borderStyle: 'solid',
  borderColor: hasError ? palette.late : palette.quiet,
  borderRadius: RADIUS,
  paddingLeft: 12,
  paddingRight: 8,
  fontFamily: 'Zest',
  fontWeight: '500',
  fontSize: 17,
  textOverflow: 'ellipsis',
  color: palette.ink,
  backgroundColor: palette.ground,
  colorScheme: palette.dark ? 'dark' : 'light',
});
