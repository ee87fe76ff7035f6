import { useEffect } from 'react';
import { callsBetween } from '@core/trackside/calls';
import type { Source } from '../../store/source';
import { timedHere } from '../board/steps';
import type { Run } from '../../log/useRun';
import { beep, hush, say } from './sound';

/** How late a call may be and still be given: after that it would only confuse. */
const LATEST_MS = 1500;
const EVERY_MS = 100;

/** Calls aloud what is due for the groups that this phone times, by beeps and by voice, for as long as it is on. */
export function useCalls(runs: Source<Run>, isOn: boolean): void {
  useEffect(() => {
    if (!isOn) return hush();
    let calledToMs = runs.getSnapshot().now();
    const timer = setInterval(() => {
      const run = runs.getSnapshot();
      const now = run.now();
      const { state, device } = run;
      const calls = callsBetween(state, Math.max(calledToMs, now - LATEST_MS), now, timedHere(state, device));
      calledToMs = now;
      for (const sound of new Set(calls.map((call) => call.sound))) beep(sound);
      // Groups that go at one moment are all called: the later words would cut the earlier off.
      const spoken = calls.filter(({ sound }) => sound !== 'tick');
      if (spoken.length > 0) say(spoken.map(({ words }) => words).join('. '));
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [runs, isOn]);
}
