import type { Logger } from 'pino';

type Work = () => void | Promise<void>;

/**
 * Work in the background, beside the requests. What a job throws is caught and logged, once until it works again, and the job is tried
 * again: nothing in the background ends the server.
 */
export class Jobs {
  private readonly timers = new Set<NodeJS.Timeout>();
  private readonly failing = new Set<string>();
  private readonly names: string[] = [];
  private isStopped = false;

  constructor(private readonly log: Pick<Logger, 'error'>) {}

  /** The names of all jobs that were ever given. */
  list(): readonly string[] {
    return this.names;
  }

  /** Repeats work, waiting so long after each end of it; before the first time, `firstMs`. */
  every(name: string, waitMs: number, work: Work, firstMs = waitMs): void {
    this.note(name);
    this.later(firstMs, async () => {
      await this.attempt(name, work);
      this.every(name, waitMs, work);
    });
  }

  /** Does work now, and again so long after each failure, until it has succeeded once. @returns when the first attempt has ended. */
  async untilDone(name: string, retryMs: number, work: Work): Promise<void> {
    this.note(name);
    if (this.isStopped || (await this.attempt(name, work))) return;
    this.later(retryMs, () => this.untilDone(name, retryMs, work));
  }

  /** Cancels all timers; a job that is running finishes. */
  stop(): void {
    this.isStopped = true;
    for (const timer of this.timers) clearTimeout(timer);
    this.timers.clear();
  }

  private note(name: string): void {
    if (!this.names.includes(name)) this.names.push(name);
  }

  private later(waitMs: number, run: () => Promise<void>): void {
    if (this.isStopped) return;
    const timer = setTimeout(() => {
      this.timers.delete(timer);
      void run();
    }, waitMs).unref();
    this.timers.add(timer);
  }

  /** @returns whether it worked. */
  private async attempt(name: string, work: Work): Promise<boolean> {
    try {
      await work();
      this.failing.delete(name);
      return true;
    } catch (error) {
      if (!this.failing.has(name))
        this.log.error({ err: error as Error, job: name }, 'a job failed, and is tried again');
      this.failing.add(name);
      return false;
    }
  }
}
