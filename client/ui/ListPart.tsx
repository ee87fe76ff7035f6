import type { ReactElement } from 'react';
import { View } from 'react-native';
import { SPACE } from './theme';
import { Text } from './Text';

/** Part of a list, under a heading of its own; nothing at all where there are no rows. Every row has a key. */
export function ListPart({ title, rows }: { title: string; rows: readonly ReactElement[] }) {
  if (rows.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="label" quiet level={2}>
        {title}
      </Text>
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {rows.map((row) => (
          <View role="listitem" key={row.key}>
            {row}
          </View>
        ))}
      </View>
    </View>
  );
}
