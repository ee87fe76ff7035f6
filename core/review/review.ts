import { ownRep } from '../trackside/lineUp';
import { repLabel, type PlannedRep } from '../trackside/plan';
import type { AthleteState, GroupState, RepRun, RunState, Slot } from '../trackside/runState';
import { judge, type Judged } from '../trackside/tile';
import type { Verdict } from '../trackside/verdict';

/** One rep of one athlete as it was run. */
export type ReviewCell = {
  repIndex: number;
  targetS?: number;
  actualS?: number;
  /** Of a rep by the clock that was ended before its time: how long it was to be. */
  plannedS?: number;
  deltaS?: number;
  verdict?: Verdict;
  /** Times at the marks on the way, the finish last. */
  passes: Judged[];
  /** What it was in fact, where it was started: it may have been cut on the way. */
  rep?: PlannedRep;
  /** Started, but no finish was taken. */
  unfinished?: true;
  /** Not for this athlete, or dropped on the way. */
  leftOut?: true;
  effort?: number;
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

/** Faster for a while, in work without structure. */
export type Surge = { fromS: number; lengthS: number };

/** A rep of a group, as a column. */
export type ReviewColumn = { repIndex: number; rep: PlannedRep };

/** What one group ran. */
export type Review = {
  groupId: string;
  name: string;
  columns: ReviewColumn[];
  rows: ReviewRow[];
  /** In work without structure: when each surge was, in seconds from the group's start, and how long. */
  surges: Surge[];
  /** What means are over: a rep, or 400 m where the reps differ in distance. */ meanOver: 'rep' | '400';
};

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

/** Sample standard deviation; undefined for fewer than two values. */
function deviation(values: readonly number[]): number | undefined {
  if (values.length < 2) return undefined;
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / (values.length - 1));
}

/** How long a rep by the clock really was. */
function ranByTheClock({ startedAtMs, finishedAtMs }: RepRun, plannedS: number) {
  const actualS = finishedAtMs === undefined ? plannedS : (finishedAtMs - startedAtMs) / 1000;
  return actualS < plannedS - 0.05 ? { actualS, plannedS } : { actualS: plannedS };
}

function cellOf(state: RunState, athlete: AthleteState, slot: Slot, run: RepRun | undefined): ReviewCell {
  const { repIndex } = slot;
  if (!run) {
    const own = ownRep(state, athlete, slot);
    const { targetS } = own?.rep.distanceM === undefined ? {} : own.target;
    return {
      repIndex,
      passes: [],
      ...(own ? {} : { leftOut: true as const }),
      ...(targetS === undefined ? {} : { targetS }),
    };
  }
  const { rep, target, effort } = run;
  const judged = run.passes.map((pass) =>
    judge(rep, rep.distanceM === undefined ? undefined : target, pass.atM, pass.elapsedS),
  );
  const finish = judged.find((pass) => pass.atM === rep.callM.at(-1));
  return {
    repIndex,
    rep,
    passes: judged,
    ...(rep.distanceM === undefined || target.targetS === undefined ? {} : { targetS: target.targetS }),
    ...(effort === undefined ? {} : { effort }),
    ...(finish
      ? {
          actualS: finish.elapsedS,
          ...(finish.deltaS === undefined ? {} : { deltaS: finish.deltaS }),
          ...(finish.verdict ? { verdict: finish.verdict } : {}),
        }
      : rep.durationS === undefined
        ? { unfinished: true as const }
        : ranByTheClock(run, rep.durationS)),
  };
}

function rowOf(state: RunState, group: GroupState, athlete: AthleteState, meanOver: Review['meanOver']): ReviewRow {
  const runs = athlete.runs.filter(({ groupId }) => groupId === group.id);
  const cells = group.slots.map((slot) =>
    cellOf(
      state,
      athlete,
      slot,
      runs.find(({ repIndex }) => repIndex === slot.repIndex),
    ),
  );
  const timed = cells.flatMap(({ actualS, deltaS, rep }) => {
    if (actualS === undefined || rep?.distanceM === undefined) return [];
    const scale = meanOver === 'rep' ? 1 : 400 / rep.distanceM;
    return [{ timeS: actualS * scale, deltaS: deltaS === undefined ? undefined : deltaS * scale }];
  });
  const deltas = timed.flatMap(({ deltaS }) => (deltaS === undefined ? [] : [deltaS]));
  const spreadS = deviation(deltas.length === timed.length ? deltas : timed.map(({ timeS }) => timeS));
  const row: ReviewRow = { athleteId: athlete.athleteId, name: athlete.name, cells, finished: timed.length };
  if (timed.length > 0) row.meanS = mean(timed.map(({ timeS }) => timeS));
  if (deltas.length > 0) row.meanDeltaS = mean(deltas);
  if (spreadS !== undefined) row.spreadS = spreadS;
  return row;
}

/** The surges of a group as they were tapped; one still on when the session ended was on until then. */
function surgesOf({ endedAtMs }: RunState, { surges, startedAtMs }: GroupState): Surge[] {
  return surges.flatMap(({ isOn, atMs }, i): Surge[] => {
    const untilMs = surges.slice(i + 1).find((later) => !later.isOn)?.atMs ?? endedAtMs;
    const isNew = isOn && surges[i - 1]?.isOn !== true;
    if (!isNew || startedAtMs === undefined || untilMs === undefined) return [];
    return [{ fromS: (atMs - startedAtMs) / 1000, lengthS: (untilMs - atMs) / 1000 }];
  });
}

/** Who is read with a group: its members who came, and those who have run with it and then with another. */
const readWith = (state: RunState, { id }: GroupState): AthleteState[] =>
  Object.values(state.athletes).filter(({ groupId, presence, runs }) => {
    if (runs.length === 0) return groupId === id && presence !== 'absent';
    return runs.some((run) => run.groupId === id);
  });

/** Groups that ran the same reps are read together. */
function merged(reviews: readonly Review[]): Review[] {
  const byReps = new Map<string, Review>();
  for (const review of reviews) {
    const reps = review.columns.map(({ repIndex, rep }) => `${repIndex} ${rep.role} ${repLabel(rep)}`).join(';');
    // Surges are each group's own.
    const key = review.surges.length > 0 ? `${reps} of ${review.groupId}` : reps;
    const before = byReps.get(key);
    byReps.set(
      key,
      before
        ? {
            ...before,
            groupId: `${before.groupId} ${review.groupId}`,
            name: `${before.name}, ${review.name}`,
            rows: [...before.rows, ...review.rows],
          }
        : review,
    );
  }
  return [...byReps.values()];
}

/** Reads a session that was run, by what was run together: athletes × reps with actual, target, early or late, and each athlete's mean and spread. */
export function reviewRun(state: RunState): Review[] {
  const reviews = state.groups.flatMap((group): Review[] => {
    const athletes = readWith(state, group);
    if (athletes.length === 0) return [];
    const runs = athletes.flatMap(({ runs: all }) => all.filter(({ groupId }) => groupId === group.id));
    const columns = group.slots.flatMap(({ repIndex, planIndex }): ReviewColumn[] => {
      const rep = group.plan.reps[planIndex];
      return rep ? [{ repIndex, rep }] : [];
    });
    const reps = [...columns.map(({ rep }) => rep), ...runs.map(({ rep }) => rep)];
    const distances = new Set(reps.flatMap(({ distanceM }) => distanceM ?? []));
    const meanOver = distances.size > 1 ? '400' : 'rep';
    const rows = athletes.map((athlete) => rowOf(state, group, athlete, meanOver));
    return [{ groupId: group.id, name: group.name, columns, rows, surges: surgesOf(state, group), meanOver }];
  });
  return merged(reviews);
}
