import { useWindowDimensions } from 'react-native';
import { LOW_PX, WIDE_PX } from './widths';

/** True on a phone held sideways: nothing but the places stays in sight, all else scrolls. */
export const useLow = (): boolean => {
  const { width, height } = useWindowDimensions();
  return height < LOW_PX && width < WIDE_PX;
};
