import { Slot, usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { usePalette } from './theme';
import { useWide } from './useWide';

type Props = {
  list: ReactNode;
  listWidth?: number;
  /** Addresses with the whole width to themselves. */
  hasWholeWidth?: (path: string) => boolean;
};

/** A list with the chosen one beside it where there is room; on a phone one screen after the other. */
export function ListAndDetail({ list, listWidth = 340, hasWholeWidth }: Props) {
  const palette = usePalette();
  const path = usePathname();
  if (!useWide() || hasWholeWidth?.(path)) return <Slot />;
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ width: listWidth, borderRightWidth: 1, borderRightColor: palette.line }}>{list}</View>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Slot />
      </View>
    </View>
  );
}
