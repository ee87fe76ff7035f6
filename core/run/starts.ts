/** Who starts next, and when. */
import { nextSlot, ownRep, runnersOf } from './lineUp';
import type { Plan } from './plan';
import type { AthleteState, GroupState, RepRun, RunState, Slot } from './runState';
import type { Happening, RunEvent } from './events';

/** A group's next start, or one member's where each goes by their own recovery. */
export type Due = {
  groupId: string;
  slot: Slot;
  athleteIds: string[];
  /** When it is due, if the clock can tell: not while somebody is still running. */
  atMs?: number;
  /** The clock starts it, nobody has to tap. */
  byItself: boolean;
};

/** When an athlete has recovered from a rep; undefined while they run it, or rest without a clock. */
export function recoveredAtMs({ finishedAtMs, target, heldS }: RepRun): number | undefined {
  if (finishedAtMs === undefined || target.recoveryS === undefined) return undefined;
  return finishedAtMs + (target.recoveryS + heldS) * 1000;
}

function groupDue(state: RunState, group: GroupState, slot: Slot, runners: readonly AthleteState[]): Due {
  const due = { groupId: group.id, slot, athleteIds: runners.map(({ athleteId }) => athleteId) };
  if (group.startedAtMs === undefined) {
    const firstAtMs = Math.min(...state.groups.flatMap(({ startedAtMs }) => startedAtMs ?? []));
    const gapS = group.plan.startGapS ?? 0;
    return state.staggers && Number.isFinite(firstAtMs)
      ? { ...due, atMs: firstAtMs + gapS * 1000, byItself: true }
      : { ...due, byItself: false };
  }
  const byItself = state.startMode !== 'tap';
  const ready = runners.flatMap(({ runs }) => {
    const last = runs.at(-1);
    return last ? [recoveredAtMs(last)] : [];
  });
  const readyAtMs = ready.flatMap((atMs) => atMs ?? []);
  if (readyAtMs.length === 0 || readyAtMs.length < ready.length) return { ...due, byItself };
  return { ...due, atMs: Math.max(...readyAtMs), byItself };
}

/** One start for everyone who goes by themselves; those who have not run yet go with the group. */
function ownDues(state: RunState, group: GroupState): Due[] {
  return group.slots.length === 0
    ? []
    : runnersOf(state, group, { repIndex: -1, planIndex: 0 }).flatMap((athlete): Due[] => {
        const last = athlete.runs.at(-1);
        const at = last ? group.slots.findIndex(({ repIndex }) => repIndex === last.repIndex) : -1;
        const slot = group.slots.find((candidate, i) => i > at && ownRep(state, athlete, candidate) !== undefined);
        if (!last || !slot) return [];
        const atMs = recoveredAtMs(last);
        const due = { groupId: group.id, slot, athleteIds: [athlete.athleteId] };
        return [atMs === undefined ? { ...due, byItself: true } : { ...due, atMs, byItself: true }];
      });
}

const isOpenWork = ({ plan, slots, lastAt }: GroupState) => plan.reps[slots[lastAt]?.planIndex ?? -1]?.open === true;

/** The next starts of all groups, as they stand. */
export function dueStarts(state: RunState): Due[] {
  if (state.endedAtMs !== undefined) return [];
  return state.groups.flatMap((group): Due[] => {
    // In open work it is unknown who comes next: it goes by group.
    if (state.startMode === 'each' && group.startedAtMs !== undefined && !isOpenWork(group)) {
      const due = ownDues(state, group);
      if (due.length > 0) return due;
    }
    const slot = nextSlot(state, group);
    return slot ? [groupDue(state, group, slot, runnersOf(state, group, slot))] : [];
  });
}

/** A start as it is recorded. */
export function startOf(
  plan: Plan,
  due: Pick<Due, 'groupId' | 'slot' | 'athleteIds'>,
): Happening & { type: 'started' } {
  const { repIndex, planIndex } = due.slot;
  const reps = plan.groups.find(({ id }) => id === due.groupId)?.reps.length ?? 0;
  return {
    type: 'started',
    repIndex,
    athleteIds: due.athleteIds,
    ...(repIndex >= reps ? { planIndex } : {}),
  };
}

/** Starts due by the clock that nobody has recorded. One that was recorded and undone is not given again: the coach has taken over. */
export function startsByNow(state: RunState, events: readonly RunEvent[], nowMs: number): (Due & { atMs: number })[] {
  const due = dueStarts(state).filter((due): due is Due & { atMs: number } => {
    return due.byItself && due.atMs !== undefined && due.atMs <= nowMs;
  });
  if (due.length === 0) return [];
  const given = new Set(
    events.flatMap((event) =>
      event.type === 'started' && event.byItself ? event.athleteIds.map((id) => `${id} ${event.repIndex}`) : [],
    ),
  );
  return due.filter(({ athleteIds, slot }) => !athleteIds.some((id) => given.has(`${id} ${slot.repIndex}`)));
}
