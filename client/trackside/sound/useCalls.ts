import { useEffect } from 'react';
import { callsBetween } from '@core/trackside/calls';
import type { Source } from '../../store/source';
import type { Run } from '../useRun';
import { beep, hush, say } from './sound';

/** How late a call may be and still be given: after that it would only confuse. */
const LATEST_MS = 1500;
const EVERY_MS = 100;

/** Calls aloud what is due, by beeps and by voice, for as long as it is on. */
export function useCalls(runs: Source<Run>, isOn: boolean): void {
  useEffect(() => {
    if (!isOn) return hush();
    let calledToMs = runs.now().now();
    const timer = setInterval(() => {
      const run = runs.now();
      const now = run.now();
      const calls = callsBetween(run.state, Math.max(calledToMs, now - LATEST_MS), now);
      calledToMs = now;
      for (const { sound } of calls) beep(sound);
      const spoken = calls.findLast(({ sound }) => sound !== 'tick');
      if (spoken) say(spoken.words);
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [runs, isOn]);
}
