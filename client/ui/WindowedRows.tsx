import { defaultRangeExtractor, useVirtualizer, type Range } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState, type ReactElement } from 'react';
import { View } from 'react-native';
import { useScroller } from './scroller';

type Props = {
  count: number;
  keyOf: (i: number) => string;
  row: (i: number) => ReactElement;
  /** The last rows are about to be seen. */
  onEnd: () => void;
};

/** Height of a row before it is measured. */
const ROW_PX = 72;
/** Rows drawn above and below what is in sight: a fast thumb, and the next Tab, find them there. */
const BEYOND = 8;

/** Rows of a list of any length: only those near what is in sight are drawn, and the one that has the focus. */
export function WindowedRows({ count, keyOf, row, onEnd }: Props) {
  const scroller = useScroller();
  const list = useRef<Element>(null);
  const [focused, setFocused] = useState<number>();
  const [scrollMargin, setScrollMargin] = useState(0);
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scroller() ?? null,
    getItemKey: keyOf,
    estimateSize: () => ROW_PX,
    overscan: BEYOND,
    scrollMargin,
    useFlushSync: false,
    rangeExtractor: (range: Range) => {
      const shown = new Set(defaultRangeExtractor(range));
      // The way on and back from there by the keyboard, too.
      if (focused !== undefined)
        for (const i of [focused - 1, focused, focused + 1]) if (i >= 0 && i < count) shown.add(i);
      return [...shown].sort((a, b) => a - b);
    },
  });
  // Whenever it is drawn: what stands above the list may have grown.
  // oxlint-disable-next-line react/exhaustive-deps -- it settles, being set only where it differs
  useLayoutEffect(() => {
    const [top, scrolls] = [list.current?.getBoundingClientRect().top, scroller()];
    if (top === undefined || !scrolls) return;
    const now = Math.round(top - scrolls.getBoundingClientRect().top + scrolls.scrollTop);
    if (now !== scrollMargin) setScrollMargin(now);
  });
  const shown = rows.getVirtualItems();
  const isAtEnd = (shown.at(-1)?.index ?? 0) >= count - 1;
  useEffect(() => {
    if (isAtEnd) onEnd();
  }, [isAtEnd, onEnd, count]);
  return (
    <View ref={list as never} style={{ height: rows.getTotalSize() }}>
      {shown.map(({ key, index, start }) => (
        <View
          key={key}
          ref={rows.measureElement as never}
          role="listitem"
          aria-setsize={count}
          aria-posinset={index + 1}
          {...{ dataSet: { index } }}
          onFocus={() => setFocused(index)}
          style={{ position: 'absolute', top: 0, left: 0, right: 0, transform: [{ translateY: start - scrollMargin }] }}
        >
          {row(index)}
        </View>
      ))}
    </View>
  );
}
