/**
 * Does what concerns one key one after the other, and different keys side by side.
 * @param mostWaiting more than so many for one key are not taken.
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
