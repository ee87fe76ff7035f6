import { startTransition, useEffect, useState } from 'react';
import { throttle } from '../../store/throttle';
import type { Source } from '../../store/source';

/** Soon enough after a tap. */
const AFTER_CHANGE_MS = 150;
/** At most, and at least, this often. */
const EVERY_MS = 250;

/**
 * A source's value, rendered shortly after a change and at least four times a second, since clocks show seconds. Renders are throttled and
 * run as transitions, so a burst of taps never waits for them.
 */
export function useThrottledSource<T>({ getSnapshot, subscribe }: Source<T>): T {
  const [drawn, draw] = useState(getSnapshot);
  useEffect(() => {
    const scheduleDraw = throttle(() => startTransition(() => draw(getSnapshot())), AFTER_CHANGE_MS, EVERY_MS);
    // It may have changed since the first render.
    scheduleDraw();
    const stop = subscribe(scheduleDraw);
    const timer = setInterval(scheduleDraw, EVERY_MS);
    return () => {
      stop();
      clearInterval(timer);
    };
  }, [getSnapshot, subscribe]);
  return drawn;
}
