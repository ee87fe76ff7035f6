import { useCallback, useRef, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Appbar } from 'react-native-paper';
import { SPACE, usePalette } from './theme';
import { NoticeBar } from './Notices';
import { ScrollerContext } from './scroller';
import { rem } from './rem';
import { useLow } from './useLow';
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

const ACTION = { margin: 0, width: 44, height: 44 };
const EDGE_TO_EDGE = { marginHorizontal: -SPACE.l };
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
  // Held sideways there is no room for a head and a foot that stay.
  const low = useLow();
  const head = (
    <Appbar
      style={{
        height: 'auto',
        // Where the letters are large, what stands beside the title goes under it.
        flexWrap: 'wrap',
        paddingLeft: onBack ? SPACE.xs : SPACE.l,
        paddingRight: SPACE.s,
        paddingTop: SPACE.m,
        paddingBottom: SPACE.s,
        gap: SPACE.xs,
      }}
    >
      {onBack && <Appbar.Action isLeading icon="back" onPress={onBack} accessibilityLabel={backLabel} style={ACTION} />}
      {/* Not its own Content, which cuts a long title. */}
      <View style={{ flexGrow: 1, flexShrink: 1, flexBasis: rem(110), minWidth: 0 }}>
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
    </Appbar>
  );
  const foot = footer !== undefined && footer !== null && (
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
  );
  return (
    <View style={{ flex: 1, backgroundColor: palette.ground }}>
      {!low && head}
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
        {low && <View style={EDGE_TO_EDGE}>{head}</View>}
        <ScrollerContext value={scroller}>{children}</ScrollerContext>
        {low && <View style={EDGE_TO_EDGE}>{foot}</View>}
      </ScrollView>
      {/* Beside a list there are two pages: the frame says it for both. */}
      {!wide && <NoticeBar />}
      {!low && foot}
    </View>
  );
}
