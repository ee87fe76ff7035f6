/**
 * Stands in for Expo Router's native stack (see replacedModules.cjs): it is made as soon as the router is loaded, but no place here
 * is one, and it would bring headers, toolbars and native screens with it.
 */
export const createNativeStackNavigator = () => ({ Navigator: () => null });

/** Switches that only native screens have. */
export const initScreensFeatureFlags = (): void => undefined;
