import { startTransition, useEffect, useReducer } from 'react';

/**
 * The time on the session's clock; draws again so many times a second. It is read at each drawing, not kept from the last tick: a
 * tap drawn between two ticks must not lie in the future. A tap does not wait for what is drawn for it.
 */
export function useNow(now: () => number, perSecond: number): number {
  const [, drawAgain] = useReducer((ticks: number) => ticks + 1, 0);
  useEffect(() => {
    const timer = setInterval(() => startTransition(drawAgain), 1000 / perSecond);
    return () => clearInterval(timer);
  }, [perSecond]);
  return now();
}
