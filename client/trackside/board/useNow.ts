import { useEffect, useReducer } from 'react';
import { watchClock } from '../trackClock';

/**
 * The time on the session's clock; draws again so many times a second. It is read at each drawing, not kept from the last tick: a
 * tap drawn between two ticks must not lie in the future.
 */
export function useNow(now: () => number, perSecond = 10): number {
  const [, drawAgain] = useReducer((ticks: number) => ticks + 1, 0);
  useEffect(() => {
    const timer = setInterval(() => {
      watchClock();
      drawAgain();
    }, 1000 / perSecond);
    return () => clearInterval(timer);
  }, [perSecond]);
  return now();
}
