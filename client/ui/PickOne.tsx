import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Logo } from './Logo';
import { SPACE } from './theme';
import { useWide } from './useWide';
import { Text } from './Text';

/** Where nothing is chosen: on a phone the list itself, beside a list a hint. */
export function PickOne({ list, children }: { list: ReactNode; children: string }) {
  if (!useWide()) return list;
  return (
    <View style={{ flex: 1, alignItems: 'center', justifyContent: 'center', gap: SPACE.l }}>
      <Logo size={72} />
      <Text quiet>{children}</Text>
    </View>
  );
}
