import { monotonicFactory } from 'ulid';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { replay } from '@core/run/replay';
import { deviceId } from './deviceId';
import { fetchPort, Outbox, type OutboxPort } from './outbox';
import { openTrackLog } from './trackLog';
import { withMemory } from './memoryLog';
import { throttle } from '../store/throttle';
import { nowAndWhenOnline } from '../ui/whenOnline';
import { api } from '../store/api';
import { store } from '../store/store';
import { followRun } from './live';
import { trackside } from '../store/trackside';
import { nowMs } from './trackClock';
import { loadWireCheck, wireCheck } from './wireCheck';

const log = withMemory(openTrackLog());
let hasSent = false;
const port: OutboxPort = {
  async send(...call) {
    const answer = await fetchPort.send(...call);
    hasSent ||= answer !== undefined && answer.status < 300;
    return answer;
  },
};
const outbox = new Outbox(log, port, (state) => {
  store.dispatch(trackside.actions.outboxChanged({ ...state, inMemory: log.inMemory() }));
  if (!hasSent || state.waiting > 0) return;
  hasSent = false;
  // Lists that are open show what the server knows now.
  store.dispatch(api.util.invalidateTags(['runs']));
});

/** A tap does not wait for sending: it follows after the screen is drawn, several taps in one batch. */
const SEND = { afterMs: 300, everyMs: 1000 };
const sendSoon = throttle(() => void outbox.poke(), SEND.afterMs, SEND.everyMs);

// Monotonic ids: they sort in the order things were done, also within a millisecond and for times put in afterwards.
const nextId = monotonicFactory();

const eventOf = (runId: string, happening: Happening, atMs: number): RunEvent => ({
  ...happening,
  id: nextId(nowMs()),
  runId,
  deviceId: deviceId(),
  atMs,
});

/**
 * Records an event: on this phone's disk, then on screen, then on the server when it can be reached. If the disk refuses, it is kept in
 * memory and sent all the same; the screen says so.
 */
export async function record(runId: string, happening: Happening, atMs: number): Promise<void> {
  const event = eventOf(runId, happening, atMs);
  const stored = log.addNew(event);
  // Checked while the disk is writing: a tap must not wait for it.
  const why = wireCheck()?.whyNotEvent(event);
  await stored;
  if (why !== undefined) {
    notKept.set(event.id, event);
    await log.drop([event.id]);
    return outbox.refuseHere(event.id, why);
  }
  store.dispatch(trackside.actions.eventKept({ event, inMemory: log.inMemory() }));
  sendSoon();
}

/** Events of this page that failed the wire check and were not stored. */
const notKept = new Map<string, RunEvent>();

/** A plan or one of its events failed the wire check. Nothing was stored. */
export class NotTaken extends Error {}

/** Something with the time it happened at, in ms since 1970 on this phone's clock. */
export type Happened = { happening: Happening; atMs: number };

/**
 * Stores a new plan and its events on this phone, then sends both.
 * @throws NotTaken if the server would refuse any of it.
 */
export async function takeToTrack(plan: Plan, happened: readonly Happened[]): Promise<void> {
  const events = happened.map(({ happening, atMs }) => eventOf(plan.id, happening, atMs));
  const checks = await loadWireCheck();
  const why = checks?.whyNotPlan(plan) ?? events.map((event) => checks?.whyNotEvent(event)).find(Boolean);
  if (why !== undefined) throw new NotTaken(why);
  await log.addPlan(plan, false);
  await log.addEvents(events, false);
  // Not awaited: the session starts whether or not the server answers.
  const here = await log.readRun(plan.id).catch(() => undefined);
  if (here) store.dispatch(trackside.actions.runOpened(here));
  await outbox.report().catch(() => undefined);
  void outbox.poke().then(() => store.dispatch(api.util.invalidateTags(['runs'])));
}

/**
 * Opens a run from this phone if it has it, else from the server; anything more the server knows is added.
 * @returns false if neither has it.
 */
export async function openRun(runId: string): Promise<boolean> {
  void loadWireCheck();
  // Without storage (some private windows) the server's copy still serves.
  const here = await log.readRun(runId).catch(() => undefined);
  if (here) store.dispatch(trackside.actions.runOpened(here));
  // Asked for once the server has been told of it.
  await outbox.poke();
  return (await catchUp(runId)) || here !== undefined;
}

/** Shows a session as this phone has it, if it has it: what was recorded of it may still wait for the server. */
export async function showKept(runId: string): Promise<void> {
  const here = await log.readRun(runId).catch(() => undefined);
  if (here) store.dispatch(trackside.actions.runOpened(here));
}

/** Stores a run read from the server on this phone too, so that what is recorded next shows at once. */
export async function keepRun({ plan, events }: { plan: Plan; events: readonly RunEvent[] }): Promise<void> {
  // Without storage it is in memory, like what happens at the track.
  await log.addPlan(plan, true).catch(() => undefined);
  await log.addEvents(events, true);
  store.dispatch(trackside.actions.runOpened({ plan, events: [...events] }));
}

/** Adds events the server knows and this phone does not. @returns false if the run is unknown there, or it cannot be reached. */
async function catchUp(runId: string): Promise<boolean> {
  const there = await store
    .dispatch(api.endpoints.run.initiate(runId, { forceRefetch: true, subscribe: false }))
    .then((answer) => answer.data);
  if (there) {
    const keepAll = async () => {
      await log.addPlan(there.plan, true);
      await log.addEvents(there.events, true);
      return log.readRun(runId);
    };
    store.dispatch(trackside.actions.runOpened((await keepAll().catch(() => undefined)) ?? there));
  }
  return there !== undefined;
}

/** Keeps what others have timed, and shows it. */
async function take(events: RunEvent[]): Promise<void> {
  await log.addEvents(events, true);
  store.dispatch(trackside.actions.eventsCame(events));
}

/** What this phone's clock is known to be behind by in the session that is open, in ms. */
function knownOffsetMs(): number {
  const mine = store.getState().trackside.run?.events.filter(({ deviceId: from }) => from === deviceId()) ?? [];
  const last = mine.findLast((event) => event.type === 'clock');
  return last?.type === 'clock' ? last.offsetMs : 0;
}

/** Follows what other phones time in a session, for as long as it is open here. @returns what stops it. */
export const follow = (runId: string): (() => void) =>
  followRun(runId, deviceId(), {
    catchUp: () => catchUp(runId),
    came: (events) => void take(events),
    knownOffsetMs,
    clockIsOff: (offsetMs) => void record(runId, { type: 'clock', offsetMs }, nowMs()),
  });

/** The plans this phone keeps, for lists while the server is away. */
export const keptPlans = (): Promise<Plan[]> => log.plans().catch(() => []);

/** Sessions this phone keeps that have not ended as far as it knows; `isSent` where the server has them too. */
export async function keptOpenRuns(): Promise<{ plan: Plan; isStarted: boolean; isSent: boolean }[]> {
  const unsent = new Set((await log.unsent()).plans.map(({ id }) => id));
  const runs = await Promise.all((await keptPlans()).map(({ id }) => log.readRun(id).catch(() => undefined)));
  return runs.flatMap((run) => {
    if (!run) return [];
    const { startedAtMs, endedAtMs } = replay(run.plan, run.events);
    if (endedAtMs !== undefined) return [];
    return [{ plan: run.plan, isStarted: startedAtMs !== undefined, isSent: !unsent.has(run.plan.id) }];
  });
}

/** Takes someone who was erased for good out of everything this phone keeps. */
export const forgetAthlete = (athleteId: string): Promise<void> => log.forget(athleteId).catch(() => undefined);

/** Returns every refusal with its reason, and the plan or event itself where this phone has it. */
export async function refusedThings(): Promise<{ id: string; message: string; what?: Plan | RunEvent }[]> {
  const { plans, events } = await log.unsent();
  const things = new Map<string, Plan | RunEvent>([...plans, ...events, ...notKept.values()].map((it) => [it.id, it]));
  return store.getState().trackside.outbox.refused.map(({ id, message }) => {
    const what = things.get(id);
    return { id, message, ...(what ? { what } : {}) };
  });
}

/** Retries all refused events. */
export async function sendRefusedAgain(): Promise<void> {
  await outbox.forgetRefused();
  await outbox.poke();
}

/** Removes all refused events from this phone, which then shows the same as the server. */
export async function dropRefused(): Promise<void> {
  const ids = store.getState().trackside.outbox.refused.map(({ id }) => id);
  await log.drop(ids);
  for (const id of ids) notKept.delete(id);
  store.dispatch(trackside.actions.eventsDropped(ids));
  await outbox.forgetRefused();
}

/** Sends what waits now and whenever the network comes back. */
export const startSending = (): (() => void) => nowAndWhenOnline(() => outbox.poke());
