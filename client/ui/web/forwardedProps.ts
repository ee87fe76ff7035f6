/** React Native Web drops a component's state and value on the way to the page; here both come through, to createDOMProps.ts. */
import * as forwarded from 'react-native-web/dist/modules/forwardedProps/index';

export const { defaultProps, clickProps, focusProps, keyboardProps, mouseProps, touchProps, styleProps } = forwarded;
export const accessibilityProps = {
  ...forwarded.accessibilityProps,
  accessibilityState: true,
  accessibilityValue: true,
};
