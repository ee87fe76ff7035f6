import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { RADIUS, SPACE, usePalette } from './theme';
import { Words } from './Words';

type Props = { title: string; close: () => void; children: ReactNode };

/** Something about what was pressed, over the page and from the foot of the screen: it cannot open out of sight. */
export function ModalSheet({ title, close, children }: Props) {
  const palette = usePalette();
  return (
    <Modal transparent animationType="none" aria-label={title} onRequestClose={close}>
      <View style={{ flex: 1, justifyContent: 'flex-end' }}>
        <Pressable
          onPress={close}
          tabIndex={-1}
          aria-hidden
          style={{
            position: 'absolute',
            top: 0,
            right: 0,
            bottom: 0,
            left: 0,
            backgroundColor: palette.ink,
            opacity: 0.4,
          }}
        />
        <View
          style={{
            maxHeight: '88%',
            backgroundColor: palette.ground,
            borderTopLeftRadius: RADIUS * 2,
            borderTopRightRadius: RADIUS * 2,
          }}
        >
          <View style={{ flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.l, paddingRight: SPACE.xs }}>
            <Words as="heading" level={2} style={{ flex: 1, paddingVertical: SPACE.s }}>
              {title}
            </Words>
            <IconButton
              icon="close"
              accessibilityLabel={`Close ${title}`}
              onPress={close}
              style={{ margin: 0, width: 48, height: 48 }}
            />
          </View>
          <ScrollView
            style={{ flexShrink: 1 }}
            contentContainerStyle={{ padding: SPACE.l, paddingTop: SPACE.xs, gap: SPACE.m }}
            keyboardShouldPersistTaps="handled"
          >
            {children}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}
