/** What a session says about one athlete's fitness, in the figures that a coach is told, and the marks that can be kept of it. */
import { curveMovedBy, timeErrorFor, timeFor } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import { SHORTEST_MARK_M } from '../fitness/weighing';
import type { Intent } from '../session/intent';
import type { Goal } from '../squad/athlete';
import type { HeatLimits } from '../squad/heat';
import type { Plan } from '../run/plan';
import { meanOfKnown } from '../units/mean';
import { changeShown, type LevelRead } from './changeShown';
import { FRESH_EFFORT } from './clues';
import { estimateFitness, type Equivalent, type FitnessInput } from './fitness';
import { hotDay, type HotDay } from './heatCost';
import type { ReviewCell } from './cell';
import type { EffortReading } from './effortReading';
import { evidenceOf } from './evidence';
import type { ReviewRow } from './review';
import { plainFrom } from './shownLevel';

/** Without a goal a level is told over this distance. */
const USUAL_M = 5000;

/**
 * The question as plain data for a worker; times are given over `distanceM`. `isUnsound`: they stopped, or were not
 * well, so that no mark is kept of it.
 */
export type FitnessAsked = FitnessInput & {
  athleteId: string;
  distanceM: number;
  heat?: HeatLimits;
  isUnsound?: true;
  /** What the sessions before it showed, as far as that still counts. */
  levelsBefore?: readonly LevelRead[];
};

export type FitnessReading = {
  athleteId: string;
  distanceM: number;
  /** What they were worth before the session, after it, and by the session alone. */
  before: Equivalent;
  after: Equivalent;
  alone?: Equivalent;
  /** After it over 5000 m, where that is another distance. */
  fiveK?: Equivalent;
  learned: number;
  nothingNew: boolean;
  /** Above or below what was known, by more than the estimate may be wrong: of this session alone. */
  is: 'fitter' | 'less-fit' | 'as-known';
  /** What it and the sessions before it show together. */
  changed?: 'fitter' | 'less-fit';
  /** A time flat out that does not fit what is known, asked about before it is believed. */
  surprise?: { distanceM: number; timeS: number; expectedS: number };
  /** The day's reason to trust times less. */
  hot?: HotDay;
  isWindy?: true;
  isWet?: true;
  /** Nothing is kept of it: it was hot, they stopped, or were not well. */
  isUnsound?: true;
  /** The least time shown over `distanceM` by work the marks call impossible. */
  atLeastS?: number;
};

/** What is asked about an athlete's row. */
export function askedOf(
  row: ReviewRow,
  intent: Intent | undefined,
  goal: Goal | undefined,
  source: Pick<FitnessAsked, 'curve' | 'conditions' | 'heat' | 'calibration' | 'levelsBefore'>,
): FitnessAsked {
  const isUnsound = row.stoppedAtMs !== undefined || row.cells.some(({ flags }) => flags.length > 0);
  return {
    athleteId: row.athleteId,
    distanceM: goal?.distanceM ?? USUAL_M,
    ...source,
    ...evidenceOf(row, intent),
    ...(isUnsound ? { isUnsound } : {}),
  };
}

/** The time at a level far above the curve. */
function atLeastOf({ curve, distanceM }: FitnessAsked, shown: number | undefined): number | undefined {
  if (shown === undefined || shown <= plainFrom(curve)) return undefined;
  return timeFor(curveMovedBy(curve, [shown]), distanceM);
}

export function readFitness(asked: FitnessAsked): FitnessReading {
  const { athleteId, curve, distanceM, conditions, heat } = asked;
  const estimate = estimateFitness({ ...asked, ownM: distanceM });
  const { levelShift, errorShare, priorError, learned, nothingNew, surprise } = estimate;
  const alone = estimate.alone(distanceM);
  const hot = hotDay(conditions ?? {}, heat);
  const atLeastS = atLeastOf(asked, estimate.shown);
  const isUnsound = asked.isUnsound === true || hot !== undefined;
  const changed = estimate.isTold
    ? changeShown([...(asked.levelsBefore ?? []), { shift: levelShift, error: priorError }])
    : undefined;
  return {
    athleteId,
    distanceM,
    before: { timeS: timeFor(curve, distanceM), errorS: timeErrorFor(curve, distanceM) },
    after: estimate.equivalent(distanceM),
    ...(distanceM === USUAL_M ? {} : { fiveK: estimate.equivalent(USUAL_M) }),
    ...(alone ? { alone } : {}),
    learned,
    nothingNew,
    ...(changed ? { changed } : {}),
    ...(surprise ? { surprise } : {}),
    is: Math.abs(levelShift) <= errorShare ? 'as-known' : levelShift > 0 ? 'fitter' : 'less-fit',
    ...(hot ? { hot } : {}),
    ...(conditions?.wind === 'windy' ? { isWindy: true as const } : {}),
    ...(conditions?.surface !== undefined && conditions.surface !== 'dry' ? { isWet: true as const } : {}),
    ...(isUnsound ? { isUnsound: true as const } : {}),
    ...(atLeastS === undefined ? {} : { atLeastS }),
  };
}

const tenths = (timeS: number) => Math.round(timeS * 10) / 10;

/** The session that a mark is kept of. */
export type KeptFrom = Pick<Plan, 'id' | 'date' | 'title'>;

const comesFrom = ({ id, date, title }: KeptFrom) => ({ date, note: title.slice(0, 200), runId: id });

/** The mark to keep of an estimate, where it says something new. */
export function markOfEstimate(
  { distanceM, after, alone, nothingNew, isUnsound, surprise }: FitnessReading,
  session: KeptFrom,
): Mark | undefined {
  if (nothingNew || !alone || isUnsound || surprise) return undefined;
  return {
    distanceM,
    timeS: tenths(after.timeS),
    kind: 'session',
    ...comesFrom(session),
    alone: { timeS: tenths(alone.timeS), sd: Math.round((alone.errorS / alone.timeS) * 1e4) / 1e4 },
  };
}

/** Reps run flat out and fresh, and long enough for a mark: each is a trial of its own. */
export function trialsIn(
  row: ReviewRow,
  intent: Intent | undefined,
  { points }: Pick<EffortReading, 'points'>,
  session: KeptFrom,
): Mark[] {
  const { legs, runs } = evidenceOf(row, intent);
  const reps = legs.filter((leg) => leg.kind === 'rep');
  return runs.flatMap(({ flatOut, timeS, distanceM: coveredM, stopped }, i): Mark[] => {
    const distanceM = reps[i]?.distanceM ?? coveredM;
    const before = i === 0 ? 0 : (points[i - 1]?.predictedForMost ?? 10);
    if (!flatOut || stopped || timeS === undefined || distanceM === undefined) return [];
    if (distanceM < SHORTEST_MARK_M || before > FRESH_EFFORT) return [];
    return [{ distanceM, timeS: tenths(timeS), kind: 'trial', ...comesFrom(session) }];
  });
}

/** How many of the reps at a goal's pace were held: on the target, or ahead of it. */
export type GoalReps = { held: number; of: number; pace: string; restS?: number };

export function goalReps({ cells }: Pick<ReviewRow, 'cells'>): GoalReps | undefined {
  const at = cells.filter(({ rep, excluded }) => rep?.pace?.includes('goal') && !excluded);
  const judged = at.filter(({ verdict, unfinished }) => verdict !== undefined || unfinished);
  const pace = at[0]?.rep?.pace;
  if (judged.length === 0 || pace === undefined) return undefined;
  const restS = meanOfKnown(at.map((cell) => cell.restS));
  const isHeld = ({ verdict }: ReviewCell) => verdict === 'on' || verdict === 'early';
  // Of a pace that moves to the goal's, up to the last one held: those before it were easier.
  const isMoving = pace.includes('>');
  return {
    held: isMoving ? judged.findLastIndex(isHeld) + 1 : judged.filter(isHeld).length,
    of: judged.length,
    pace,
    ...(restS === undefined ? {} : { restS }),
  };
}
