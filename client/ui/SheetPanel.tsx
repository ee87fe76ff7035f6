import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { SPACE } from './theme';
import { Text } from './Text';

type Props = {
  title: string;
  subtitle?: string | undefined;
  close: () => void;
  /** Nothing in it can be pressed: it takes the focus itself, so that keys can scroll it. */
  readOnly?: boolean;
  children: ReactNode;
};

/** What every sheet is made of: what it is, a way to close it, and a body that scrolls. */
export function SheetPanel({ title, subtitle, close, readOnly = false, children }: Props) {
  return (
    <>
      <View style={{ flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.l, paddingRight: SPACE.xs }}>
        <View style={{ flex: 1, paddingVertical: SPACE.s }}>
          <Text as="heading" level={2}>
            {title}
          </Text>
          {subtitle !== undefined && <Text as="small">{subtitle}</Text>}
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
    </>
  );
}
