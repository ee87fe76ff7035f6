import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { List } from 'react-native-paper';
import { SPACE, usePalette } from './theme';
import { Text } from './Text';

type Props = { href: Href; title: string; detail: string; aside?: ReactNode; chosen?: boolean; marked?: boolean };

/** A line of a list, ruled like lanes; `marked` (today, running) has a strip of zest at its start. */
export function ListRow({ href, title, detail, aside, chosen = false, marked = false }: Props) {
  const palette = usePalette();
  return (
    <Link href={href} asChild>
      <List.Item
        aria-current={chosen ? 'true' : undefined}
        title={() => <Text as="strong">{title}</Text>}
        description={() => (
          <Text as="small" quiet>
            {detail}
          </Text>
        )}
        {...(aside === undefined ? {} : { right: () => <View style={{ flexShrink: 0 }}>{aside}</View> })}
        style={{
          width: '100%',
          minHeight: 64,
          justifyContent: 'center',
          paddingVertical: SPACE.s,
          paddingHorizontal: SPACE.m,
          borderBottomWidth: 1,
          borderBottomColor: palette.line,
          borderLeftWidth: 6,
          borderLeftColor: marked ? palette.action : 'transparent',
          backgroundColor: chosen ? palette.raised : 'transparent',
        }}
        containerStyle={{ marginVertical: 0, alignItems: 'center', gap: SPACE.m }}
        contentStyle={{ minWidth: 0, paddingLeft: 0 }}
      />
    </Link>
  );
}
