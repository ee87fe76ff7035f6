import { useWindowDimensions } from 'react-native';
import { WIDE_PX } from './widths';

/** True where list and detail fit side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE_PX;
