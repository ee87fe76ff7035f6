import { countOf, nextSlot, ownRep } from '@core/run/lineUp';
import { repLabel, type Plan, type PlannedRep } from '@core/run/plan';
import { membersOf, peopledGroups, type AthleteState, type GroupState, type RunState } from '@core/run/runState';
import { dueStarts, startOf, type Due } from '@core/run/starts';
import type { Happening } from '@core/run/events';
import { formatClock } from '@core/units/time';

/** What the strip says is shown: all groups that this phone times, or one group. */
export type Shown = string | 'mine';

/** The groups this phone times: those it was told to, or all. */
export function timedHere(state: RunState, device: string): ReadonlySet<string> {
  const told = state.timers[device];
  return new Set(told && told.length > 0 ? told : state.groups.map(({ id }) => id));
}

/** The groups whose athletes have a tile. */
export const shownIds = (state: RunState, shown: Shown, device: string): ReadonlySet<string> =>
  shown === 'mine' ? timedHere(state, device) : new Set([shown]);

/** What the board's big button is for now. */
export type Step =
  | { kind: 'results' }
  | { kind: 'end'; ready: boolean }
  | { kind: 'start'; text: string; ready: boolean; starts: (Happening & { type: 'started' })[] };

/** What most of those who are to start will run: some may have been cut down to less. */
function repOf(state: RunState, { athleteIds, slot }: Due): PlannedRep | undefined {
  const reps = athleteIds.flatMap((id) => {
    const athlete = state.athletes[id];
    return (athlete && ownRep(state, athlete, slot)?.rep) ?? [];
  });
  // They are the same object for as long as nobody was cut down: counting is quick.
  const counts = new Map<PlannedRep, number>();
  for (const rep of reps) counts.set(rep, (counts.get(rep) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** Sent off, and neither back nor stopped. */
export function isOnTheWay({ runs, stoppedAtMs }: AthleteState, nowMs: number): boolean {
  const last = runs.at(-1);
  return (
    last !== undefined && stoppedAtMs === undefined && (last.finishedAtMs === undefined || last.finishedAtMs > nowMs)
  );
}

const athletesOf = (state: RunState, { athleteIds }: Due): AthleteState[] =>
  athleteIds.flatMap((id) => state.athletes[id] ?? []);

const isAnyoneRunning = (state: RunState, due: Due, nowMs: number): boolean =>
  athletesOf(state, due).some((athlete) => isOnTheWay(athlete, nowMs));

/** When those who are to start set off last; before all else where they have not yet. */
const lastStartMs = (state: RunState, due: Due): number =>
  Math.max(-Infinity, ...athletesOf(state, due).flatMap(({ runs }) => runs.at(-1)?.startedAtMs ?? []));

/**
 * Starts that are taken with one tap: of all groups that last set off together, unless they follow each other. Who stands comes before who
 * runs, then who has not begun, then whose time is up first.
 */
function together(state: RunState, dues: readonly Due[], nowMs: number): Due[] {
  const inTurn = dues.map((due) => ({
    due,
    running: Number(isAnyoneRunning(state, due, nowMs)),
    dueMs: due.atMs ?? (lastStartMs(state, due) === -Infinity ? -Infinity : Infinity),
  }));
  // Two that are as far off as can be are as good as each other.
  const first = inTurn.sort((a, b) => a.running - b.running || a.dueMs - b.dueMs || 0)[0]?.due;
  if (!first) return [];
  const gaps = state.groups.some(({ plan }) => (plan.startGapS ?? 0) > 0);
  if (gaps || state.sending === 'each') return [first];
  const startedMs = lastStartMs(state, first);
  return dues.filter((due) => due.slot.repIndex === first.slot.repIndex && lastStartMs(state, due) === startedMs);
}

/** The first start sets the groups off one after another, by the gaps of the plan. */
function staggered(state: RunState, shown: ReadonlySet<string>): { first: GroupState; says: string } | undefined {
  const gaps = state.groups
    .map((group) => ({ group, gapS: group.plan.startGapS ?? 0 }))
    .sort((a, b) => a.gapS - b.gapS);
  const [first, ...later] = gaps;
  if (
    gaps.some(({ group }) => !shown.has(group.id)) ||
    state.startedAtMs !== undefined ||
    !first ||
    !later.some(({ gapS }) => gapS > first.gapS)
  )
    return undefined;
  const says = later.map(({ group, gapS }) => `${group.name} +${formatClock(gapS - first.gapS)}`).join(', ');
  return { first: first.group, says };
}

/** The next start, as the button says it. */
export function nextStep(plan: Plan, state: RunState, shown: ReadonlySet<string>, nowMs: number): Step {
  if (state.endedAtMs !== undefined) return { kind: 'results' };
  const all = dueStarts(state);
  const dues = all.filter(({ groupId }) => shown.has(groupId));
  const isRunning = Object.values(state.athletes).some((athlete) => isOnTheWay(athlete, nowMs));
  const chain = staggered(state, shown);
  const chosen = chain ? dues.filter(({ groupId }) => groupId === chain.first.id) : together(state, dues, nowMs);
  const [first] = chosen;
  if (!first) return { kind: 'end', ready: !isRunning && all.length === 0 };
  const rep = repOf(state, first);
  const label = rep ? repLabel(rep) : '';
  const isFirst = chosen.every(
    ({ groupId }) => state.groups.find(({ id }) => id === groupId)?.startedAtMs === undefined,
  );
  const starts = chosen.map((due) => ({ ...startOf(plan, due), ...(chain ? { staggers: true as const } : {}) }));
  // Groups at the same rep are one start.
  const same = starts.every(
    ({ repIndex, planIndex }) => repIndex === starts[0]?.repIndex && planIndex === starts[0]?.planIndex,
  );
  const [head] = starts;
  const merged = same && head ? [{ ...head, athleteIds: starts.flatMap(({ athleteIds }) => athleteIds) }] : starts;
  // With one tap they go when the last has recovered; by themselves when the first has.
  const dueMs = chosen.flatMap(({ atMs }) => atMs ?? []);
  const atMs = state.sending === 'tap' ? Math.max(...dueMs) : Math.min(...dueMs);
  const leftS = dueMs.length === 0 ? undefined : Math.ceil((atMs - nowMs) / 1000);
  const wait = leftS !== undefined && leftS > 0 ? ` in ${formatClock(leftS)}` : '';
  const group = state.groups.find(({ id }) => id === first.groupId);
  const only =
    first.athleteIds.length === 1 && first.athleteIds[0] !== undefined
      ? state.athletes[first.athleteIds[0]]
      : undefined;
  const names = state.groups.filter(({ id }) => chosen.some(({ groupId }) => groupId === id)).map(({ name }) => name);
  const isSome = chosen.length < peopledGroups(state, shown).length || (shown.size === 1 && state.groups.length > 1);
  const named = names.length > 1 ? `${names.length} groups` : names.join();
  const who = state.sending === 'each' && only ? ` ${only.tileName}` : isSome ? ` ${named}` : '';
  const isOpen = rep?.open === true;
  const number = group && countOf(group, first.slot.repIndex)?.at;
  // Who is still running is not to be started again: the button only says what comes next, and is not the main thing to do.
  const isStillOut = chosen.some((due) => isAnyoneRunning(state, due, nowMs));
  const text = isStillOut
    ? `Next${who || (isOpen ? '' : ` rep ${number ?? first.slot.repIndex + 1}`)}: ${label}${wait}`
    : isFirst
      ? `Start${who}: ${label}${chain ? `, ${chain.says}` : ''}${wait}`
      : `Start${who || (isOpen ? '' : ` rep ${number ?? first.slot.repIndex + 1}`)}${isOpen || who ? `: ${label}` : ''}${wait}`;
  // What the clock starts by itself is not held out to the thumb before.
  const isAhead = leftS !== undefined && leftS > 0 && chosen.every(({ byItself }) => byItself);
  const ready = !isAhead && !isStillOut;
  return { kind: 'start', text, ready, starts: merged };
}

/** `2 of 12: 400 @5k`: where the groups shown are, if they are all at one place. */
export function whereText(state: RunState, shown: ReadonlySet<string>): string | undefined {
  const texts = peopledGroups(state, shown).map((group) => {
    const slot = group.slots[group.lastAt];
    if (!slot) return undefined;
    const members = membersOf(state, group.id);
    const run = members.flatMap(({ runs }) => runs.filter(({ repIndex }) => repIndex === slot.repIndex))[0];
    const rep = run?.rep ?? group.plan.reps[slot.planIndex];
    const count = countOf(group, slot.repIndex);
    return rep && `${count ? `${count.at} of ${count.of}: ` : ''}${repLabel(rep)}`;
  });
  const [first] = texts;
  return texts.every((text) => text === first) ? first : undefined;
}

/** One group in a few words, for the strip: what it is about to do. */
export function groupWords(state: RunState, group: GroupState, nowMs: number): { says: string; due: boolean } {
  const members = membersOf(state, group.id);
  const onRun = members.filter((athlete) => isOnTheWay(athlete, nowMs));
  const [first] = onRun.map(({ runs }) => runs.at(-1)?.startedAtMs ?? nowMs).sort((a, b) => a - b);
  if (first !== undefined && state.endedAtMs === undefined)
    return { says: formatClock(Math.max(0, Math.floor((nowMs - first) / 1000))), due: false };
  const dues = dueStarts(state).filter(({ groupId }) => groupId === group.id);
  if (dues.length === 0) return { says: group.startedAtMs === undefined ? '–' : 'done', due: false };
  const at = dues.flatMap(({ atMs }) => atMs ?? []).sort((a, b) => a - b)[0];
  if (at === undefined) return { says: nextSlot(state, group) ? 'ready' : 'done', due: false };
  const leftS = Math.ceil((at - nowMs) / 1000);
  return leftS > 0 ? { says: `−${formatClock(leftS)}`, due: false } : { says: 'go', due: true };
}
