import type { Palette } from './palette';
import { RADIUS, WORDS } from './theme';

/** How a field of the page itself looks, which React Native has no component for: like our own text fields. */
export const fieldStyle = (palette: Palette, hasError: boolean) => ({
  minHeight: 48,
  boxSizing: 'border-box',
  width: '100%',
  minWidth: 0,
  borderWidth: 1.5,
  borderStyle: 'solid',
  borderColor: hasError ? palette.late : palette.quiet,
  borderRadius: RADIUS,
  paddingLeft: 12,
  paddingRight: 8,
  ...WORDS.body,
  textOverflow: 'ellipsis',
  color: palette.ink,
  backgroundColor: palette.ground,
  colorScheme: palette.dark ? 'dark' : 'light',
});
