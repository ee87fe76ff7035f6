import { startTransition, useEffect, useReducer } from 'react';

/**
 * The time on the session's clock, re-rendered several times a second. Read at each render, not stored from the last tick: a tap rendered
 * between two ticks must not lie in the future. Renders never hold up a tap.
 */
export function useNow(now: () => number, perSecond: number): number {
  const [, drawAgain] = useReducer((ticks: number) => ticks + 1, 0);
  useEffect(() => {
    const timer = setInterval(() => startTransition(drawAgain), 1000 / perSecond);
    return () => clearInterval(timer);
  }, [perSecond]);
  return now();
}
