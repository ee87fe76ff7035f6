import { useEffect, useRef } from 'react';
import { callsBetween } from '@core/trackside/calls';
import type { Run } from '../useRun';
import { beep, hush, say } from './sound';

/** How late a call may be and still be given: after that it would only confuse. */
const LATEST_MS = 1500;
const EVERY_MS = 100;

/** Calls aloud what is due, by beeps and by voice, for as long as it is on. */
export function useCalls(run: Pick<Run, 'state' | 'now'>, isOn: boolean): void {
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  useEffect(() => {
    if (!isOn) return hush();
    let calledToMs = latest.current.now();
    const timer = setInterval(() => {
      const now = latest.current.now();
      const calls = callsBetween(latest.current.state, Math.max(calledToMs, now - LATEST_MS), now);
      calledToMs = now;
      for (const { sound } of calls) beep(sound);
      const spoken = calls.findLast(({ sound }) => sound !== 'tick');
      if (spoken) say(spoken.words);
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [isOn]);
}
