/** Rows of a session as readiness() takes them. */
import type { Curve } from '../fitness/curve';
import { oneMoreFits } from '../outlook/chances';
import { asMostTell, type Telling } from '../outlook/calibration';
import { meantFor } from '../outlook/outlook';
import type { LeverChange } from '../outlook/proposals';
import type { MeantArc } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import type { AthleteState, RunState } from '../run/runState';
import { seeded } from '../units/seeded';
import { asRun } from './asRun';
import type { ReviewCell } from './cell';
import { nextTime, readEffort } from './effortReading';
import type { Review, ReviewRow } from './review';
import { readiness, type Readiness, type ReadinessInput, type RepDone } from './readiness';

/** The question about one athlete, as plain data for a worker. */
export type ReadyAsked = {
  athleteId: string;
  groupId: string;
  input: Omit<ReadinessInput, 'oneMore'>;
  /** What they ran and their curve of that day, where they have one. */
  legs: TargetLeg[];
  curve?: Curve;
  /** By which the efforts are read, where any was told. */
  efforts?: { cells: ReviewCell[]; arc: MeantArc; telling?: Telling };
  /** They were not there, or ran nothing. */
  isAbsent?: true;
};

export type ReadyAnswer = Readiness &
  Pick<ReadyAsked, 'athleteId' | 'groupId' | 'isAbsent'> & {
    /** What their own efforts ask to be changed for them. */
    advice?: LeverChange;
  };

/** Enough draws for a share within a few percent; a squad waits for them. */
const DRAWS = 300;

/** A rep by the clock is judged by the seconds that its missing metres would have taken. */
function doneOf(cell: ReviewCell, tolerance: number | undefined, telling: Telling | undefined): RepDone {
  const { actualS, deltaS, effort, excluded } = cell;
  if (actualS === undefined) return {};
  if (excluded) return { timeS: actualS };
  const ownEffort = effort === undefined ? undefined : asMostTell(effort, telling);
  return {
    timeS: actualS,
    ...(deltaS === undefined ? {} : { targetS: actualS - deltaS }),
    ...(tolerance === undefined ? {} : { tolerance }),
    ...(ownEffort === undefined ? {} : { effort: ownEffort }),
    ...(effort === undefined || effort === ownEffort ? {} : { told: effort }),
  };
}

/** What was decided for them on the way, as far as it says that it was too much. */
function cutAndEased({ decided }: AthleteState, cells: readonly ReviewCell[]): { cut: boolean; eased: boolean } {
  const isMissing = cells.some(
    ({ leftOut, actualS, isAdded, unfinished }) =>
      // A rep started without a finish is a missed tap.
      !leftOut && !isAdded && !unfinished && actualS === undefined,
  );
  return {
    cut: isMissing || decided.some(({ decision: { kind } }) => kind === 'distance' || kind === 'drop'),
    eased: decided.some(
      ({ decision }) =>
        (decision.kind === 'ease' && decision.percent > 0) || (decision.kind === 'recovery' && decision.addS > 0),
    ),
  };
}

export type AboutAthlete = { curve?: Curve; telling?: Telling };

function askedOf(
  athlete: AthleteState,
  row: ReviewRow | undefined,
  arc: MeantArc | undefined,
  { curve, telling }: AboutAthlete,
): ReadyAsked {
  const { athleteId, groupId, nextDay } = athlete;
  const cells = row?.cells ?? [];
  const { cells: ran, legs } = asRun(cells);
  const stamp = { athleteId, groupId };
  if (ran.length === 0) return { ...stamp, input: { reps: [] }, legs: [], isAbsent: true };
  const targets = new Map(athlete.runs.map((run) => [run.repIndex, run.target]));
  const lastTold = ran.findLastIndex(({ effort, excluded }) => effort !== undefined && !excluded);
  const meant =
    arc &&
    meantFor(
      arc,
      ran.map(({ rep }) => (rep?.role === 'finish' ? { isFinish: true as const } : {})),
    );
  const meantLast = meant?.[lastTold];
  return {
    ...stamp,
    legs,
    ...(curve ? { curve } : {}),
    ...(arc && lastTold >= 0 ? { efforts: { cells: [...cells], arc, ...(telling ? { telling } : {}) } } : {}),
    input: {
      reps: ran.map((cell) => doneOf(cell, targets.get(cell.repIndex)?.tolerance, telling)),
      ...(meantLast === undefined ? {} : { meantLast }),
      ...(nextDay ? { nextDay } : {}),
      stopped: athlete.stoppedAtMs !== undefined,
      ...cutAndEased(athlete, cells),
    },
  };
}

/**
 * What is asked about everyone of a session, in the order of its groups; who ran with two groups is asked about once, for what they ran
 * most of. @param about what is known of an athlete as of that day; undefined for who is not of the squad, and is left out.
 */
export function readyAsked(
  state: RunState,
  reviews: readonly Review[],
  arc: MeantArc | undefined,
  profileOf: (athleteId: string) => AboutAthlete | undefined,
): ReadyAsked[] {
  const rows = new Map<string, ReviewRow>();
  for (const row of reviews.flatMap((review) => review.rows)) {
    const other = rows.get(row.athleteId);
    if (!other || row.finished > other.finished) rows.set(row.athleteId, row);
  }
  const order = new Map(state.groups.map(({ id }, place) => [id, place]));
  return Object.values(state.athletes)
    .flatMap((athlete): ReadyAsked[] => {
      const profile = profileOf(athlete.athleteId);
      return profile ? [askedOf(athlete, rows.get(athlete.athleteId), arc, profile)] : [];
    })
    .sort((a, b) => (order.get(a.groupId) ?? 0) - (order.get(b.groupId) ?? 0));
}

/** What the efforts ask for: the first change, which is the one that does most for its size. */
function adviceOf({ curve, efforts }: ReadyAsked): LeverChange | undefined {
  if (!curve || !efforts) return undefined;
  const { cells, arc, telling } = efforts;
  return nextTime(cells, readEffort(cells, arc, curve, telling), arc, curve, telling)[0];
}

/** The answer for one athlete; the same each time it is asked. */
export function readReady(asked: ReadyAsked): ReadyAnswer {
  const { athleteId, groupId, isAbsent, input, legs, curve } = asked;
  if (isAbsent) return { athleteId, groupId, isAbsent, verdict: 'repeat', reasons: ['Ran nothing of it.'] };
  const oneMore = curve && oneMoreFits(curve, legs, seeded(7), DRAWS);
  const advice = adviceOf(asked);
  return {
    athleteId,
    groupId,
    ...readiness({ ...input, ...(oneMore === undefined ? {} : { oneMore }) }),
    ...(advice ? { advice } : {}),
  };
}
