import { useEffect, useMemo } from 'react';
import { reviewRun, type Review } from '@core/review/review';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { replay } from '@core/run/replay';
import type { RunState } from '@core/run/runState';
import { deviceId } from '../log/deviceId';
import { keepRun, record, showKept } from '../log/recorder';
import { nowMs } from '../log/trackClock';
import { useRunQuery } from '../store/api';
import { store, useAppSelector } from '../store/store';

/** A session that was run, read; and the one way to put something about it right. */
export type ReadRun = {
  plan: Plan;
  events: readonly RunEvent[];
  state: RunState;
  reviews: Review[];
  /** Something is said afterwards: now, or of a time on the clock that all phones of the session share (ms since 1970). */
  correct: (happening: Happening, atMs?: number) => void;
};

/** Records what is said of a session afterwards, as at the track: on this phone first, then on the server. */
async function correctRun(
  run: { plan: Plan; events: readonly RunEvent[] },
  happening: Happening,
  atMs: number,
): Promise<void> {
  const { id } = run.plan;
  if (store.getState().trackside.run?.plan.id !== id) await keepRun(run);
  await record(id, happening, atMs);
}

/** Reads a session by its id, from this phone where it has more than the server. */
export function useReview(runId: string): { read: ReadRun | undefined; error: unknown; retry: () => void } {
  const here = useAppSelector(({ trackside: { run } }) => (run?.plan.id === runId ? run : undefined));
  // The server does not know of what has not been sent yet.
  const isWaiting = useAppSelector((state) => state.trackside.outbox.waiting > 0);
  const {
    data: there,
    error,
    refetch,
  } = useRunQuery(runId, { refetchOnMountOrArgChange: true, skip: here !== undefined && isWaiting });
  useEffect(() => {
    if (isWaiting && !here) void showKept(runId);
  }, [isWaiting, here, runId]);
  const run = here ?? there;
  const read = useMemo((): ReadRun | undefined => {
    if (!run) return undefined;
    const state = replay(run.plan, run.events);
    const reviews = reviewRun(state);
    const ownOffsetMs = state.clocks[deviceId()] ?? 0;
    return {
      ...run,
      state,
      reviews,
      correct: (happening, atMs) =>
        void correctRun(run, happening, atMs === undefined ? nowMs() : Math.round(atMs - ownOffsetMs)),
    };
  }, [run]);
  return { read, error, retry: () => void refetch() };
}
