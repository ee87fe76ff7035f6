import type { RunEvent } from '@core/run/events';
import { eventAbout } from '@core/run/runOf';
import type { TrackLog } from './trackLog';

/** The phone's log, with a place for what its storage would not take. */
export type SafeLog = TrackLog & {
  /** How many events are in this page's memory and nowhere else. */
  inMemory(): number;
};

/**
 * Keeps events in memory when the storage refuses them (full, or switched off), reads them with the others and gives them to the
 * outbox like any other. What is in memory is tried again with the next event, and lost only with the page.
 */
export function withMemory(log: TrackLog): SafeLog {
  const held = new Map<string, { event: RunEvent; sent: boolean }>();
  const here = (runId: string) => [...held.values()].flatMap(({ event }) => (event.runId === runId ? [event] : []));
  const unsentHere = () => [...held.values()].flatMap(({ event, sent }) => (sent ? [] : [event]));
  const keep = async (write: () => Promise<void>, what: readonly { event: RunEvent; sent: boolean }[]) => {
    try {
      await write();
    } catch {
      for (const one of what) held.set(one.event.id, one);
      return;
    }
    // There is room again: what was held goes where it belongs.
    for (const [id, one] of [...held]) {
      try {
        await log.addEvents([one.event], one.sent);
        held.delete(id);
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
        const one = held.get(id);
        if (one) one.sent = true;
      }
      await log.markSent(what).catch((trouble: unknown) => {
        if (held.size === 0) throw trouble;
      });
    },
    async forget(athleteId) {
      for (const [id, one] of [...held]) {
        const event = eventAbout(one.event, (other) => other !== athleteId);
        if (event) held.set(id, { ...one, event });
        else held.delete(id);
      }
      await log.forget(athleteId);
    },
  };
}
