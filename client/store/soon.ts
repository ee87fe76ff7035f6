type Scheduler = { postTask: (run: () => void, options: { delay: number }) => Promise<unknown> };

/**
 * Gives a way to have something done a little later, behind what is more pressing; asked for several times before that, it is done once,
 * and not again before `everyMs` have gone by.
 */
export function doneSoon(act: () => void, afterMs: number, everyMs = 0): () => void {
  let isSoon = false;
  let lastMs = -Infinity;
  const go = () => {
    isSoon = false;
    lastMs = performance.now();
    act();
  };
  return () => {
    if (isSoon) return;
    isSoon = true;
    const delay = Math.max(afterMs, lastMs + everyMs - performance.now());
    const { scheduler } = globalThis as { scheduler?: Scheduler };
    if (scheduler) void scheduler.postTask(go, { delay });
    else setTimeout(go, delay);
  };
}
