/** The themes alone: taken from Paper's front door they would bring all of its components along (300 KB). */
declare module 'react-native-paper/lib/module/styles/themes' {
  import type { MD3Theme } from 'react-native-paper';
  export const MD3LightTheme: MD3Theme;
  export const MD3DarkTheme: MD3Theme;
}
