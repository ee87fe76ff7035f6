import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { ICON_PATHS } from './paths';

export type IconName = keyof typeof ICON_PATHS;

type Props = { name: IconName; color: string; size?: number };

/** One of the app's icons; always beside words or on something labelled, so hidden from screen readers. */
export const Icon = memo(function Icon({ name, color, size = 24 }: Props) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={ICON_PATHS[name]} fill={color} />
    </Svg>
  );
});
