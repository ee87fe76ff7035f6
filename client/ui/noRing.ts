import type { TextStyle } from 'react-native';

/** For a field of Paper: it marks its own focus, and the page's ring would lie over its label. */
export const NO_RING = { outlineStyle: 'none' } as unknown as TextStyle;
