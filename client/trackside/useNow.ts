import { useEffect, useState } from 'react';
import { nowMs } from './recorder';

/** The wall-clock time, on the clock of the taps, `perSecond` times a second. */
export function useNow(perSecond = 10): number {
  const [now, setNow] = useState(nowMs);
  useEffect(() => {
    const timer = setInterval(() => setNow(nowMs()), 1000 / perSecond);
    return () => clearInterval(timer);
  }, [perSecond]);
  return now;
}
