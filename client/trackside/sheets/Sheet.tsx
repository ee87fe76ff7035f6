import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';

type Props = {
  title: string;
  about?: string | undefined;
  close: () => void;
  /** Nothing in it can be pressed: it takes the focus itself, so that keys can scroll it. */
  readOnly?: boolean;
  children: ReactNode;
};

/**
 * Something asked or shown over the tiles. The line bar stays in sight under it: a time can be taken whatever is open.
 */
export function Sheet({ title, about, close, readOnly = false, children }: Props) {
  const palette = usePalette();
  return (
    <View
      role="dialog"
      aria-label={title}
      style={{
        position: 'absolute',
        right: 0,
        bottom: 0,
        width: '100%',
        maxWidth: 520,
        maxHeight: '100%',
        backgroundColor: palette.ground,
        borderTopLeftRadius: RADIUS * 2,
        borderTopRightRadius: RADIUS * 2,
        borderWidth: 2,
        borderBottomWidth: 0,
        borderColor: palette.ink,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.l, paddingRight: SPACE.xs }}>
        <View style={{ flex: 1, paddingVertical: SPACE.s }}>
          <Words as="heading" level={2}>
            {title}
          </Words>
          {about !== undefined && <Words as="small">{about}</Words>}
        </View>
        <IconButton
          icon="close"
          accessibilityLabel={`Close ${title}`}
          onPress={close}
          style={{ margin: 0, width: 48, height: 48 }}
        />
      </View>
      <ScrollView
        {...(readOnly ? { tabIndex: 0 as const } : {})}
        style={{ flexShrink: 1 }}
        contentContainerStyle={{ padding: SPACE.l, paddingTop: SPACE.xs, gap: SPACE.m }}
        keyboardShouldPersistTaps="handled"
      >
        {children}
      </ScrollView>
    </View>
  );
}
