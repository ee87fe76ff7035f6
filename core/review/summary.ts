import type { RunState } from '../trackside/runState';
import type { Verdict } from '../trackside/verdict';
import { reviewRun } from './review';

/** What a list of results shows of one session at the track. */
export type RunSummary = {
  athletes: number;
  /** Reps that all athletes together were to run, as it turned out. */
  planned: number;
  /** Finished reps of all athletes together. */
  finished: number;
  /** How those with a target came in. */
  verdicts: Record<Verdict, number>;
  startedAtMs?: number;
  endedAtMs?: number;
};

/** Sums a session at the track up for a list. */
export function summarise(state: RunState): RunSummary {
  const rows = reviewRun(state).flatMap((review) => review.rows);
  const cells = rows.flatMap((row) => row.cells);
  const verdicts = { early: 0, on: 0, late: 0 };
  for (const { verdict } of cells) if (verdict) verdicts[verdict]++;
  return {
    verdicts,
    athletes: new Set(rows.map(({ athleteId }) => athleteId)).size,
    planned: cells.filter(({ leftOut }) => !leftOut).length,
    finished: Object.values(state.athletes).reduce(
      (sum, { runs }) => sum + runs.filter(({ finishedAtMs }) => finishedAtMs !== undefined).length,
      0,
    ),
    ...(state.startedAtMs === undefined ? {} : { startedAtMs: state.startedAtMs }),
    ...(state.endedAtMs === undefined ? {} : { endedAtMs: state.endedAtMs }),
  };
}
