import { useEffect, useMemo, useState } from 'react';
import type { Happening, RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import { GrowingReplay } from '@core/trackside/growingReplay';
import type { RunState } from '@core/trackside/runState';
import { useAppSelector } from '../store/store';
import { deviceId, follow, openRun, record } from './recorder';
import { nowMs, wallClockMs } from './trackClock';

/** A session at the track, its clock, and the one way to add to it. */
export type Run = {
  plan: Plan;
  events: RunEvent[];
  state: RunState;
  /** This phone. */
  device: string;
  /** A rehearsal is on this page only: it is not kept and reaches nobody. */
  isRehearsal: boolean;
  /** The time now on the clock that all phones of the session share, in ms since 1970. */
  now: () => number;
  /** That time of an event of the page, by its own time stamp. */
  atOf: (timeStamp: number) => number;
  /** Something happens at an event of the page; now if left out. */
  happen: (happening: Happening, timeStamp?: number) => void;
  /** Something happens, or has happened, at a time of the shared clock. */
  happenAt: (happening: Happening, atMs: number) => void;
};

/** Opens a session at the track by its id. @returns 'loading', 'missing', or the run. */
export function useRun(runId: string): Run | 'loading' | 'missing' {
  const run = useAppSelector((state) => (state.trackside.run?.plan.id === runId ? state.trackside.run : undefined));
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let open = true;
    let stop = () => undefined as void;
    void openRun(runId).then((found) => {
      if (!open) return;
      setMissing(!found);
      stop = follow(runId);
    });
    return () => {
      open = false;
      stop();
    };
  }, [runId]);

  const plan = run?.plan;
  const growing = useMemo(() => plan && new GrowingReplay(plan), [plan]);
  const state = useMemo(() => run && growing?.after(run.events), [run, growing]);
  const device = deviceId();
  const offsetMs = state?.clocks[device] ?? 0;
  // The same for as long as the clock is: what hangs on it need not be set up anew with every tap.
  const ways = useMemo(
    () => ({
      now: () => nowMs() + offsetMs,
      atOf: (timeStamp: number) => wallClockMs(timeStamp) + offsetMs,
      // Kept as this phone's clock has it; the correction is an event of its own.
      happen: (happening: Happening, timeStamp = performance.now()) =>
        void record(runId, happening, wallClockMs(timeStamp)),
      happenAt: (happening: Happening, atMs: number) => void record(runId, happening, Math.round(atMs - offsetMs)),
    }),
    [runId, offsetMs],
  );
  return useMemo(() => {
    if (!run || !state) return missing ? 'missing' : 'loading';
    return { plan: run.plan, events: run.events, state, device, isRehearsal: false, ...ways };
  }, [run, state, missing, device, ways]);
}
