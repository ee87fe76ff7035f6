import Svg, { Path } from 'react-native-svg';
import { ICON_PATHS } from './paths';

export type IconName = keyof typeof ICON_PATHS;

/** One of the app's icons; always beside words or on something labelled, so hidden from screen readers. */
export function Icon({ name, color, size = 24 }: { name: IconName; color: string; size?: number }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={ICON_PATHS[name]} fill={color} />
    </Svg>
  );
}
