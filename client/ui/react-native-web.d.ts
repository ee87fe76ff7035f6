declare module 'react-native-web' {
  import type { ReactElement } from 'react';
  /** Makes an element of the page itself, for what React Native has no component for. */
  export function unstable_createElement(type: string, props: Record<string, unknown>): ReactElement;
}
