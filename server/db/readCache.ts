/** A figure worked out of each athlete's session, kept for as long as all that it was worked out from is the same. */
export class ReadCache<T> {
  private readonly kept = new Map<string, { readFrom: string; figure: T }>();

  /** @param most entries kept, an athlete's session each; the oldest go first. */
  constructor(private readonly most: number) {}

  /** The figure, if it is known and was worked out from the same. */
  get(athleteId: string, sessionId: string, readFrom: string): { figure: T } | undefined {
    const entry = this.kept.get(`${athleteId} ${sessionId}`);
    return entry?.readFrom === readFrom ? entry : undefined;
  }

  put(athleteId: string, sessionId: string, readFrom: string, figure: T): T {
    const key = `${athleteId} ${sessionId}`;
    this.kept.delete(key);
    this.kept.set(key, { readFrom, figure });
    return figure;
  }

  /** Forgets everyone else, so that nothing of somebody erased stays in memory, and the oldest entries. */
  keepOnly(athletes: readonly { id: string }[]): void {
    const ids = new Set(athletes.map(({ id }) => id));
    for (const key of this.kept.keys())
      if (this.kept.size > this.most || !ids.has(key.slice(0, key.indexOf(' ')))) this.kept.delete(key);
  }
}
