import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE, usePalette } from './theme';
import { Text } from './Text';

type Props = { href: Href; title: string; detail: string; aside?: ReactNode; chosen?: boolean; marked?: boolean };

/**
 * A line of a list, ruled like lanes; `marked` (today, running) has a strip of zest at its start. A link that is no more than that: with
 * Paper's line the library was drawn a third slower with each letter of a search.
 */
export function ListRow({ href, title, detail, aside, chosen = false, marked = false }: Props) {
  const palette = usePalette();
  return (
    <Link href={href} aria-current={chosen ? 'true' : undefined} style={{ width: '100%' }}>
      <View
        style={{
          width: '100%',
          flexDirection: 'row',
          alignItems: 'center',
          gap: SPACE.m,
          minHeight: 64,
          paddingVertical: SPACE.s,
          paddingHorizontal: SPACE.m,
          borderBottomWidth: 1,
          borderBottomColor: palette.line,
          borderLeftWidth: 6,
          borderLeftColor: marked ? palette.action : 'transparent',
          backgroundColor: chosen ? palette.raised : 'transparent',
        }}
      >
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text as="strong">{title}</Text>
          <Text as="small" quiet>
            {detail}
          </Text>
        </View>
        {aside}
      </View>
    </Link>
  );
}
