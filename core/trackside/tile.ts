import type { Plan, PlannedRep, PlannedTarget } from './plan';
import type { RepRun, RunState } from './replay';
import { verdictOn, type Verdict } from './verdict';

/** A time taken and how it compares: `deltaS` is run time less the target so far, in seconds. */
export type Judged = { atM: number; elapsedS: number; deltaS?: number; verdict?: Verdict };

/** What one athlete's tile has to say at a moment. */
export type Tile =
  /** Before the first rep, or not sent off with the others. */
  | { phase: 'ready'; targetS?: number }
  /** On the way to `nextM`, due after `expectedS` seconds; `share` of the way there goes from 0 to 1. */
  | {
      phase: 'running';
      repIndex: number;
      elapsedS: number;
      nextM?: number;
      expectedS?: number;
      share: number;
      last?: Judged;
    }
  /** Finished; the recovery has `leftS` to run (below 0 when it is over), or is not by the clock. */
  | { phase: 'recovering'; repIndex: number; result: Judged; leftS?: number; share: number }
  /** The last rep is run, or the session has ended. */
  | { phase: 'done'; repIndex: number; result?: Judged };

/** Seconds in which the athlete should reach `atM` at an even effort, or undefined by effort. */
export function expectedAt(rep: PlannedRep, targetS: number | undefined, atM: number): number | undefined {
  return targetS === undefined || rep.distanceM === undefined ? undefined : (targetS * atM) / rep.distanceM;
}

/** Nobody passes two marks within this: a second tap on the same athlete is a cold thumb's bounce. */
const BOUNCE_S = 2;

/** True if a tap `elapsedS` seconds after the start can be a time of its own, not the last one tapped twice. */
export function isOwnTap(run: RepRun, elapsedS: number): boolean {
  const last = run.passes.at(-1);
  return last === undefined || Math.abs(elapsedS - last.elapsedS) >= BOUNCE_S;
}

/**
 * The mark that a tap now is taken for: the next not yet taken; but when the athlete must be nearer to a later one (a tap
 * was missed), that one. `elapsedS` is seconds since the athlete's start.
 */
export function nextMark(
  rep: PlannedRep,
  run: RepRun,
  targetS: number | undefined,
  elapsedS: number,
): number | undefined {
  const lastM = run.passes.at(-1)?.atM ?? 0;
  const open = rep.callM.filter((atM) => atM > lastM);
  const passed = open.findIndex((atM, i) => {
    const here = expectedAt(rep, targetS, atM);
    const next = open[i + 1];
    const there = next === undefined ? undefined : expectedAt(rep, targetS, next);
    return here === undefined || there === undefined || elapsedS < (here + there) / 2;
  });
  return open[Math.max(0, passed)];
}

/** A taken time against the target so far. */
export function judge(rep: PlannedRep, target: PlannedTarget | undefined, atM: number, elapsedS: number): Judged {
  const expectedS = expectedAt(rep, target?.targetS, atM);
  if (expectedS === undefined) return { atM, elapsedS };
  const deltaS = elapsedS - expectedS;
  return { atM, elapsedS, deltaS, verdict: verdictOn(deltaS, expectedS, target?.tolerance) };
}

const bounded = (share: number) => Math.min(1, Math.max(0, share));

function currentRun(runs: readonly (RepRun | undefined)[], nowMs: number): RepRun | undefined {
  return runs.findLast((run) => run !== undefined && run.startedAtMs <= nowMs) ?? runs.find((run) => run !== undefined);
}

/** What the athlete's tile says at `nowMs` (milliseconds since 1970). */
export function tileFor(plan: Plan, state: RunState, athleteId: string, nowMs: number): Tile {
  const athlete = plan.athletes.find((candidate) => candidate.athleteId === athleteId);
  const run = currentRun(state.athletes[athleteId] ?? [], nowMs);
  const rep = run && plan.reps[run.repIndex];
  if (!athlete || !run || !rep) {
    const targetS = athlete?.targets[0]?.targetS;
    return targetS === undefined ? { phase: 'ready' } : { phase: 'ready', targetS };
  }
  const { repIndex } = run;
  const target = athlete.targets[repIndex];
  const { targetS, recoveryS } = target ?? {};
  const taken = run.passes.at(-1);
  const last = taken && judge(rep, target, taken.atM, taken.elapsedS);
  const elapsedS = (nowMs - run.startedAtMs) / 1000;

  // A rep by the clock ends at a time known before; a finish that was taken has happened, however far behind `nowMs` is.
  if (run.finishedAtMs === undefined || (rep.durationS !== undefined && run.finishedAtMs > nowMs)) {
    if (state.endedAtMs !== undefined) return { phase: 'done', repIndex, ...(last ? { result: last } : {}) };
    const nextM = nextMark(rep, run, targetS, elapsedS);
    const expectedS = rep.durationS ?? (nextM === undefined ? undefined : expectedAt(rep, targetS, nextM));
    const sinceS = taken?.elapsedS ?? 0;
    return {
      phase: 'running',
      repIndex,
      elapsedS,
      share: expectedS === undefined ? 0 : bounded((elapsedS - sinceS) / Math.max(1, expectedS - sinceS)),
      ...(nextM === undefined ? {} : { nextM }),
      ...(expectedS === undefined ? {} : { expectedS }),
      ...(last ? { last } : {}),
    };
  }

  const ranS = (run.finishedAtMs - run.startedAtMs) / 1000;
  const result = last ?? { atM: rep.distanceM ?? 0, elapsedS: ranS };
  if (repIndex === plan.reps.length - 1 || state.endedAtMs !== undefined) return { phase: 'done', repIndex, result };
  const restedS = Math.max(0, nowMs - run.finishedAtMs) / 1000;
  return {
    phase: 'recovering',
    repIndex,
    result,
    share: recoveryS === undefined ? 0 : bounded(restedS / Math.max(1, recoveryS)),
    ...(recoveryS === undefined ? {} : { leftS: recoveryS - restedS }),
  };
}
