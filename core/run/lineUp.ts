/** What comes next for whom: a group's reps in running order, and each athlete's own version. */
import type { PlannedGroup, PlannedRep, PlannedTarget } from './plan';
import {
  groupOf,
  isRunning,
  membersOf,
  type AthleteState,
  type GroupState,
  type RunState,
  type Slot,
} from './runState';

/** The planned reps of open work that `planIndex` is in: from its first to its last. */
function blockOf({ reps }: PlannedGroup, planIndex: number): { from: number; to: number } {
  let [from, to] = [planIndex, planIndex];
  while (reps[from - 1]?.open) from--;
  while (reps[to + 1]?.open) to++;
  return { from, to };
}

/** A group's reps as planned; of open work only the first, which is repeated for as long as it goes on. */
export const plannedSlots = ({ reps }: PlannedGroup): Slot[] =>
  reps.flatMap((rep, i) => (rep.open && reps[i - 1]?.open ? [] : [{ repIndex: i, planIndex: i }]));

/** A number for a rep that is added to a group. */
export const freshRepIndex = ({ plan, slots }: GroupState): number =>
  Math.max(plan.reps.length - 1, ...slots.map(({ repIndex }) => repIndex)) + 1;

const middle = (values: readonly number[]): number | undefined => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)];
};

/** An athlete's version of a rep planned for another group: at their own pace if they have it elsewhere, else the group's middle. */
function borrowedTarget(state: RunState, athlete: AthleteState, group: GroupState, planIndex: number): PlannedTarget {
  const rep = group.plan.reps[planIndex];
  const theirs = group.plan.athletes.flatMap(({ targets }) => targets[planIndex] ?? []);
  const recoveryS = middle(theirs.flatMap((target) => target.recoveryS ?? []));
  const rest = recoveryS === undefined ? {} : { recoveryS };
  if (rep?.distanceM === undefined)
    return { ...(rep?.durationS === undefined ? {} : { targetS: rep.durationS }), ...rest };
  const home = groupOf(state, athlete.plannedFor)?.plan.reps ?? [];
  const at = home.findIndex(({ pace, distanceM }, i) => {
    return pace === rep.pace && distanceM !== undefined && athlete.planned.targets[i]?.targetS !== undefined;
  });
  const { targetS: ownS, tolerance } = athlete.planned.targets[at] ?? {};
  const ownM = home[at]?.distanceM;
  const targetS =
    ownS !== undefined && ownM ? (ownS * rep.distanceM) / ownM : middle(theirs.flatMap((t) => t.targetS ?? []));
  return {
    ...(targetS === undefined ? {} : { targetS }),
    ...(tolerance === undefined ? {} : { tolerance }),
    ...rest,
  };
}

/** A rep cut to a distance, at the same pace. */
function cutTo(rep: PlannedRep, target: PlannedTarget, distanceM: number): { rep: PlannedRep; target: PlannedTarget } {
  if (rep.distanceM === undefined || rep.distanceM <= distanceM) return { rep, target };
  const callM = [...rep.callM.filter((atM) => atM < distanceM), distanceM];
  const { targetS } = target;
  return {
    rep: { ...rep, distanceM, callM },
    target: { ...target, ...(targetS === undefined ? {} : { targetS: (targetS * distanceM) / rep.distanceM }) },
  };
}

/** The share of the reps that somebody runs who is to run a part of the session. */
export const PART = 0.6;

/** The number of first reps that make up a part: at least one. */
export const partOf = (reps: number): number => Math.max(1, Math.round(PART * reps));

/** Returns true for a rep that an athlete does not run because the coach has cut today's session for them. */
function isBeyondPart({ careChoice, plannedFor, planned }: AthleteState, group: GroupState, slot: Slot): boolean {
  if (careChoice !== 'part') return false;
  const isTheirs = ({ onlyFor, planIndex }: Slot) =>
    !onlyFor && (plannedFor !== group.id || !planned.targets[planIndex]?.isLeftOut);
  const own = group.slots.filter(isTheirs);
  return own.indexOf(slot) >= partOf(own.length);
}

/** What one athlete is to run in a slot, after all that was decided for them; undefined if they do not run it. */
export function ownRep(
  state: RunState,
  athlete: AthleteState,
  slot: Slot,
): { rep: PlannedRep; target: PlannedTarget } | undefined {
  const group = groupOf(state, athlete.groupId);
  if (!group || athlete.dropped.includes(slot.repIndex)) return undefined;
  if (slot.onlyFor && !slot.onlyFor.includes(athlete.athleteId)) return undefined;
  const open = athlete.open[slot.planIndex];
  if (open?.isOver) return undefined;
  const planIndex = Math.min(slot.planIndex + (open?.stage ?? 0), blockOf(group.plan, slot.planIndex).to);
  const rep = group.plan.reps[planIndex];
  if (!rep) return undefined;
  const planned =
    athlete.plannedFor === group.id
      ? (athlete.planned.targets[planIndex] ?? {})
      : borrowedTarget(state, athlete, group, planIndex);
  if ((planned.isLeftOut || isBeyondPart(athlete, group, slot)) && !slot.onlyFor) return undefined;
  let ownRun = { rep, target: planned };
  for (const { decision } of athlete.decided) {
    const { targetS, recoveryS } = ownRun.target;
    if (decision.kind === 'ease' && targetS !== undefined && rep.distanceM !== undefined)
      ownRun = { ...ownRun, target: { ...ownRun.target, targetS: targetS * (1 + decision.percent / 100) } };
    if (decision.kind === 'recovery' && recoveryS !== undefined)
      ownRun = { ...ownRun, target: { ...ownRun.target, recoveryS: Math.max(0, recoveryS + decision.addS) } };
    if (decision.kind === 'distance' && rep.role === 'main')
      ownRun = cutTo(ownRun.rep, ownRun.target, decision.distanceM);
  }
  return ownRun;
}

/** The open work that a group is in, or comes to next: the slot it repeats. */
export function openSlot({ plan, slots, lastAt }: GroupState): Slot | undefined {
  const isOpen = (slot: Slot | undefined) => slot !== undefined && plan.reps[slot.planIndex]?.open === true;
  return isOpen(slots[lastAt]) ? slots[lastAt] : slots.slice(lastAt + 1).find(isOpen);
}

/** How many shorter distances there are yet for an athlete in open work. */
export function cutDownsLeft(group: GroupState, athlete: AthleteState): number {
  const slot = openSlot(group);
  if (!slot) return 0;
  const { from, to } = blockOf(group.plan, slot.planIndex);
  return to - from - (athlete.open[slot.planIndex]?.stage ?? 0);
}

/** Who of a group would set off in a slot. */
export const runnersOf = (state: RunState, group: GroupState, slot: Slot): AthleteState[] =>
  membersOf(state, group.id).filter((athlete) => isRunning(athlete) && ownRep(state, athlete, slot) !== undefined);

/** The rep that a group's next start is for; undefined when there is none, or nobody to run it. */
export function nextSlot(state: RunState, group: GroupState): Slot | undefined {
  const { plan, slots, lastAt } = group;
  const last = slots[lastAt];
  if (last && plan.reps[last.planIndex]?.open) {
    const again = { repIndex: freshRepIndex(group), planIndex: last.planIndex };
    if (runnersOf(state, group, again).length > 0) return again;
  }
  return slots.find((slot, at) => {
    // A rep that is run on to starts with the finish of the one before, not by a tap.
    const before = slots[at - 1];
    const isRunOnTo = before !== undefined && plan.reps[before.planIndex]?.runsOn === true;
    return at > lastAt && !isRunOnTo && runnersOf(state, group, slot).length > 0;
  });
}

/** A group's progress through its reps, for the coach only; none in open work, where nobody is to know. */
export function countOf(group: GroupState, repIndex: number): { at: number; of: number } | undefined {
  const { plan, slots } = group;
  const at = slots.findIndex((slot) => slot.repIndex === repIndex);
  if (slots.some(({ planIndex }) => plan.reps[planIndex]?.open)) return undefined;
  return { at: (at < 0 ? slots.length : at) + 1, of: slots.filter(({ onlyFor }) => !onlyFor).length };
}
