/** Work that is waiting for its turn; `next` does one piece of it. */
export type Worker = { hasWork: () => boolean; next: () => void };

/** Work in slices this long, then rest for this many times as long as was used: a third of the time for all workers together. */
const SLICE_MS = 5;
const REST = 2;

/** Gives workers their turns, one piece each, within a share of the time: a busy one waits for itself, not others for it. */
export class Turns {
  private readonly workers = new Set<Worker>();
  private timer: NodeJS.Timeout | undefined;
  /** No work before this time, even for a worker that brings one piece at a time. */
  private restsUntilMs = -Infinity;

  constructor(private readonly clockMs: () => number = () => performance.now()) {}

  /** A worker has something to do. */
  ask(worker: Worker): void {
    this.workers.add(worker);
    if (this.timer) return;
    const restMs = this.restsUntilMs - this.clockMs();
    if (restMs > 0) this.timer = setTimeout(() => this.work(), Math.ceil(restMs));
    else this.work();
  }

  drop(worker: Worker): void {
    this.workers.delete(worker);
  }

  stop(): void {
    clearTimeout(this.timer);
    this.workers.clear();
  }

  private work(): void {
    this.timer = undefined;
    const startedMs = this.clockMs();
    let usedMs = 0;
    while (this.workers.size > 0 && usedMs < SLICE_MS) {
      for (const worker of [...this.workers]) {
        if (worker.hasWork()) worker.next();
        if (!worker.hasWork()) this.workers.delete(worker);
        usedMs = this.clockMs() - startedMs;
        if (usedMs >= SLICE_MS) break;
      }
    }
    this.restsUntilMs = this.clockMs() + usedMs * REST;
    if (this.workers.size > 0) this.timer = setTimeout(() => this.work(), Math.ceil(usedMs * REST));
  }
}
