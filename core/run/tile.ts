import { nextSlot, ownRep } from './lineUp';
import type { PlannedRep, PlannedTarget } from './plan';
import { groupOf, type AthleteState, type RepRun, type RunState } from './runState';
import { recoveredAtMs } from './starts';
import { usualTimeS } from './usual';
import { verdictOn, type Verdict } from './verdict';

/** A time taken and how it compares: `deltaS` is run time less the target so far, in seconds. */
export type JudgedMark = { atM: number; elapsedS: number; deltaS?: number; verdict?: Verdict };

/** What one athlete's tile has to say at a moment. */
export type Tile =
  /** Before the first rep, or not sent off with the others. */
  | { phase: 'ready'; targetS?: number; isLate?: true }
  /** On the way to `nextM`, due after `expectedS` seconds; `share` of the way there goes from 0 to 1. */
  | {
      phase: 'running';
      run: RepRun;
      elapsedS: number;
      nextM?: number;
      expectedS?: number;
      share: number;
      last?: JudgedMark;
    }
  /** Finished; the recovery has `leftS` to run (below 0 when it is over), or is not by the clock. */
  | { phase: 'recovering'; run: RepRun; result: JudgedMark; leftS?: number; share: number }
  /** The last rep is run, or they have stopped, or the session has ended. */
  | { phase: 'done'; run?: RepRun; result?: JudgedMark; isStopped?: true };

/** Seconds in which the athlete should reach `atM` at an even effort, or undefined by effort. */
export function expectedAt(rep: PlannedRep, targetS: number | undefined, atM: number): number | undefined {
  return targetS === undefined || rep.distanceM === undefined ? undefined : (targetS * atM) / rep.distanceM;
}

/** Nobody passes two marks within this time: a second tap on the same athlete is a bounce. */
const BOUNCE_S = 2;

/** True if a tap `elapsedS` seconds after the start can be a time of its own, not the last one tapped twice. */
export function isOwnTap(run: RepRun, elapsedS: number): boolean {
  const last = run.passes.at(-1);
  return last === undefined || Math.abs(elapsedS - last.elapsedS) >= BOUNCE_S;
}

/** Returns the marks of a rep at which this session takes times. */
export const marksOf = ({ finishesOnly }: Pick<RunState, 'finishesOnly'>, { callM }: PlannedRep): readonly number[] =>
  finishesOnly ? callM.slice(-1) : callM;

/**
 * The mark that a tap now is taken for: the next not yet taken; but when the athlete must be nearer to a later one (a tap was missed, or
 * nobody takes that one), that one. Without a target the usual time decides, by the pace each mark would mean.
 * @param elapsedS seconds since the athlete's start.
 */
export function nextMark(state: RunState, athlete: AthleteState, run: RepRun, elapsedS: number): number | undefined {
  const { rep, target, passes } = run;
  const lastM = passes.at(-1)?.atM ?? 0;
  if (rep.everyM !== undefined) return lastM + rep.everyM;
  const usualS = usualTimeS(state, athlete, run);
  let nextM: number | undefined;
  for (const atM of marksOf(state, rep)) {
    if (atM <= lastM) continue;
    if (nextM !== undefined) {
      const here = expectedAt(rep, usualS, nextM);
      const there = expectedAt(rep, usualS, atM);
      if (here === undefined || there === undefined) return nextM;
      const betweenS = target.targetS === undefined ? Math.sqrt(here * there) : (here + there) / 2;
      if (elapsedS < betweenS) return nextM;
    }
    nextM = atM;
  }
  return nextM;
}

/** Of a band: by how much over its edge; nothing inside it. */
function overEdgeS(offS: number, expectedS: number, tolerance = 0): number {
  const reachS = tolerance * expectedS;
  return Math.sign(offS) * Math.max(0, Math.abs(offS) - reachS);
}

/** A taken time against the target so far; against the nearer edge of a band. */
export function judge(rep: PlannedRep, target: PlannedTarget | undefined, atM: number, elapsedS: number): JudgedMark {
  const expectedS = expectedAt(rep, target?.targetS, atM);
  if (expectedS === undefined) return { atM, elapsedS };
  const offS = elapsedS - expectedS;
  const verdict = verdictOn(offS, expectedS, target?.tolerance);
  return { atM, elapsedS, deltaS: target?.isBand ? overEdgeS(offS, expectedS, target.tolerance) : offS, verdict };
}

const bounded = (share: number) => Math.min(1, Math.max(0, share));

const currentRun = (runs: readonly RepRun[], nowMs: number): RepRun | undefined =>
  runs.findLast((run) => run.startedAtMs <= nowMs) ?? runs[0];

function readyTile(state: RunState, athlete: AthleteState): Tile {
  const group = groupOf(state, athlete.groupId);
  const slot = group && (nextSlot(state, group) ?? group.slots[0]);
  const targetS = slot && ownRep(state, athlete, slot)?.target.targetS;
  const isLate = athlete.presence === 'late' ? { isLate: true as const } : {};
  return { phase: 'ready', ...isLate, ...(targetS === undefined ? {} : { targetS }) };
}

function runningTile(
  state: RunState,
  athlete: AthleteState,
  run: RepRun,
  nowMs: number,
  last: JudgedMark | undefined,
): Tile {
  const { rep, target } = run;
  const elapsedS = (nowMs - run.startedAtMs) / 1000;
  const nextM = nextMark(state, athlete, run, elapsedS);
  const expectedS = rep.durationS ?? (nextM === undefined ? undefined : expectedAt(rep, target.targetS, nextM));
  const sinceS = rep.durationS === undefined ? (run.passes.at(-1)?.elapsedS ?? 0) : 0;
  return {
    phase: 'running',
    run,
    elapsedS,
    share: expectedS === undefined ? 0 : bounded((elapsedS - sinceS) / Math.max(1, expectedS - sinceS)),
    ...(nextM === undefined ? {} : { nextM }),
    ...(expectedS === undefined ? {} : { expectedS }),
    ...(last ? { last } : {}),
  };
}

/** True if there is no more for the athlete to run, as things stand. */
function isThrough(state: RunState, athlete: AthleteState, run: RepRun): boolean {
  const group = groupOf(state, athlete.groupId);
  if (!group) return true;
  const at = group.slots.findIndex(({ repIndex }) => repIndex === run.repIndex);
  const planIndex = group.slots[at]?.planIndex ?? -1;
  // Open work goes on until it is ended.
  if (group.plan.reps[planIndex]?.open && !athlete.open[planIndex]?.isOver) return false;
  return !group.slots.some((slot, i) => i > at && ownRep(state, athlete, slot) !== undefined);
}

/** What the athlete's tile says at `nowMs` (milliseconds since 1970). */
export function tileFor(state: RunState, athleteId: string, nowMs: number): Tile {
  const athlete = state.athletes[athleteId];
  if (!athlete) return { phase: 'done' };
  const run = currentRun(athlete.runs, nowMs);
  const stopped = athlete.stoppedAtMs === undefined ? {} : { isStopped: true as const };
  if (!run) return athlete.stoppedAtMs === undefined ? readyTile(state, athlete) : { phase: 'done', ...stopped };
  const { rep, target } = run;
  const taken = run.passes.at(-1);
  const last = taken && judge(rep, target, taken.atM, taken.elapsedS);
  const isOver = state.endedAtMs !== undefined || athlete.stoppedAtMs !== undefined;

  // A rep by the clock ends at a time known before; a finish that was taken has happened, however far behind `nowMs` is.
  if (run.finishedAtMs === undefined || (rep.durationS !== undefined && run.finishedAtMs > nowMs)) {
    if (isOver) return { phase: 'done', run, ...stopped, ...(last ? { result: last } : {}) };
    return runningTile(state, athlete, run, nowMs, last);
  }
  const ranS = (run.finishedAtMs - run.startedAtMs) / 1000;
  const result = (rep.durationS === undefined ? last : undefined) ?? { atM: rep.distanceM ?? 0, elapsedS: ranS };
  if (isOver || isThrough(state, athlete, run)) return { phase: 'done', run, result, ...stopped };
  const recoveredMs = recoveredAtMs(run);
  const wholeMs = recoveredMs === undefined ? 0 : recoveredMs - run.finishedAtMs;
  const restedMs = Math.max(0, nowMs - run.finishedAtMs);
  return {
    phase: 'recovering',
    run,
    result,
    share: recoveredMs === undefined ? 0 : bounded(restedMs / Math.max(1000, wholeMs)),
    ...(recoveredMs === undefined ? {} : { leftS: (wholeMs - restedMs) / 1000 }),
  };
}
