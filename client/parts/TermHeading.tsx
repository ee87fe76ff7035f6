import { View } from 'react-native';
import { Text } from '../ui/Text';
import { WhatIs } from './WhatIs';
import type { Term } from './glossary';

/** A heading of the trade's own words, with what they mean a tap away. */
export function TermHeading({ children, terms }: { children: string; terms: readonly Term[] }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center' }}>
      <Text as="heading" level={2} style={{ flexShrink: 1 }}>
        {children}
      </Text>
      <WhatIs terms={terms} />
    </View>
  );
}
