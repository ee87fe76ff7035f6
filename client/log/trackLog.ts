import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';
import { fromEarlierPlan } from '@core/api/earlierPlans';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { isAnyoneInRun, isInRun, runOf } from '@core/run/runOf';

/** `sent` is 0 until the server has it (a number, because IndexedDB cannot index true and false). */
type Stored<T> = T & { sent: 0 | 1 };

interface TrackDb extends DBSchema {
  plans: { key: string; value: Stored<{ id: string; plan: Plan }>; indexes: { bySent: number } };
  events: {
    key: string;
    value: Stored<{ id: string; runId: string; event: RunEvent }>;
    indexes: { byRun: string; bySent: number };
  };
}

/** This phone's store of runs, in IndexedDB: plans and events, and which of them the server has. */
export type TrackLog = {
  addPlan(plan: Plan, sent: boolean): Promise<void>;
  /** Resolves only once the events are on the disk. */
  addEvents(events: readonly RunEvent[], sent: boolean): Promise<void>;
  /**
   * Stores an event that has just happened on this phone, with relaxed durability: it survives page and browser at once, and a dead
   * battery as soon as it is marked as sent or the next plan is stored, which flush to disk.
   */
  addNew(event: RunEvent): Promise<void>;
  readRun(runId: string): Promise<{ plan: Plan; events: RunEvent[] } | undefined>;
  plans(): Promise<Plan[]>;
  unsent(): Promise<{ plans: Plan[]; events: RunEvent[] }>;
  /** How many plans and events the server does not have yet. */
  waiting(): Promise<number>;
  /** Takes someone erased for good out of every plan and event. */
  forget(athleteId: string): Promise<void>;
  /** Takes events and plans off this phone. */
  drop(ids: readonly string[]): Promise<void>;
  markSent(what: { planIds?: string[]; eventIds?: string[] }): Promise<void>;
};

type Upgrade = Parameters<NonNullable<OpenDBCallbacks<TrackDb>['upgrade']>>;

async function upgradeData(db: Upgrade[0], from: number, tx: Upgrade[3]): Promise<void> {
  if (from < 1) {
    db.createObjectStore('plans', { keyPath: 'id' }).createIndex('bySent', 'sent');
    const events = db.createObjectStore('events', { keyPath: 'id' });
    events.createIndex('byRun', 'runId');
    events.createIndex('bySent', 'sent');
    return;
  }
  if (from < 3) tx.objectStore('plans').createIndex('bySent', 'sent');
  if (from < 4) {
    // Typed results were once made at parts of a millisecond, which the server refuses: they never got there.
    const events = tx.objectStore('events');
    for (const kept of await events.index('bySent').getAll(0)) {
      const atMs = Math.round(kept.event.atMs);
      if (atMs !== kept.event.atMs) await events.put({ ...kept, event: { ...kept.event, atMs } });
    }
  }
  for (const kept of await tx.objectStore('plans').getAll()) {
    const plan = fromEarlierPlan(kept.plan) as Plan;
    if (plan !== kept.plan) await tx.objectStore('plans').put({ ...kept, plan });
  }
}

const open = (name: string): Promise<IDBPDatabase<TrackDb>> =>
  openDB<TrackDb>(name, 4, {
    upgrade(db, from, _to, tx) {
      // The database opens once all of it is done; what fails undoes it as a whole, and opening fails.
      void upgradeData(db, from, tx);
    },
  });

/** Opens the phone's own log of sessions at the track. */
export function openTrackLog(name = 'zest-lap-track'): TrackLog {
  const ready = open(name);
  return {
    async addPlan(plan, sent) {
      const db = await ready;
      const tx = db.transaction('plans', 'readwrite', { durability: 'strict' });
      if (!(await tx.store.get(plan.id))) await tx.store.put({ id: plan.id, plan, sent: sent ? 1 : 0 });
      await tx.done;
    },
    async addEvents(events, sent) {
      const db = await ready;
      const tx = db.transaction('events', 'readwrite', { durability: 'strict' });
      for (const event of events) {
        const stored = await tx.store.get(event.id);
        if (!stored) await tx.store.put({ id: event.id, runId: event.runId, event, sent: sent ? 1 : 0 });
      }
      await tx.done;
    },
    async addNew(event) {
      const db = await ready;
      const tx = db.transaction('events', 'readwrite', { durability: 'relaxed' });
      void tx.store.put({ id: event.id, runId: event.runId, event, sent: 0 });
      // No read before the write: a tap is safe some milliseconds sooner.
      tx.commit();
      await tx.done;
    },
    async readRun(runId) {
      const db = await ready;
      const kept = await db.get('plans', runId);
      if (!kept) return undefined;
      const rows = await db.getAllFromIndex('events', 'byRun', runId);
      return { plan: kept.plan, events: rows.map((row) => row.event) };
    },
    async plans() {
      return (await (await ready).getAll('plans')).map((row) => row.plan);
    },
    async unsent() {
      const db = await ready;
      // Runs at every tap: must not scan what was sent long ago.
      const plans = await db.getAllFromIndex('plans', 'bySent', 0);
      const events = await db.getAllFromIndex('events', 'bySent', 0);
      return { plans: plans.map((row) => row.plan), events: events.map((row) => row.event) };
    },
    async waiting() {
      const db = await ready;
      const [plans, events] = await Promise.all([
        db.countFromIndex('plans', 'bySent', 0),
        db.countFromIndex('events', 'bySent', 0),
      ]);
      return plans + events;
    },
    async forget(athleteId) {
      const db = await ready;
      const tx = db.transaction(['plans', 'events'], 'readwrite', { durability: 'strict' });
      for (const kept of await tx.objectStore('plans').getAll()) {
        const rows = await tx.objectStore('events').index('byRun').getAll(kept.id);
        const run = { plan: kept.plan, events: rows.map(({ event }) => event) };
        if (!isInRun(run, athleteId)) continue;
        const { plan, events } = runOf(run, (other) => other !== athleteId);
        const isAnyoneLeft = isAnyoneInRun({ plan, events });
        const left = new Map(events.map((event) => [event.id, event]));
        for (const row of rows) {
          const event = isAnyoneLeft ? left.get(row.id) : undefined;
          if (event) await tx.objectStore('events').put({ ...row, event });
          else await tx.objectStore('events').delete(row.id);
        }
        if (isAnyoneLeft) await tx.objectStore('plans').put({ ...kept, plan });
        else await tx.objectStore('plans').delete(kept.id);
      }
      await tx.done;
    },
    async drop(ids) {
      const db = await ready;
      const tx = db.transaction(['plans', 'events'], 'readwrite', { durability: 'strict' });
      for (const id of ids) {
        await tx.objectStore('events').delete(id);
        await tx.objectStore('plans').delete(id);
      }
      await tx.done;
    },
    async markSent({ planIds = [], eventIds = [] }) {
      const db = await ready;
      const tx = db.transaction(['plans', 'events'], 'readwrite', { durability: 'strict' });
      for (const id of planIds) {
        const row = await tx.objectStore('plans').get(id);
        if (row) await tx.objectStore('plans').put({ ...row, sent: 1 });
      }
      for (const id of eventIds) {
        const row = await tx.objectStore('events').get(id);
        if (row) await tx.objectStore('events').put({ ...row, sent: 1 });
      }
      await tx.done;
    },
  };
}
