/** A session that was run, read by what was run together: athletes × reps. */
import type { StopReason } from '../run/events';
import { repLabel, type PlannedRep } from '../run/plan';
import type { AthleteState, Decided, GroupState, RunState, Slot } from '../run/runState';
import { counts, readCell, type ReviewCell } from './cell';
import type { Evenness } from './evenness';
import { headline } from './kinds';
import { mean, variance } from '../units/mean';

/** One athlete's row. Times in seconds; mean and spread over the finished reps, per 400 m where their distances differ. */
export type ReviewRow = {
  athleteId: string;
  name: string;
  /** The group they ran this with. */
  groupId: string;
  groupName: string;
  cells: ReviewCell[];
  finished: number;
  meanS?: number;
  /** How far the reps were from their targets on average: below 0 is early. */
  meanDeltaS?: number;
  /** Standard deviation of the reps about their mean (about their targets, where there are targets). */
  spreadS?: number;
  /** Of the reps that stand for the session. */
  evenness: Evenness;
  /** Rests as they were taken and as they were to be, on average over those where both are known. */
  rest?: { takenS: number; plannedS: number };
  /** The last effort that was told of a rep, and of the session as a whole. */
  lastEffort?: number;
  sessionEffort?: number;
  decided: Decided[];
  stoppedAtMs?: number;
  stopReason?: StopReason;
  /** The group they were to run with, where that is another. */
  movedFrom?: string;
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
  /** What means are over: a rep, or 400 m where the reps differ in distance. */
  meanOver: 'rep' | '400';
};

/** Sample standard deviation; undefined for fewer than two values. */
function deviation(values: readonly number[]): number | undefined {
  return values.length < 2 ? undefined : Math.sqrt(variance(values));
}

/** True for a slot that the athlete had no chance to run with the group: before they came to it, or after they went. */
function isElsewhere(group: GroupState, athlete: AthleteState, slots: readonly Slot[], at: number): boolean {
  if (athlete.groupId !== group.id) return true;
  const first = athlete.runs.findIndex(({ groupId }) => groupId === group.id);
  if (first <= 0) return false;
  return at < slots.findIndex(({ repIndex }) => repIndex === athlete.runs[first]?.repIndex);
}

/** Rests on average, over those that are known both as taken and as planned. */
function restOf(cells: readonly ReviewCell[]): ReviewRow['rest'] {
  const rested = cells.flatMap(({ restS, plannedRestS }) =>
    restS === undefined || plannedRestS === undefined ? [] : [{ restS, plannedRestS }],
  );
  if (rested.length === 0) return undefined;
  return { takenS: mean(rested.map(({ restS }) => restS)), plannedS: mean(rested.map((rest) => rest.plannedRestS)) };
}

/** Mean and spread of what counts. */
function meansOf(cells: readonly ReviewCell[], meanOver: Review['meanOver']) {
  const timed = cells.flatMap((cell) => {
    const { actualS, deltaS, rep } = cell;
    if (!counts(cell) || actualS === undefined || rep?.distanceM === undefined) return [];
    const scale = meanOver === 'rep' ? 1 : 400 / rep.distanceM;
    return [{ timeS: actualS * scale, deltaS: deltaS === undefined ? undefined : deltaS * scale }];
  });
  const deltas = timed.flatMap(({ deltaS }) => (deltaS === undefined ? [] : [deltaS]));
  const spreadS = deviation(deltas.length === timed.length ? deltas : timed.map(({ timeS }) => timeS));
  return {
    finished: timed.length,
    ...(timed.length > 0 ? { meanS: mean(timed.map(({ timeS }) => timeS)) } : {}),
    ...(deltas.length > 0 ? { meanDeltaS: mean(deltas) } : {}),
    ...(spreadS === undefined ? {} : { spreadS }),
  };
}

function rowOf(state: RunState, group: GroupState, athlete: AthleteState, meanOver: Review['meanOver']): ReviewRow {
  const { athleteId, name, decided, sessionEffort, stoppedAtMs, stopReason, plannedFor } = athlete;
  const places = new Map(
    athlete.runs.flatMap(({ groupId, repIndex }, i) => (groupId === group.id ? [[repIndex, i]] : [])),
  );
  const cells = group.slots.map((slot, at) =>
    readCell(state, group, athlete, slot, places.get(slot.repIndex), isElsewhere(group, athlete, group.slots, at)),
  );
  const rest = restOf(cells);
  const lastEffort = cells.findLast(({ effort }) => effort !== undefined)?.effort;
  const home = state.groups.find(({ id }) => id === plannedFor);
  return {
    athleteId,
    name,
    groupId: group.id,
    groupName: group.name,
    cells,
    decided,
    ...meansOf(cells, meanOver),
    evenness: headline(cells),
    ...(rest ? { rest } : {}),
    ...(lastEffort === undefined ? {} : { lastEffort }),
    ...(sessionEffort === undefined ? {} : { sessionEffort }),
    ...(stoppedAtMs === undefined ? {} : { stoppedAtMs }),
    ...(stopReason === undefined ? {} : { stopReason }),
    ...(plannedFor !== group.id && home ? { movedFrom: home.name } : {}),
  };
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
const readWith = (among: readonly AthleteState[], { id }: GroupState): AthleteState[] =>
  among.filter(({ groupId, presence, runs }) => {
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

/**
 * Reads a session that was run, group by group: athletes × reps with actual, target, early or late, and each athlete's mean and
 * spread. @param among those who are read; everyone if left out.
 */
export function reviewGroups(
  state: RunState,
  among: readonly AthleteState[] = Object.values(state.athletes),
): Review[] {
  return state.groups.flatMap((group): Review[] => {
    const athletes = readWith(among, group);
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
}

/** The same with groups that ran the same reps together. */
export const reviewRun = (state: RunState): Review[] => merged(reviewGroups(state));
