/**
 * Runs the work of one key in sequence, and different keys in parallel.
 * @param mostWaiting more than this many for one key are refused.
 */
export class SerializeByKey {
  private readonly queues = new Map<string, { last: Promise<unknown>; length: number }>();

  constructor(private readonly mostWaiting: number) {}

  /** @returns what `work` comes to, or undefined if too many are waiting for this key. */
  run<T>(key: string, work: () => Promise<T>): Promise<T> | undefined {
    const queue = this.queues.get(key) ?? { last: Promise.resolve(), length: 0 };
    if (queue.length > this.mostWaiting) return undefined;
    queue.length++;
    this.queues.set(key, queue);
    const mine = queue.last.then(work, work).finally(() => {
      queue.length--;
      if (queue.length === 0) this.queues.delete(key);
    });
    queue.last = mine.catch(() => undefined);
    return mine;
  }
}
