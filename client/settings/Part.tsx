import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';

/** A part of the settings under its heading. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View role="region" aria-label={title} style={{ gap: SPACE.m, maxWidth: 640 }}>
      <Text as="heading" level={2}>
        {title}
      </Text>
      {children}
    </View>
  );
}
