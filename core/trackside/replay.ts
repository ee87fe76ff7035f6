import type { EndedEvent, PassedEvent, RunEvent, StartedEvent } from './events';
import type { Plan } from './plan';

/** A time taken: `elapsedS` seconds after the athlete's own start of the rep. */
export type Passing = { eventId: string; atM: number; atMs: number; elapsedS: number };

/** One athlete in one rep. */
export type RepRun = {
  repIndex: number;
  startedAtMs: number;
  /** In the order of the marks. */
  passes: Passing[];
  /** When the finish was taken; for a rep by the clock, when its time is up (that may lie ahead). */
  finishedAtMs?: number;
};

/** All that is known of a session at the track, worked out from its events alone. */
export type RunState = {
  startedAtMs?: number;
  endedAtMs?: number;
  /** By athlete, then by repIndex; a rep that was not started is missing. */
  athletes: Record<string, (RepRun | undefined)[]>;
  /** The furthest rep anyone was started on, by a tap or by running on; −1 before the first. */
  lastRepIndex: number;
  /** Events that count, in order of time. */
  active: Exclude<RunEvent, { type: 'undone' }>[];
  /** Events that say something the plan has no place for: a time before a start, a second start, an unknown athlete. Kept, never lost. */
  unplaced: RunEvent[];
};

const byTime = (a: RunEvent, b: RunEvent) => a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** Which events count: those that no counting undo names. Undos that name each other in a ring count for nothing. */
function activeEvents(events: readonly RunEvent[]): RunEvent[] {
  const undoneBy = new Map<string, string[]>();
  for (const event of events)
    if (event.type === 'undone') undoneBy.set(event.eventId, [...(undoneBy.get(event.eventId) ?? []), event.id]);
  const counts = new Map<string, boolean>();
  const isActive = (id: string): boolean => {
    const known = counts.get(id);
    if (known !== undefined) return known;
    counts.set(id, false);
    const active = !(undoneBy.get(id) ?? []).some(isActive);
    counts.set(id, active);
    return active;
  };
  return events.filter((event) => isActive(event.id));
}

function distinctInOrder(events: readonly RunEvent[]): RunEvent[] {
  const byId = new Map<string, RunEvent>();
  for (const event of events) if (!byId.has(event.id)) byId.set(event.id, event);
  return [...byId.values()].sort(byTime);
}

/** Puts a start in its place, and the reps that run on after a rep by the clock. */
function place(state: RunState, plan: Plan, athleteId: string, repIndex: number, startedAtMs: number): boolean {
  const rep = plan.reps[repIndex];
  const runs = state.athletes[athleteId];
  if (!rep || !runs || runs[repIndex]) return false;
  const run: RepRun = { repIndex, startedAtMs, passes: [] };
  runs[repIndex] = run;
  state.lastRepIndex = Math.max(state.lastRepIndex, repIndex);
  if (rep.durationS !== undefined) finish(state, plan, athleteId, run, startedAtMs + rep.durationS * 1000);
  return true;
}

function finish(state: RunState, plan: Plan, athleteId: string, run: RepRun, atMs: number): void {
  run.finishedAtMs = atMs;
  if (plan.reps[run.repIndex]?.runsOn) place(state, plan, athleteId, run.repIndex + 1, atMs);
}

function applyStart(state: RunState, plan: Plan, event: StartedEvent): boolean {
  const placed = event.athleteIds.map((athleteId) => place(state, plan, athleteId, event.repIndex, event.atMs));
  if (!placed.includes(true)) return false;
  state.startedAtMs ??= event.atMs;
  return true;
}

function applyPass(state: RunState, plan: Plan, event: PassedEvent): boolean {
  const run = state.athletes[event.athleteId]?.[event.repIndex];
  const callM = plan.reps[event.repIndex]?.callM ?? [];
  const taken = run?.passes.some((pass) => pass.atM === event.atM);
  if (!run || taken || !callM.includes(event.atM) || event.atMs < run.startedAtMs) return false;
  run.passes.push({
    eventId: event.id,
    atM: event.atM,
    atMs: event.atMs,
    elapsedS: (event.atMs - run.startedAtMs) / 1000,
  });
  run.passes.sort((a, b) => a.atM - b.atM);
  if (event.atM === callM.at(-1)) finish(state, plan, event.athleteId, run, event.atMs);
  return true;
}

function applyEnd(state: RunState, event: EndedEvent): boolean {
  if (state.endedAtMs !== undefined) return false;
  state.endedAtMs = event.atMs;
  return true;
}

/**
 * Works out the state of a session at the track from its plan and its events. Pure: the same events in any order, or any
 * of them twice, give the same state.
 */
export function replay(plan: Plan, events: readonly RunEvent[]): RunState {
  const state: RunState = { athletes: {}, lastRepIndex: -1, active: [], unplaced: [] };
  for (const { athleteId } of plan.athletes) state.athletes[athleteId] = [];
  for (const event of activeEvents(distinctInOrder(events))) {
    if (event.type === 'undone') continue;
    state.active.push(event);
    const placed =
      event.type === 'started'
        ? applyStart(state, plan, event)
        : event.type === 'passed'
          ? applyPass(state, plan, event)
          : applyEnd(state, event);
    if (!placed) state.unplaced.push(event);
  }
  return state;
}

/** The rep that the next start is for: the one after the furthest started; undefined when all have been. */
export function nextRepIndex(plan: Plan, state: RunState): number | undefined {
  let index = state.lastRepIndex + 1;
  // A rep that is run on to is started by finishing the one before it, not by a tap.
  while (plan.reps[index - 1]?.runsOn) index++;
  return index < plan.reps.length ? index : undefined;
}
