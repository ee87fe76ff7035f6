import type { ReactNode } from 'react';
import { Modal, Pressable, View } from 'react-native';
import { SheetPanel } from './SheetPanel';
import { RADIUS, usePalette } from './theme';

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
            width: '100%',
            maxWidth: 720,
            alignSelf: 'center',
            maxHeight: '88%',
            backgroundColor: palette.ground,
            borderTopLeftRadius: RADIUS * 2,
            borderTopRightRadius: RADIUS * 2,
          }}
        >
          <SheetPanel title={title} close={close}>
            {children}
          </SheetPanel>
        </View>
      </View>
    </Modal>
  );
}
