import type { RunState } from '../run/runState';
import type { Verdict } from '../run/verdict';

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
  /** Minutes from the warm-up to the cool-down, the mean of those who were there. */
  minutes?: number;
};

/** What is counted of an athlete's part. */
type Counted = {
  isThere?: boolean | undefined;
  planned: number;
  finished: number;
  early: number;
  on: number;
  late: number;
  minutes?: number | null | undefined;
};

/** Sums the parts of all athletes up for a list. */
export function summaryOf(
  athletes: Iterable<Counted>,
  { startedAtMs, endedAtMs }: Pick<RunState, 'startedAtMs' | 'endedAtMs'>,
): RunSummary {
  const summary: RunSummary = { athletes: 0, planned: 0, finished: 0, verdicts: { early: 0, on: 0, late: 0 } };
  let [sum, timed] = [0, 0];
  for (const { isThere, planned, finished, early, on, late, minutes } of athletes) {
    if (isThere) summary.athletes++;
    if (isThere && typeof minutes === 'number') {
      sum += minutes;
      timed += 1;
    }
    summary.planned += planned;
    summary.finished += finished;
    summary.verdicts.early += early;
    summary.verdicts.on += on;
    summary.verdicts.late += late;
  }
  return {
    ...summary,
    ...(startedAtMs === undefined ? {} : { startedAtMs }),
    ...(endedAtMs === undefined ? {} : { endedAtMs }),
    ...(timed === 0 ? {} : { minutes: Math.round((sum / timed) * 10) / 10 }),
  };
}
