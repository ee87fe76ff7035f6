type Scheduler = { postTask: (run: () => void, options: { delay: number }) => Promise<unknown> };

/**
 * A throttled `act`: calls within `afterMs` are batched into one, and it runs at most once every `everyMs`. It is scheduled behind the
 * work of the current tap.
 */
export function throttle(act: () => void, afterMs: number, everyMs = 0): () => void {
  let isScheduled = false;
  let lastMs = -Infinity;
  const go = () => {
    isScheduled = false;
    lastMs = performance.now();
    act();
  };
  return () => {
    if (isScheduled) return;
    isScheduled = true;
    const delay = Math.max(afterMs, lastMs + everyMs - performance.now());
    const { scheduler } = globalThis as { scheduler?: Scheduler };
    if (scheduler) void scheduler.postTask(go, { delay });
    else setTimeout(go, delay);
  };
}
