import { useEffect, useReducer } from 'react';

/**
 * The time on the session's clock, re-rendered several times a second. Read at each render, not stored from the last tick: a tap rendered
 * between two ticks must not lie in the future. The next render is scheduled only once the last one is on the screen: on a slow machine there
 * are fewer of them, but they all get there, which transitions did not.
 */
export function useNow(now: () => number, perSecond: number): number {
  const [tick, drawAgain] = useReducer((ticks: number) => ticks + 1, 0);
  useEffect(() => {
    const timer = setTimeout(drawAgain, 1000 / perSecond);
    return () => clearTimeout(timer);
  }, [tick, perSecond]);
  return now();
}
