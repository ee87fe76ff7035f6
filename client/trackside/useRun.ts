import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Happening, RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import { replay } from '@core/trackside/replay';
import type { RunState } from '@core/trackside/runState';
import { useAppSelector } from '../store/store';
import { deviceId, openRun, record } from './recorder';
import { wallClockMs } from './trackClock';

/** A session at the track, and the one way to add to it: `timeStamp` is that of the page event, now if left out. */
export type Run = {
  plan: Plan;
  events: RunEvent[];
  state: RunState;
  /** This phone. */
  device: string;
  happen: (happening: Happening, timeStamp?: number) => void;
};

/** Opens a session at the track by its id. @returns 'loading', 'missing', or the run. */
export function useRun(runId: string): Run | 'loading' | 'missing' {
  const run = useAppSelector((state) => (state.trackside.run?.plan.id === runId ? state.trackside.run : undefined));
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let open = true;
    void openRun(runId).then((found) => open && setMissing(!found));
    return () => {
      open = false;
    };
  }, [runId]);

  const state = useMemo(() => run && replay(run.plan, run.events), [run]);
  const happen = useCallback(
    (happening: Happening, timeStamp = performance.now()) => void record(runId, happening, wallClockMs(timeStamp)),
    [runId],
  );
  return useMemo(() => {
    if (!run || !state) return missing ? 'missing' : 'loading';
    return { plan: run.plan, events: run.events, state, device: deviceId(), happen };
  }, [run, state, missing, happen]);
}
