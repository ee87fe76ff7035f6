declare module 'react-native-web' {
  import type { ReactElement } from 'react';
  /** Makes an element of the page itself, for what React Native has no component for. */
  export function unstable_createElement(type: string, props: Record<string, unknown>): ReactElement;
}
declare module 'react-native-web/dist/modules/createDOMProps/index' {
  export default function createDOMProps(
    element: unknown,
    props: Record<string, unknown>,
    options?: unknown,
  ): Record<string, unknown>;
}
declare module 'react-native-web/dist/modules/AccessibilityUtil/propsToAriaRole' {
  export default function propsToAriaRole(props: Record<string, unknown>): string | undefined;
}
declare module 'react-native-web/dist/modules/forwardedProps/index' {
  type Names = Record<string, true>;
  export const defaultProps: Names;
  export const accessibilityProps: Names;
  export const clickProps: Names;
  export const focusProps: Names;
  export const keyboardProps: Names;
  export const mouseProps: Names;
  export const touchProps: Names;
  export const styleProps: Names;
}
declare module 'react-native-web/dist/vendor/react-native/Animated/NativeAnimatedHelper.js' {
  const helper: object;
  export default helper;
}
