/** Animations run in the page's own script: there is no native driver, and React Native Web would warn of it at the first one. */
import * as helper from 'react-native-web/dist/vendor/react-native/Animated/NativeAnimatedHelper.js';

export * from 'react-native-web/dist/vendor/react-native/Animated/NativeAnimatedHelper.js';

export const shouldUseNativeDriver = (): boolean => false;

// What is worked out when it is asked for stays so.
export default Object.assign(Object.create(helper.default as object) as object, { shouldUseNativeDriver });
