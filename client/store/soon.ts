type Scheduler = {
  postTask: (run: () => void, options: { delay: number; priority: 'background' }) => Promise<unknown>;
};

/**
 * Gives a way to have something done a little later, when nothing more pressing is to be done; asked for several times before
 * that, it is done once.
 */
export function doneSoon(act: () => void, afterMs: number): () => void {
  let isSoon = false;
  const go = () => {
    isSoon = false;
    act();
  };
  return () => {
    if (isSoon) return;
    isSoon = true;
    const { scheduler } = globalThis as { scheduler?: Scheduler };
    if (scheduler) void scheduler.postTask(go, { delay: afterMs, priority: 'background' });
    else setTimeout(go, afterMs);
  };
}
