import { useMemo, useRef, type KeyboardEvent, type MouseEvent, type PointerEvent } from 'react';
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
  /** Whether the finger that is down has acted. */
  const acted = useRef<boolean>(undefined);
  return useMemo(
    () => ({
      onPointerDown: (event: PointerEvent) => {
        if (event.button !== 0) return;
        acted.current = moment === 'down';
        if (acted.current) onTap(event.timeStamp);
      },
      onClick: (event: MouseEvent) => {
        const hasActed = acted.current;
        acted.current = undefined;
        if (hasActed === undefined || (!hasActed && moment === 'release')) onTap(event.timeStamp);
      },
      onKeyDown: (event: KeyboardEvent) => {
        // Space is the line bar's, wherever the focus is: see useKeys.
        if (event.key !== 'Enter') return;
        event.preventDefault();
        if (!event.repeat) onTap(event.timeStamp);
      },
    }),
    [onTap, moment],
  );
}

/** No double-tap zoom, no text selection under a thumb. */
export const TAP_STYLE = { touchAction: 'manipulation', userSelect: 'none', cursor: 'pointer' } as unknown as ViewStyle;
