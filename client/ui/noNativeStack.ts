/**
 * Stands in for Expo Router's native stack (see metro.config.js): it is made as soon as the router is loaded, but no place here
 * is one, and it would bring headers, toolbars and native screens with it.
 */
export const createNativeStackNavigator = () => ({ Navigator: () => null });

/** The switches of native screens. */
export const initScreensFeatureFlags = (): void => undefined;
