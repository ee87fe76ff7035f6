import type { ReactNode } from 'react';
import { Modal, View } from 'react-native';
import { Dialog } from 'react-native-paper';
import { RADIUS, SPACE, usePalette } from './theme';
import { Text } from './Text';

type Props = {
  title: string;
  /** Leaves all as it is: also by Escape. */
  close: () => void;
  /** The answers, the safe one last. */
  answers: ReactNode;
  children: ReactNode;
};

/** A question before what cannot be taken back. React Native's modal round Paper's dialog keeps the focus inside and gives it back. */
export function Ask({ title, close, answers, children }: Props) {
  const palette = usePalette();
  return (
    <Modal transparent animationType="none" aria-label={title} onRequestClose={close}>
      <Dialog
        visible
        // A press beside it is a slip, and its ground would be a button for keys.
        dismissable={false}
        style={{
          width: '92%',
          maxWidth: 520,
          maxHeight: '92%',
          alignSelf: 'center',
          borderRadius: RADIUS * 2,
          backgroundColor: palette.ground,
        }}
      >
        <View style={{ paddingHorizontal: SPACE.xl, paddingBottom: SPACE.m }}>
          <Text as="heading" level={2}>
            {title}
          </Text>
        </View>
        <Dialog.ScrollArea style={{ borderTopWidth: 0, borderBottomWidth: 0, gap: SPACE.m, overflow: 'scroll' }}>
          {children}
        </Dialog.ScrollArea>
        <Dialog.Actions style={{ justifyContent: 'flex-start', padding: SPACE.xl }}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>{answers}</View>
        </Dialog.Actions>
      </Dialog>
    </Modal>
  );
}
