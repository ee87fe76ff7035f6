import { startTransition, useEffect, useRef, useState } from 'react';
import { doneSoon } from '../../store/soon';
import type { Run } from '../useRun';
import { watchClock } from '../trackClock';

/** What is drawn, and the time on the session's clock at which it is. */
export type Calm<T> = T & { now: number };

/** After a tap nobody misses it for less. */
const AFTER_CHANGE_MS = 150;

/** The time goes with what is drawn: what was tapped between two ticks must not lie in the future. */
const at = <T extends { run: Run }>(wanted: T): Calm<T> => ({ ...wanted, now: wanted.run.now() });

/**
 * What is to be drawn so many times a second, and a moment after it changed: however many taps there are, it is not drawn more often, and
 * a tap that comes while it is being drawn goes before.
 */
export function useCalmly<T extends { run: Run }>(wanted: T, perSecond: number): Calm<T> {
  const [drawn, draw] = useState(() => at(wanted));
  const latest = useRef(wanted);
  const tell = useRef<() => void>(undefined);
  useEffect(() => {
    let isNews = false;
    const drawLatest = () => {
      isNews = false;
      startTransition(() => draw(at(latest.current)));
    };
    const drawNews = doneSoon(() => isNews && drawLatest(), AFTER_CHANGE_MS);
    tell.current = () => {
      isNews = true;
      drawNews();
    };
    const timer = setInterval(() => {
      watchClock();
      drawLatest();
    }, 1000 / perSecond);
    return () => clearInterval(timer);
  }, [perSecond]);
  useEffect(() => {
    latest.current = wanted;
    tell.current?.();
  }, [wanted]);
  return drawn;
}
