import { useCallback, useEffect, useRef, useState, type ReactElement, type RefObject } from 'react';
import { View } from 'react-native';
import { laterCode } from './lazyScreen';
import { MoreRows, type More } from './MoreRows';
import { Text } from './Text';
import { SPACE } from './theme';

type Props<T> = {
  title?: string;
  rows: readonly T[];
  keyOf: (row: T) => string;
  row: (row: T) => ReactElement;
  /** Left out where all are here. */
  more?: More | undefined;
};

/** More rows than this are drawn in a window; until its code is here, only so many. */
const DRAWN_WHOLE = 20;

const windowed = laterCode(
  () => import('./WindowedRows'),
  (file) => file.WindowedRows,
);

/** Does something at once, or once the focus has left what it is in: rows that are drawn anew would lose it. */
function whenNotFocused(list: HTMLElement | null, act: () => void): () => void {
  if (!list?.contains(document.activeElement)) {
    act();
    return () => undefined;
  }
  const onLeave = (event: FocusEvent) => {
    if (list.contains(event.relatedTarget as Node | null)) return;
    list.removeEventListener('focusout', onLeave);
    act();
  };
  list.addEventListener('focusout', onLeave);
  return () => list.removeEventListener('focusout', onLeave);
}

/** What draws a window, once its code is here; `missing` where it cannot be fetched. */
function useWindowed(isLong: boolean, list: RefObject<View | null>) {
  const [code, setCode] = useState(() => windowed.here());
  const [isMissing, setMissing] = useState(false);
  useEffect(() => {
    if (!isLong || code) return undefined;
    let isOpen = true;
    let stop = (): void => undefined;
    void windowed.fetch().then(
      () => {
        // In the browser a view is the element itself.
        const element = list.current as unknown as HTMLElement | null;
        if (isOpen) stop = whenNotFocused(element, () => setCode(() => windowed.here()));
      },
      () => isOpen && setMissing(true),
    );
    return () => {
      isOpen = false;
      stop();
    };
  }, [isLong, code, list]);
  return { Windowed: isLong ? code : undefined, isMissing };
}

/** A list of any length under a heading of its own; further rows are fetched as its end comes near. Nothing at all where there are none. */
export function LongList<T>({ title, rows, keyOf, row, more }: Props<T>) {
  const isLong = more !== undefined || rows.length > DRAWN_WHOLE;
  const list = useRef<View>(null);
  const { Windowed, isMissing } = useWindowed(isLong, list);
  const canFetch = more !== undefined && !more.isFetching && !more.hasFailed;
  const fetchMore = more?.fetch;
  const onEnd = useCallback(() => {
    if (canFetch) fetchMore?.();
  }, [canFetch, fetchMore]);
  if (rows.length === 0) return null;
  const at = (i: number): T => rows[i] as T;
  return (
    <View style={{ gap: SPACE.xs }}>
      {title !== undefined && (
        <Text as="label" quiet level={2}>
          {title}
        </Text>
      )}
      <View
        ref={list}
        role="list"
        {...(title === undefined ? {} : { 'aria-label': title })}
        style={{ marginHorizontal: -SPACE.l }}
      >
        {Windowed ? (
          <Windowed count={rows.length} keyOf={(i) => keyOf(at(i))} row={(i) => row(at(i))} onEnd={onEnd} />
        ) : (
          (isLong && !isMissing ? rows.slice(0, DRAWN_WHOLE) : rows).map((item) => (
            <View role="listitem" key={keyOf(item)}>
              {row(item)}
            </View>
          ))
        )}
      </View>
      {more && <MoreRows {...more} />}
    </View>
  );
}
