import type { RunEvent } from '@core/run/events';
import { eventAbout } from '@core/run/runOf';
import type { TrackLog } from './trackLog';

/** The phone's log, with memory as a fallback for what its storage refuses. */
export type SafeLog = TrackLog & {
  /** How many events are in this page's memory and nowhere else. */
  inMemory(): number;
};

/**
 * Keeps events in memory when storage refuses them (full, or switched off), merges them into reads and hands them to the outbox like any
 * other. They are retried with the next event, and lost only with the page.
 */
export function withMemory(log: TrackLog): SafeLog {
  const entries = new Map<string, { event: RunEvent; sent: boolean }>();
  const here = (runId: string) => [...entries.values()].flatMap(({ event }) => (event.runId === runId ? [event] : []));
  const unsentHere = () => [...entries.values()].flatMap(({ event, sent }) => (sent ? [] : [event]));
  const keep = async (write: () => Promise<void>, what: readonly { event: RunEvent; sent: boolean }[]) => {
    try {
      await write();
    } catch {
      for (const stored of what) entries.set(stored.event.id, stored);
      return;
    }
    // There is room again: what was held back goes where it belongs.
    for (const [id, stored] of [...entries]) {
      try {
        await log.addEvents([stored.event], stored.sent);
        entries.delete(id);
      } catch {
        return;
      }
    }
  };
  return {
    ...log,
    inMemory: () => unsentHere().length,
    addEvents: (events, sent) =>
      keep(
        () => log.addEvents(events, sent),
        events.map((event) => ({ event, sent })),
      ),
    addNew: (event) => keep(() => log.addNew(event), [{ event, sent: false }]),
    async readRun(runId) {
      const kept = await log.readRun(runId);
      return kept && { plan: kept.plan, events: [...kept.events, ...here(runId)] };
    },
    async unsent() {
      const { plans, events } = await log.unsent().catch(() => ({ plans: [], events: [] }));
      return { plans, events: [...events, ...unsentHere()] };
    },
    async waiting() {
      return unsentHere().length + (await log.waiting().catch(() => 0));
    },
    async markSent(what) {
      for (const id of what.eventIds ?? []) {
        const stored = entries.get(id);
        if (stored) stored.sent = true;
      }
      await log.markSent(what).catch((trouble: unknown) => {
        if (entries.size === 0) throw trouble;
      });
    },
    async drop(ids) {
      for (const id of ids) entries.delete(id);
      await log.drop(ids);
    },
    async forget(athleteId) {
      for (const [id, stored] of [...entries]) {
        const event = eventAbout(stored.event, (other) => other !== athleteId);
        if (event) entries.set(id, { ...stored, event });
        else entries.delete(id);
      }
      await log.forget(athleteId);
    },
  };
}
