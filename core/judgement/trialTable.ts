/** Table after a test, an indicator or a rehearsal: expected and actual time, its worth, and the goal. */
import { fitCurve, timeErrorFor, timeFor, type Curve } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import {
  goalReps,
  markOfEstimate,
  trialsIn,
  type FitnessReading,
  type GoalReps,
  type KeptFrom,
} from '../review/fitnessReading';
import type { Goal } from '../squad/athlete';
import { mean, meanOfKnown } from '../units/mean';
import type { AthleteFacts, SessionFacts } from './facts';

/**
 * `there`: the goal's pace was held. `short`: seconds a kilometre are missing. `unclear`: too little to judge by.
 */
export type GoalVerdict = { kind: 'there' | 'unclear' } | { kind: 'short'; sPerKm: number };

/** One row. Times in seconds; `expectedS` by the marks and `ranS`, both of the most telling rep. */
export type TrialRow = {
  athleteId: string;
  name: string;
  distanceM?: number;
  expectedS?: number;
  ranS?: number;
  /** Its worth over 5000 m, and over the goal's distance. */
  worth?: { fiveKS: number; errorS: number; goalS?: number };
  goal?: Goal;
  reps?: GoalReps;
  verdict?: GoalVerdict;
  /** The mark that may be kept: none of a hot day, a niggle or a stop. */
  marks: Mark[];
};

const FIVE_K_M = 5000;

export type AboutTrial = { curve?: Curve; goal?: Goal; reading?: FitnessReading };

/** Of reps at the goal's pace the gap is that of the reps themselves; else that of what it is worth. */
function verdictOf(
  goal: Goal,
  reps: GoalReps | undefined,
  { cells, level }: { cells: TrialCells; level: Level | undefined },
) {
  const km = goal.distanceM / 1000;
  if (reps) {
    if (reps.held === reps.of) return { kind: 'there' as const };
    const off = cells.flatMap(({ rep, deltaS, excluded, actualS }) =>
      rep?.pace?.includes('goal') && deltaS !== undefined && actualS !== undefined && !excluded && rep.distanceM
        ? [(deltaS / rep.distanceM) * 1000]
        : [],
    );
    const sPerKm = off.length > 0 ? mean(off) : 0;
    return sPerKm >= 0.5 ? { kind: 'short' as const, sPerKm } : { kind: 'unclear' as const };
  }
  if (!level) return { kind: 'unclear' as const };
  const gapS = level.timeS - goal.timeS;
  if (gapS <= 0) return { kind: 'there' as const };
  return gapS > level.errorS ? { kind: 'short' as const, sPerKm: gapS / km } : { kind: 'unclear' as const };
}
type TrialCells = NonNullable<AthleteFacts['row']>['cells'];
/** A time over some distance, with its standard error, in seconds. */
type Level = { timeS: number; errorS: number };

/** Levels shown over 5000 m and over the goal's distance. */
type Shown = { fiveK: Level; atGoal?: Level | undefined };

/** By the reading; or else by the curve through a trial of somebody without marks. */
function shownBy(
  reading: FitnessReading | undefined,
  first: Curve | undefined,
  goal: Goal | undefined,
): Shown | undefined {
  if (reading) {
    const { after, fiveK = after, distanceM } = reading;
    return { fiveK, atGoal: distanceM === goal?.distanceM ? after : undefined };
  }
  return first && { fiveK: levelOver(first, FIVE_K_M), atGoal: goal && levelOver(first, goal.distanceM) };
}

const levelOver = (curve: Curve, distanceM: number): Level => ({
  timeS: timeFor(curve, distanceM),
  errorS: timeErrorFor(curve, distanceM),
});

function rowOf(own: AthleteFacts, { plan, intent }: SessionFacts, { curve, goal, reading }: AboutTrial): TrialRow {
  const { athleteId, name, row } = own;
  const cells = row?.cells ?? [];
  const timed = cells.filter(({ actualS, rep, excluded }) => actualS !== undefined && rep?.distanceM && !excluded);
  // The longest is most telling; the mean of several as long.
  const distanceM = Math.max(0, ...timed.map(({ rep }) => rep?.distanceM ?? 0));
  const longest = timed.filter(({ rep }) => rep?.distanceM === distanceM);
  const isFlatOut = longest.length === 1;
  const expectedS = isFlatOut
    ? curve && distanceM > 0
      ? timeFor(curve, distanceM)
      : undefined
    : meanOfKnown(longest.map(({ targetS }) => targetS));
  const ranS = meanOfKnown(longest.map(({ actualS }) => actualS));
  const reps = row && goal ? goalReps(row) : undefined;
  const session: KeptFrom = plan;
  const trials = row ? trialsIn(row, intent, own.effort, session) : [];
  const isUnsound = reading?.isUnsound === true;
  const estimate = reading && markOfEstimate(reading, session);
  // Without marks before it, the trial is all there is to go by.
  const first = !reading && !isUnsound && trials.length > 0 ? fitCurve(trials, { asOf: plan.date }) : undefined;
  const shown = shownBy(reading, first, goal);
  // A reading without news leaves the goal's verdict open.
  const level = reading?.nothingNew ? undefined : shown?.atGoal;
  return {
    athleteId,
    name,
    ...(distanceM > 0 ? { distanceM } : {}),
    ...(expectedS === undefined ? {} : { expectedS }),
    ...(ranS === undefined ? {} : { ranS }),
    ...(shown ? { worth: worthOf(shown, goal) } : {}),
    ...(goal ? { goal, verdict: verdictOf(goal, reps, { cells, level }) } : {}),
    ...(reps ? { reps } : {}),
    marks: isUnsound ? [] : trials.length > 0 ? trials : estimate ? [estimate] : [],
  };
}

/** The goal's time is left out of a 5000: it is that of the 5k. */
const worthOf = ({ fiveK, atGoal }: Shown, goal: Goal | undefined): NonNullable<TrialRow['worth']> => ({
  fiveKS: fiveK.timeS,
  errorS: fiveK.errorS,
  ...(atGoal && goal?.distanceM !== FIVE_K_M ? { goalS: atGoal.timeS } : {}),
});

/** Everyone who ran it: the longest distance first, and of one distance the quickest. */
export const trialTable = (facts: SessionFacts, aboutOf: (athleteId: string) => AboutTrial): TrialRow[] =>
  facts.athletes
    .filter(({ row }) => row)
    .map((own) => rowOf(own, facts, aboutOf(own.athleteId)))
    .sort((a, b) => (b.distanceM ?? 0) - (a.distanceM ?? 0) || (a.ranS ?? Infinity) - (b.ranS ?? Infinity) || 0);
