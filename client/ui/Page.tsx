import { useCallback, useRef, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { SPACE, usePalette } from './theme';
import { NoticeBar } from './Notices';
import { ScrollerContext } from './scroller';
import { useWide } from './useWide';
import { Text } from './Text';

type Props = {
  title: string;
  /** One line under the title. */
  subtitle?: string;
  onBack?: () => void;
  backLabel?: string;
  /** Small things at the right of the title. */
  aside?: ReactNode;
  /** Stays at the bottom, under the thumb. */
  footer?: ReactNode;
  /** Nothing in the body can be pressed: the body itself takes the focus, so that keys can scroll it. */
  readOnly?: boolean;
  /** A field or two: on a wide screen the body is no wider than the footer's button. */
  isShort?: boolean;
  children: ReactNode;
};

const FOOTER_WIDTH = 480;
/** Characters of a title from which it is set smaller: it is never cut. */
const LONG_TITLE = 36;

/** One job: a title, what it is about, and a scrolling body with its next step under the thumb. */
export function Page(props: Props) {
  const {
    title,
    subtitle,
    onBack,
    backLabel = 'Back',
    aside,
    footer,
    readOnly = false,
    isShort = false,
    children,
  } = props;
  const palette = usePalette();
  const wide = useWide();
  const scroll = useRef<ScrollView>(null);
  const scroller = useCallback(() => scroll.current?.getScrollableNode() as Element | undefined, []);
  return (
    <View style={{ flex: 1, backgroundColor: palette.ground }}>
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          paddingLeft: onBack ? SPACE.xs : SPACE.l,
          paddingRight: SPACE.s,
          paddingTop: SPACE.m,
          paddingBottom: SPACE.s,
          gap: SPACE.xs,
        }}
      >
        {onBack && (
          <IconButton
            icon="back"
            onPress={onBack}
            accessibilityLabel={backLabel}
            size={24}
            style={{ margin: 0, width: 44, height: 44 }}
          />
        )}
        <View style={{ flex: 1 }}>
          <Text as={title.length > LONG_TITLE ? 'heading' : 'title'} level={1}>
            {title}
          </Text>
          {subtitle !== undefined && (
            <Text as="small" quiet>
              {subtitle}
            </Text>
          )}
        </View>
        {aside}
      </View>
      <ScrollView
        ref={scroll}
        {...(readOnly ? { tabIndex: 0 as const } : {})}
        style={{ flex: 1 }}
        contentContainerStyle={{
          padding: SPACE.l,
          paddingTop: SPACE.xs,
          gap: SPACE.l,
          ...(isShort ? { width: '100%', maxWidth: FOOTER_WIDTH + SPACE.m + SPACE.l } : {}),
        }}
        keyboardShouldPersistTaps="handled"
      >
        <ScrollerContext value={scroller}>{children}</ScrollerContext>
      </ScrollView>
      {/* Beside a list there are two pages: the frame says it for both. */}
      {!wide && <NoticeBar />}
      {footer !== undefined && footer !== null && (
        <View
          style={{
            padding: SPACE.m,
            gap: SPACE.s,
            borderTopWidth: 1,
            borderTopColor: palette.line,
            backgroundColor: palette.ground,
          }}
        >
          <View style={{ gap: SPACE.s, width: '100%', maxWidth: FOOTER_WIDTH }}>{footer}</View>
        </View>
      )}
    </View>
  );
}
