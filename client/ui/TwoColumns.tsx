import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from './theme';
import { useWide } from './useWide';

type Props = {
  left: ReactNode;
  right: ReactNode;
  /** How wide the left one is, to the right one's 1. */
  leftShare?: number;
};

/** Two parts of a page beside each other where there is room, else one under the other. */
export function TwoColumns({ left, right, leftShare = 1 }: Props) {
  const wide = useWide();
  const gap = SPACE.xl;
  if (!wide)
    return (
      <View style={{ gap: SPACE.l }}>
        {left}
        {right}
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', gap }}>
      <View style={{ flex: leftShare, minWidth: 0, gap }}>{left}</View>
      <View style={{ flex: 1, minWidth: 0, gap }}>{right}</View>
    </View>
  );
}
