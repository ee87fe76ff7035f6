/** What a session says about one athlete's fitness, in the figures that a coach is told, and the marks that can be kept of it. */
import { timeErrorFor, timeFor } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import type { Intent } from '../session/intent';
import type { Goal } from '../squad/athlete';
import { estimateFitness, isDoubtfulDay, type Equivalent, type FitnessInput } from './fitness';
import type { EffortReading } from './effortReading';
import { evidenceOf } from './evidence';
import type { ReviewRow } from './review';

/** Without a goal a level is told over this distance. */
const USUAL_M = 5000;

/** What is asked, plain enough for a worker: the times are told over `distanceM`. */
export type FitnessAsked = FitnessInput & { athleteId: string; distanceM: number };

export type FitnessReading = {
  athleteId: string;
  distanceM: number;
  /** What they were worth before the session, after it, and by the session alone. */
  before: Equivalent;
  after: Equivalent;
  alone?: Equivalent;
  learned: number;
  nothingNew: boolean;
  /** Fitter or less fit than was known, by more than it may be wrong. */
  is: 'fitter' | 'less-fit' | 'as-known';
  /** It was hot, windy or wet. */
  isDoubtful?: true;
};

/** What is asked about an athlete's row. */
export function askedOf(
  row: ReviewRow,
  intent: Intent | undefined,
  goal: Goal | undefined,
  about: Pick<FitnessInput, 'curve' | 'conditions' | 'heat'>,
): FitnessAsked {
  const distanceM = goal?.distanceM ?? USUAL_M;
  return {
    athleteId: row.athleteId,
    distanceM,
    ownM: distanceM,
    ...about,
    ...evidenceOf(row, intent),
  };
}

export function readFitness(asked: FitnessAsked): FitnessReading {
  const { athleteId, curve, distanceM, conditions, heat } = asked;
  const estimate = estimateFitness(asked);
  const { levelShift, errorShare, learned, nothingNew } = estimate;
  const alone = estimate.alone(distanceM);
  return {
    athleteId,
    distanceM,
    before: { timeS: timeFor(curve, distanceM), errorS: timeErrorFor(curve, distanceM) },
    after: estimate.equivalent(distanceM),
    ...(alone ? { alone } : {}),
    learned,
    nothingNew,
    is: Math.abs(levelShift) <= errorShare ? 'as-known' : levelShift > 0 ? 'fitter' : 'less-fit',
    ...(isDoubtfulDay(conditions, heat) ? { isDoubtful: true as const } : {}),
  };
}

const tenths = (timeS: number) => Math.round(timeS * 10) / 10;

/** The mark to keep of an estimate, where it says something new. @param date YYYY-MM-DD, of the session. */
export function markOfEstimate(
  { distanceM, after, alone, nothingNew }: FitnessReading,
  { runId, date, title }: { runId: string; date: string; title: string },
): Mark | undefined {
  if (nothingNew || !alone) return undefined;
  return {
    distanceM,
    timeS: tenths(after.timeS),
    date,
    kind: 'session',
    note: title.slice(0, 200),
    runId,
    alone: { timeS: tenths(alone.timeS), sd: Math.round((alone.errorS / alone.timeS) * 1e4) / 1e4 },
  };
}

/** After more effort than this a rep flat out is no trial. */
const FRESH_EFFORT = 5;

/** Reps run flat out and fresh: each is a trial of its own. The shortest that a mark may be is 200 m. */
export function trialsIn(
  row: ReviewRow,
  intent: Intent | undefined,
  reading: EffortReading,
  { runId, date, title }: { runId: string; date: string; title: string },
): Mark[] {
  const { legs, runs } = evidenceOf(row, intent);
  const reps = legs.filter((leg) => leg.kind === 'rep');
  return runs.flatMap(({ flatOut, timeS, distanceM: coveredM, stopped }, i): Mark[] => {
    const distanceM = reps[i]?.distanceM ?? coveredM;
    const before = i === 0 ? 0 : (reading.points[i - 1]?.predicted ?? 10);
    if (!flatOut || stopped || timeS === undefined || distanceM === undefined) return [];
    if (distanceM < 200 || before > FRESH_EFFORT) return [];
    return [{ distanceM, timeS: tenths(timeS), date, kind: 'trial', note: title.slice(0, 200), runId }];
  });
}

/** How many of the reps at a goal's pace were held: on the target, or ahead of it. */
export type GoalReps = { held: number; of: number; pace: string; restS?: number };

export function goalReps({ cells }: Pick<ReviewRow, 'cells'>): GoalReps | undefined {
  const at = cells.filter(({ rep, excluded }) => rep?.pace?.startsWith('goal') && !excluded);
  const judged = at.filter(({ verdict, unfinished }) => verdict !== undefined || unfinished);
  const pace = at[0]?.rep?.pace;
  if (judged.length === 0 || pace === undefined) return undefined;
  const rests = at.flatMap(({ restS }) => restS ?? []);
  return {
    held: judged.filter(({ verdict }) => verdict === 'on' || verdict === 'early').length,
    of: judged.length,
    pace,
    ...(rests.length === 0 ? {} : { restS: rests.reduce((sum, restS) => sum + restS, 0) / rests.length }),
  };
}
