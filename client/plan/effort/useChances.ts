import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Chances, Entrant } from '@core/outlook/chances';
import type { Planning } from '../../data/usePlanning';
import { useStable } from '../../data/useStable';
import type { ChancesAsked } from './chances.worker';

type Drawn = {
  /** What was drawn: of anything else it says nothing. */
  asked: ChancesAsked;
  found: ReadonlyMap<string, Chances>;
  of: number;
  state: 'running' | 'done' | 'failed';
};

const SAY_EVERY_MS = 300;

/** How sure the predictions are: drawn in a worker, so that the page stays responsive. */
export function useChances({ plans, arc }: Planning) {
  const [drawn, setDrawn] = useState<Drawn>();
  const worker = useRef<Worker>(undefined);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
  }, []);
  const nowAsked = useMemo((): ChancesAsked => {
    const entrants = plans.flatMap(({ runner, legs }): Entrant[] =>
      runner.paces.curve ? [{ athleteId: runner.id, curve: runner.paces.curve, legs }] : [],
    );
    return { entrants, arc };
  }, [plans, arc]);
  // Plans are made anew with whatever comes in, such as how athletes tell effort: what is drawn stays good.
  const asked = useStable(nowAsked);
  useEffect(() => stop, [stop, asked]);

  const start = useCallback(() => {
    stop();
    const found = new Map<string, Chances>();
    const of = asked.entrants.length;
    if (of === 0) return setDrawn({ asked, found, of, state: 'done' });
    setDrawn({ asked, found, of, state: 'running' });
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
      startTransition(() => setDrawn({ asked, found: new Map(found), of, state: isDone ? 'done' : 'running' }));
    };
    running.onerror = () => {
      stop();
      setDrawn({ asked, found: new Map(), of, state: 'failed' });
    };
    running.postMessage(asked);
  }, [asked, stop]);
  const cancel = useCallback(() => {
    stop();
    setDrawn(undefined);
  }, [stop]);
  // A change of the plan makes earlier draws obsolete.
  const current = drawn?.asked === asked ? drawn : undefined;
  return useMemo(() => ({ drawn: current, start, cancel }), [current, start, cancel]);
}
