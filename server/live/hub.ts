import type { RunEvent } from '@core/run/events';

export type Listener = {
  onEvents: (events: readonly RunEvent[]) => void;
  /** The follower's access has ended. */
  onEnd: () => void;
};

/** Passes a run's new events on to those who follow it. */
export class Hub {
  private readonly listeners = new Map<string, Set<Listener>>();
  private readonly ofToken = new Map<string, Set<Listener>>();
  private count = 0;

  /** @param most connections in all. @param mostOfOne connections for one cookie: a phone needs one, and a second while it reconnects. */
  constructor(
    readonly most = 200,
    readonly mostOfOne = 6,
  ) {}

  /** @param tokenId the cookie it came by, where one is needed. @returns how to stop, or undefined if there are too many already. */
  subscribe(runId: string, listener: Listener, tokenId?: string): (() => void) | undefined {
    const ofOne = tokenId === undefined ? undefined : (this.ofToken.get(tokenId) ?? new Set());
    if (this.count >= this.most || (ofOne && ofOne.size >= this.mostOfOne)) return undefined;
    this.count++;
    const ofRun = this.listeners.get(runId) ?? new Set();
    this.listeners.set(runId, ofRun.add(listener));
    if (tokenId !== undefined && ofOne) this.ofToken.set(tokenId, ofOne.add(listener));
    return () => {
      if (!ofRun.delete(listener)) return;
      this.count--;
      if (ofRun.size === 0) this.listeners.delete(runId);
      ofOne?.delete(listener);
      if (tokenId !== undefined && ofOne?.size === 0) this.ofToken.delete(tokenId);
    };
  }

  publish(runId: string, events: readonly RunEvent[]): void {
    if (events.length === 0) return;
    for (const listener of [...(this.listeners.get(runId) ?? [])]) listener.onEvents(events);
  }

  /** Ends every connection of this cookie. */
  end(tokenId: string): void {
    for (const listener of [...(this.ofToken.get(tokenId) ?? [])]) listener.onEnd();
  }
}
