import { useCallback, useMemo, useRef, type KeyboardEvent, type MouseEvent, type PointerEvent } from 'react';
import type { ViewStyle } from 'react-native';

/** `down`: at the moment the finger lands, for anything that takes a time. `release`: for anything that leaves the screen. */
export type TapMoment = 'down' | 'release';

/**
 * Takes a press with the page's own time stamp of it: a handler that runs late must not make a runner slower.
 *
 * One touch acts once: a button that becomes another one under the finger ("Start", then "End") must not take the release of
 * the first press for a press of the second. A click that no finger came before is one of a screen reader, and counts.
 */
export function useTap(onTap: (timeStamp: number) => void, moment: TapMoment = 'down'): object {
  const take = useCallback(
    (timeStamp: number) => {
      onTap(timeStamp);
      return true;
    },
    [onTap],
  );
  return useTapOrOpen(moment === 'down' ? take : never, moment === 'down' ? undefined : onTap);
}

const never = () => false;

/**
 * Takes a press when the finger lands, if there is something to take; else opens something when it lifts. Not before: what opens
 * under a finger that is still down would get the release of it.
 * @param onTap returns false where there was nothing to take.
 */
export function useTapOrOpen(
  onTap: (timeStamp: number) => boolean,
  onOpen: ((timeStamp: number) => void) | undefined,
): object {
  const pressed = useRef<'taken' | 'not taken'>(undefined);
  return useMemo(
    () => ({
      onPointerDown: (event: PointerEvent) => {
        if (event.button === 0) pressed.current = onTap(event.timeStamp) ? 'taken' : 'not taken';
      },
      onClick: (event: MouseEvent) => {
        const before = pressed.current;
        pressed.current = undefined;
        if (before === 'taken') return;
        if (before === undefined && onTap(event.timeStamp)) return;
        onOpen?.(event.timeStamp);
      },
      onKeyDown: (event: KeyboardEvent) => {
        // Space is the line bar's, wherever the focus is: see useKeys.
        if (event.key !== 'Enter') return;
        event.preventDefault();
        if (!event.repeat && !onTap(event.timeStamp)) onOpen?.(event.timeStamp);
      },
    }),
    [onTap, onOpen],
  );
}

/** No double-tap zoom, no text selection under a thumb. */
export const TAP_STYLE = { touchAction: 'manipulation', userSelect: 'none', cursor: 'pointer' } as unknown as ViewStyle;

/** What changes in a box of fixed size concerns nothing around it: the browser need not look. */
export const BOX_STYLE = { contain: 'strict' } as unknown as ViewStyle;
