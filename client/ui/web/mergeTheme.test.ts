import { darkTheme, lightTheme } from '../theme';
import mergeTheme from './mergeTheme';

test('a theme over itself is that theme, not a copy of it', () =>
  expect(mergeTheme(lightTheme, lightTheme)).toBe(lightTheme));

test('what is set apart is merged into the rest of it', () => {
  const { colors } = lightTheme;
  const merged = mergeTheme(lightTheme, { colors: { ...colors, primary: darkTheme.colors.primary } });
  expect(merged).toEqual({ ...lightTheme, colors: { ...colors, primary: darkTheme.colors.primary } });
  expect(lightTheme.colors.primary).not.toBe(darkTheme.colors.primary);
});
