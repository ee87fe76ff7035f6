type Scheduler = { postTask: (run: () => void, options: { delay: number }) => Promise<unknown> };

/** Gives a way to have something done a little later, behind what is more pressing; asked for several times before that, it is done once. */
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
    if (scheduler) void scheduler.postTask(go, { delay: afterMs });
    else setTimeout(go, afterMs);
  };
}
