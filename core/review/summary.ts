import type { Plan } from '../trackside/plan';
import type { RunState } from '../trackside/replay';
import type { Verdict } from '../trackside/verdict';
import { reviewRun } from './review';

/** What a list of results shows of one session at the track. */
export type RunSummary = {
  athletes: number;
  reps: number;
  /** Finished reps of all athletes together. */
  finished: number;
  /** How those with a target came in. */
  verdicts: Record<Verdict, number>;
  startedAtMs?: number;
  endedAtMs?: number;
};

/** Sums a session at the track up for a list. */
export function summarise(plan: Plan, state: RunState): RunSummary {
  const runs = Object.values(state.athletes).flat();
  const verdicts = { early: 0, on: 0, late: 0 };
  for (const { cells } of reviewRun(plan, state).rows)
    for (const { verdict } of cells) if (verdict) verdicts[verdict]++;
  return {
    verdicts,
    athletes: plan.athletes.length,
    reps: plan.reps.length,
    finished: runs.filter((run) => run?.finishedAtMs !== undefined).length,
    ...(state.startedAtMs === undefined ? {} : { startedAtMs: state.startedAtMs }),
    ...(state.endedAtMs === undefined ? {} : { endedAtMs: state.endedAtMs }),
  };
}
