import type { Db } from './open';

type Waiting = { work: () => unknown; resolve: (result: never) => void; reject: (error: unknown) => void };

/**
 * Group commit: writes that come in within one turn of the event loop are one transaction and one flush to the disk. Each is undone by itself
 * if it throws; none is reported as done before all are on the disk.
 */
export class WriteTogether {
  private waiting: Waiting[] = [];

  constructor(private readonly db: Db) {}

  /** Does work in the next transaction. @returns its result once it is on the disk. @throws what it throws, or why the commit failed. */
  add<T>(work: () => T): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      if (this.waiting.length === 0) setImmediate(() => this.flush());
      this.waiting.push({ work, resolve, reject });
    });
  }

  private flush(): void {
    const batch = this.waiting;
    this.waiting = [];
    const { $client } = this.db;
    const done: (() => void)[] = [];
    try {
      $client.transaction(() => {
        for (const { work, resolve, reject } of batch) {
          try {
            const result = $client.transaction(work)();
            done.push(() => resolve(result as never));
          } catch (error) {
            // SQLite ends the whole transaction on a full disk: nothing of this batch is stored.
            if (!$client.inTransaction) throw error;
            done.push(() => reject(error));
          }
        }
      })();
    } catch (error) {
      for (const { reject } of batch) reject(error);
      return;
    }
    for (const settle of done) settle();
  }
}
