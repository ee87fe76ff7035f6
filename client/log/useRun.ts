import { useEffect, useMemo, useState } from 'react';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { GrowingReplay } from '@core/run/growingReplay';
import { whyNotForHelper } from '@core/run/helper';
import type { RunState } from '@core/run/runState';
import { api } from '../store/api';
import { deviceId } from './deviceId';
import { fromStore, type Source } from '../store/source';
import { store, useAppSelector, type AppState } from '../store/store';
import { follow, openRun, record } from './recorder';
import { nowMs, wallClockMs } from './trackClock';

/** A run, its clock, and the one way to add to it. */
export type Run = {
  plan: Plan;
  events: RunEvent[];
  state: RunState;
  /** This phone. */
  device: string;
  /** A rehearsal is on this page only: it is not kept and reaches nobody. */
  isRehearsal: boolean;
  /** Whether this phone may do something, or undo or correct what was done; a helper's may not do all. */
  may: (happening: Happening) => boolean;
  /** The time now on the clock that all phones of the session share, in ms since 1970. */
  now: () => number;
  /** That time of an event of the page, by its own time stamp. */
  atOf: (timeStamp: number) => number;
  /** Something happens at an event of the page; now if left out. */
  happen: (happening: Happening, timeStamp?: number) => void;
  /** Something happens, or has happened, at a time of the shared clock. */
  happenAt: (happening: Happening, atMs: number) => void;
};

const isHelper = (state: AppState): boolean => api.endpoints.access.select()(state).data?.who === 'helper';

/** This phone's rights: the core's rule for helpers, which the server applies too. */
const mayOf = (events: readonly RunEvent[], device: string) => (happening: Happening) => {
  const event = { ...happening, id: '', runId: '', deviceId: device, atMs: 0 } as RunEvent;
  const stored = {
    event: (eventId: string) => events.find(({ id }) => id === eventId),
    isNamedByOthers: (eventId: string) =>
      events.some((other) => other.type === 'named' && other.eventId === eventId && other.deviceId !== device),
  };
  return whyNotForHelper(event, device, stored) === undefined;
};

/** The open run as a source, recomputed only when something was added. */
function runOfStore(runId: string): Source<Run> {
  const device = deviceId();
  let before: AppState['trackside']['run'];
  let growing: GrowingReplay | undefined;
  let run: Run | undefined;
  /** Stable for as long as the clock is, so that what depends on it is not set up again with every tap. */
  const waysAt = (offsetMs: number) => ({
    offsetMs,
    now: () => nowMs() + offsetMs,
    atOf: (timeStamp: number) => wallClockMs(timeStamp) + offsetMs,
    // Stamped by this phone's clock; its correction is an event of its own.
    happen: (happening: Happening, timeStamp = performance.now()) =>
      void record(runId, happening, wallClockMs(timeStamp)),
    happenAt: (happening: Happening, atMs: number) => void record(runId, happening, Math.round(atMs - offsetMs)),
  });
  let ways = waysAt(0);
  let asHelper = false;
  return fromStore(store, (all) => {
    const { run: kept } = all.trackside;
    const helps = isHelper(all);
    if (run && helps === asHelper && (kept === before || kept?.plan.id !== runId)) return run;
    if (!kept) throw new Error('This session is not open.');
    if (!growing || kept.plan !== before?.plan) growing = new GrowingReplay(kept.plan);
    before = kept;
    asHelper = helps;
    const state = growing.after(kept.events);
    const offsetMs = state.clocks[device] ?? 0;
    if (offsetMs !== ways.offsetMs) ways = waysAt(offsetMs);
    run = {
      plan: kept.plan,
      events: kept.events,
      state,
      device,
      isRehearsal: false,
      may: helps ? mayOf(kept.events, device) : () => true,
      ...ways,
    };
    return run;
  });
}

/** Opens a run by its id. @returns 'loading', 'missing', or the run as a source, which changes without re-rendering the caller. */
export function useRun(runId: string): Source<Run> | 'loading' | 'missing' {
  const isOpen = useAppSelector((state) => state.trackside.run?.plan.id === runId);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let open = true;
    let stop = () => undefined as void;
    void openRun(runId).then((found) => {
      if (!open) return;
      setMissing(!found);
      // A run that does not exist cannot be followed.
      if (found) stop = follow(runId);
    });
    return () => {
      open = false;
      stop();
    };
  }, [runId]);
  const run = useMemo(() => (isOpen ? runOfStore(runId) : undefined), [isOpen, runId]);
  return run ?? (missing ? 'missing' : 'loading');
}
