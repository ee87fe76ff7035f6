import { useEffect, useRef } from 'react';
import { callsBetween } from '@core/trackside/calls';
import type { RunState } from '@core/trackside/runState';
import { nowMs } from '../trackClock';
import { beep, hush, say } from './sound';

/** How late a call may be and still be given: after that it would only confuse. */
const LATEST_MS = 1500;
const EVERY_MS = 100;

/** Calls aloud what is due, by beeps and by voice, for as long as it is on. */
export function useCalls(state: RunState, isOn: boolean): void {
  const latest = useRef(state);
  useEffect(() => {
    latest.current = state;
  });
  useEffect(() => {
    if (!isOn) return hush();
    let calledToMs = nowMs();
    const timer = setInterval(() => {
      const now = nowMs();
      const calls = callsBetween(latest.current, Math.max(calledToMs, now - LATEST_MS), now);
      calledToMs = now;
      for (const { sound } of calls) beep(sound);
      const spoken = calls.findLast(({ sound }) => sound !== 'tick');
      if (spoken) say(spoken.words);
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [isOn]);
}
