import { counted } from '@core/units/counted';
import { countOf, ownRep } from '@core/run/lineUp';
import { type Plan, type PlannedRep } from '@core/run/plan';
import { peopledGroups, type AthleteState, type GroupState, type RunState } from '@core/run/runState';
import { dueStarts, startOf, type Due } from '@core/run/starts';
import type { Happening } from '@core/run/events';
import { formatClock } from '@core/units/time';

/** What the strip says is shown: all groups that this phone times, or one group. */
export type Shown = string;

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
  | { kind: 'start'; facts: StartFacts; ready: boolean; starts: (Happening & { type: 'started' })[] };

/** What there is to say of the next start. `who` names them where it is not everybody; `chainText` the groups that follow by themselves. */
export type StartFacts = {
  rep: PlannedRep | undefined;
  repNumber: number;
  who: string | undefined;
  isFirst: boolean;
  /** Some of them are still running the rep before. */
  isStillOut: boolean;
  chainText?: string;
  /** Seconds until it is due; below 0 when it is overdue. */
  leftS?: number;
};

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
 * Starts taken with one tap: of all groups that last set off together, unless they follow each other. Standing groups come before running
 * ones, then those who have not begun, then the one due first.
 */
function together(state: RunState, dues: readonly Due[], nowMs: number): Due[] {
  const inTurn = dues.map((due) => ({
    due,
    running: Number(isAnyoneRunning(state, due, nowMs)),
    dueMs: due.atMs ?? (lastStartMs(state, due) === -Infinity ? -Infinity : Infinity),
  }));
  // Two that are equally far off rank the same.
  const first = inTurn.sort((a, b) => a.running - b.running || a.dueMs - b.dueMs || 0)[0]?.due;
  if (!first) return [];
  const gaps = state.groups.some(({ plan }) => (plan.startGapS ?? 0) > 0);
  if (gaps || state.startMode === 'each') return [first];
  const startedMs = lastStartMs(state, first);
  return dues.filter((due) => due.slot.repIndex === first.slot.repIndex && lastStartMs(state, due) === startedMs);
}

/** The first start sets the groups off one after another, by the gaps of the plan. */
function staggered(state: RunState, shown: ReadonlySet<string>): { first: GroupState; text: string } | undefined {
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
  const text = later.map(({ group, gapS }) => `${group.name} +${formatClock(gapS - first.gapS)}`).join(', ');
  return { first: first.group, text };
}

/** What the big button does next. */
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
  const isFirst = chosen.every(
    ({ groupId }) => state.groups.find(({ id }) => id === groupId)?.startedAtMs === undefined,
  );
  const starts = chosen.map((due) => ({ ...startOf(plan, due), ...(chain ? { staggers: true as const } : {}) }));
  // Groups at the same rep are one start.
  const [head] = starts;
  const same = starts.every(({ repIndex, planIndex }) => repIndex === head?.repIndex && planIndex === head.planIndex);
  const merged = same && head ? [{ ...head, athleteIds: starts.flatMap(({ athleteIds }) => athleteIds) }] : starts;
  // With one tap they go when the last has recovered; by themselves when the first has.
  const dueMs = chosen.flatMap(({ atMs }) => atMs ?? []);
  const atMs = state.startMode === 'tap' ? Math.max(...dueMs) : Math.min(...dueMs);
  const leftS = dueMs.length === 0 ? undefined : Math.ceil((atMs - nowMs) / 1000);
  const group = state.groups.find(({ id }) => id === first.groupId);
  const only =
    first.athleteIds.length === 1 && first.athleteIds[0] !== undefined
      ? state.athletes[first.athleteIds[0]]
      : undefined;
  const names = state.groups.filter(({ id }) => chosen.some(({ groupId }) => groupId === id)).map(({ name }) => name);
  const isSome = chosen.length < peopledGroups(state, shown).length || (shown.size === 1 && state.groups.length > 1);
  const named = names.length > 1 ? counted(names.length, 'group') : names.join();
  const who = state.startMode === 'each' && only ? only.tileName : isSome ? named : undefined;
  const number = group && countOf(group, first.slot.repIndex)?.at;
  // Running athletes are not to be started again: the button only says what comes next, and is not the main one.
  const isStillOut = chosen.some((due) => isAnyoneRunning(state, due, nowMs));
  const facts: StartFacts = {
    rep,
    repNumber: number ?? first.slot.repIndex + 1,
    who,
    isFirst,
    isStillOut,
    ...(chain ? { chainText: chain.text } : {}),
    ...(leftS === undefined ? {} : { leftS }),
  };
  // A start the clock gives by itself is not offered to the thumb before.
  const isAhead = leftS !== undefined && leftS > 0 && chosen.every(({ byItself }) => byItself);
  const ready = !isAhead && !isStillOut;
  return { kind: 'start', facts, ready, starts: merged };
}
