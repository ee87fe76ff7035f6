import { memo } from 'react';
import { ICON_PATHS } from './paths';

export type IconName = keyof typeof ICON_PATHS;

type Props = { name: IconName; color: string; size?: number };

/** One of the app's icons, an element of the page: react-native-svg comes with the later screens. Always beside words or on something labelled, so hidden from screen readers. */
export const Icon = memo(function Icon({ name, color, size = 24 }: Props) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden style={{ flexShrink: 0 }}>
      <path d={ICON_PATHS[name]} fill={color} />
    </svg>
  );
});
