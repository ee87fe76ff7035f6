import { startTransition, useEffect, useState } from 'react';
import { doneSoon } from '../../store/soon';
import type { Source } from '../../store/source';

/** After a tap nobody misses it for less. */
const AFTER_CHANGE_MS = 150;
/** Nor is it drawn more often. */
const EVERY_MS = 250;

/**
 * What a source says, drawn a moment after it changed and else four times a second, since clocks show seconds: however many taps there
 * are, it is not drawn more often, and a tap that comes while it is being drawn goes before.
 */
export function useCalmly<T>({ now, hear }: Source<T>): T {
  const [drawn, draw] = useState(now);
  useEffect(() => {
    const drawSoon = doneSoon(() => startTransition(() => draw(now())), AFTER_CHANGE_MS, EVERY_MS);
    // It may have changed since it was drawn first.
    drawSoon();
    const stop = hear(drawSoon);
    const timer = setInterval(drawSoon, EVERY_MS);
    return () => {
      stop();
      clearInterval(timer);
    };
  }, [now, hear]);
  return drawn;
}
