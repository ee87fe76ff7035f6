import type { Plan } from '../trackside/plan';
import type { RunState } from '../trackside/replay';
import { judge, type Judged } from '../trackside/tile';
import type { Verdict } from '../trackside/verdict';

/** One rep of one athlete as it was run. */
export type ReviewCell = {
  repIndex: number;
  targetS?: number;
  actualS?: number;
  deltaS?: number;
  verdict?: Verdict;
  /** Times at the marks on the way, the finish last. */
  passes: Judged[];
  /** Started, but no finish was taken. */
  unfinished?: true;
};

/** One athlete's row. Times in seconds; mean and spread over the finished reps, per 400 m where their distances differ. */
export type ReviewRow = {
  athleteId: string;
  name: string;
  cells: ReviewCell[];
  finished: number;
  meanS?: number;
  /** How far the reps were from their targets on average: below 0 is early. */
  meanDeltaS?: number;
  /** Standard deviation of the reps about their mean (about their targets, where there are targets). */
  spreadS?: number;
};

export type Review = {
  rows: ReviewRow[];
  /** What means are over: a rep, or 400 m where the reps differ in distance. */ meanOver: 'rep' | '400';
};

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

/** Sample standard deviation; undefined for fewer than two values. */
function deviation(values: readonly number[]): number | undefined {
  if (values.length < 2) return undefined;
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / (values.length - 1));
}

function cellOf(plan: Plan, state: RunState, athleteIndex: number, repIndex: number): ReviewCell {
  const athlete = plan.athletes[athleteIndex];
  const rep = plan.reps[repIndex];
  const run = athlete && state.athletes[athlete.athleteId]?.[repIndex];
  const target = rep?.distanceM === undefined ? undefined : athlete?.targets[repIndex];
  const targetS = target?.targetS;
  const cell: ReviewCell = { repIndex, passes: [], ...(targetS === undefined ? {} : { targetS }) };
  if (!run || !rep) return cell;
  cell.passes = run.passes.map((pass) => judge(rep, target, pass.atM, pass.elapsedS));
  const finish = cell.passes.find((pass) => pass.atM === rep.callM.at(-1));
  if (finish) {
    cell.actualS = finish.elapsedS;
    if (finish.deltaS !== undefined) cell.deltaS = finish.deltaS;
    if (finish.verdict) cell.verdict = finish.verdict;
  } else if (rep.durationS !== undefined) {
    cell.actualS = rep.durationS;
  } else {
    cell.unfinished = true;
  }
  return cell;
}

function rowOf(plan: Plan, state: RunState, index: number, meanOver: Review['meanOver']): ReviewRow[] {
  const athlete = plan.athletes[index];
  if (!athlete) return [];
  const cells = plan.reps.map((_, repIndex) => cellOf(plan, state, index, repIndex));
  const timed = cells.flatMap((cell) => {
    const distanceM = plan.reps[cell.repIndex]?.distanceM;
    if (cell.actualS === undefined || distanceM === undefined) return [];
    const scale = meanOver === 'rep' ? 1 : 400 / distanceM;
    return [{ timeS: cell.actualS * scale, deltaS: cell.deltaS === undefined ? undefined : cell.deltaS * scale }];
  });
  const deltas = timed.flatMap(({ deltaS }) => (deltaS === undefined ? [] : [deltaS]));
  const spreadS = deviation(deltas.length === timed.length ? deltas : timed.map(({ timeS }) => timeS));
  const row: ReviewRow = { athleteId: athlete.athleteId, name: athlete.name, cells, finished: timed.length };
  if (timed.length > 0) row.meanS = mean(timed.map(({ timeS }) => timeS));
  if (deltas.length > 0) row.meanDeltaS = mean(deltas);
  if (spreadS !== undefined) row.spreadS = spreadS;
  return [row];
}

/** Reads a session that was run: athletes × reps with actual, target, early or late, and each athlete's mean and spread. */
export function reviewRun(plan: Plan, state: RunState): Review {
  const distances = new Set(plan.reps.flatMap((rep) => (rep.distanceM === undefined ? [] : [rep.distanceM])));
  const meanOver = distances.size > 1 ? '400' : 'rep';
  return { meanOver, rows: plan.athletes.flatMap((_, index) => rowOf(plan, state, index, meanOver)) };
}
