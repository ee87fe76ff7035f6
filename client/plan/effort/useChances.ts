import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Chances, Entrant } from '@core/outlook/chances';
import { INTENT_FACTS } from '@core/session/intent';
import type { AthletePlan } from '@core/planning/athletePlans';
import type { Planning } from '../../data/usePlanning';
import type { ChancesAsked } from './chances.worker';

type Drawn = {
  /** The plans they were drawn for: for others they say nothing. */
  plans: readonly AthletePlan[];
  found: ReadonlyMap<string, Chances>;
  of: number;
  state: 'running' | 'done' | 'failed';
};

const SAY_EVERY_MS = 300;

/** How sure the predictions are: drawn in a worker, so that the page stays responsive. */
export function useChances({ plans, intent }: Planning) {
  const [drawn, setDrawn] = useState<Drawn>();
  const worker = useRef<Worker>(undefined);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
  }, []);
  useEffect(() => stop, [stop, plans]);

  const start = useCallback(() => {
    stop();
    const entrants = plans.flatMap(({ runner, legs }): Entrant[] =>
      runner.paces.curve ? [{ athleteId: runner.id, curve: runner.paces.curve, legs }] : [],
    );
    const found = new Map<string, Chances>();
    const of = entrants.length;
    if (of === 0) return setDrawn({ plans, found, of, state: 'done' });
    setDrawn({ plans, found, of, state: 'running' });
    const running = new Worker(new URL('./chances.worker.ts', window.location.href));
    worker.current = running;
    let saidMs = performance.now();
    running.onmessage = ({ data }: MessageEvent<Chances>) => {
      found.set(data.athleteId, data);
      const isDone = found.size === of;
      if (isDone) stop();
      // Draws arrive faster than anyone reads: leave the page free for taps.
      else if (performance.now() - saidMs < SAY_EVERY_MS) return;
      saidMs = performance.now();
      startTransition(() => setDrawn({ plans, found: new Map(found), of, state: isDone ? 'done' : 'running' }));
    };
    running.onerror = () => {
      stop();
      setDrawn({ plans, found: new Map(), of, state: 'failed' });
    };
    running.postMessage({ entrants, arc: INTENT_FACTS[intent].arc } satisfies ChancesAsked);
  }, [plans, intent, stop]);
  const cancel = useCallback(() => {
    stop();
    setDrawn(undefined);
  }, [stop]);
  // A change of the plan makes earlier draws obsolete.
  const current = drawn?.plans === plans ? drawn : undefined;
  return useMemo(() => ({ drawn: current, start, cancel }), [current, start, cancel]);
}
