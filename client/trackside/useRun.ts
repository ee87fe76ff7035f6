import { useCallback, useEffect, useMemo, useState } from 'react';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import { replay, type RunState } from '@core/trackside/replay';
import { isOwnTap, nextMark } from '@core/trackside/tile';
import { useAppSelector } from '../store/store';
import { useNotice } from '../ui/UndoBar';
import { openRun, record, wallClockMs, type Happening } from './recorder';

/** The session at the track and what can be done in it; times are the time stamps of page events. */
export type Run = {
  plan: Plan;
  events: RunEvent[];
  state: RunState;
  start: (repIndex: number, timeStamp: number) => void;
  tap: (athleteId: string, timeStamp: number) => void;
  undo: (eventId: string, timeStamp: number) => void;
  end: (timeStamp: number) => void;
};

/** Opens a session at the track by its id. @returns 'loading', 'missing', or the run. */
export function useRun(runId: string): Run | 'loading' | 'missing' {
  const run = useAppSelector((state) => (state.trackside.run?.plan.id === runId ? state.trackside.run : undefined));
  const [missing, setMissing] = useState(false);
  const notice = useNotice();
  useEffect(() => {
    let open = true;
    void openRun(runId).then((found) => open && setMissing(!found));
    return () => {
      open = false;
    };
  }, [runId]);

  const state = useMemo(() => run && replay(run.plan, run.events), [run]);
  const happen = useCallback(
    async (happening: Happening, timeStamp: number) => {
      const kept = await record(runId, happening, wallClockMs(timeStamp));
      if (!kept)
        notice({
          text: 'This phone’s storage will not take any more. The time is on the screen only: do not close this page.',
        });
    },
    [runId, notice],
  );

  return useMemo(() => {
    if (!run || !state) return missing ? 'missing' : 'loading';
    const { plan, events } = run;
    return {
      plan,
      events,
      state,
      start: (repIndex, timeStamp) =>
        void happen(
          { type: 'started', repIndex, athleteIds: plan.athletes.map(({ athleteId }) => athleteId) },
          timeStamp,
        ),
      tap: (athleteId, timeStamp) => {
        const running = state.athletes[athleteId]?.findLast(
          (rep) => rep !== undefined && rep.startedAtMs <= wallClockMs(timeStamp),
        );
        const rep = running && plan.reps[running.repIndex];
        if (!rep || running.finishedAtMs !== undefined || state.endedAtMs !== undefined) return;
        const targetS = plan.athletes.find((athlete) => athlete.athleteId === athleteId)?.targets[running.repIndex]
          ?.targetS;
        const elapsedS = (wallClockMs(timeStamp) - running.startedAtMs) / 1000;
        if (!isOwnTap(running, elapsedS)) return;
        const atM = nextMark(rep, running, targetS, elapsedS);
        if (atM !== undefined) void happen({ type: 'passed', athleteId, repIndex: running.repIndex, atM }, timeStamp);
      },
      undo: (eventId, timeStamp) => void happen({ type: 'undone', eventId }, timeStamp),
      end: (timeStamp) => void happen({ type: 'ended' }, timeStamp),
    };
  }, [run, state, missing, happen]);
}
