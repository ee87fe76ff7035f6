import type { RunEvent } from '@core/trackside/events';

type Listener = (events: readonly RunEvent[]) => void;

/** Tells those who look on at a session what has come in. */
export class Hub {
  private readonly listeners = new Map<string, Set<Listener>>();
  private count = 0;

  constructor(readonly most = 200) {}

  /** @returns how to stop, or undefined if there are too many already. */
  subscribe(runId: string, listener: Listener): (() => void) | undefined {
    if (this.count >= this.most) return undefined;
    this.count++;
    const ofRun = this.listeners.get(runId) ?? new Set();
    this.listeners.set(runId, ofRun.add(listener));
    return () => {
      if (!ofRun.delete(listener)) return;
      this.count--;
      if (ofRun.size === 0) this.listeners.delete(runId);
    };
  }

  publish(runId: string, events: readonly RunEvent[]): void {
    if (events.length === 0) return;
    for (const listener of [...(this.listeners.get(runId) ?? [])]) listener(events);
  }
}
