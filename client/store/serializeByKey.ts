const last = new Map<string, Promise<unknown>>();

/**
 * Runs the tasks of a key one after another, in the order they were queued; one that fails does not stop the next. Without it, of two
 * writes under way the one that arrives last wins, which need not be the one made last.
 */
export async function serializeByKey<T>(key: string, task: () => Promise<T>): Promise<T> {
  const before = last.get(key);
  const mine = before ? before.then(task, task) : task();
  last.set(key, mine);
  try {
    return await mine;
  } finally {
    if (last.get(key) === mine) last.delete(key);
  }
}
