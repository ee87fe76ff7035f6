/** What a session says about how fit somebody is. */
import { curveMovedBy, errorShareFor, timeFor, type Curve } from '../fitness/curve';
import { gaugeOf } from '../outlook/gauge';
import { predict, stretchesOf } from '../outlook/predict';
import type { TargetLeg } from '../targets/targetsFor';
import type { Intent } from '../session/intent';
import type { Conditions } from '../run/events';
import { calibrationFor, UNCALIBRATED, type Calibration } from '../outlook/calibration';
import { cluesOf, flatOutReps, type Clue, type FlatOutRep, type PointsAt } from './clues';
import { effortAdded, feltOn, slowedBy } from './heatCost';
import { isFlatOut, legsAsExpected, repsRan, type RanLeg, type RepRan } from './ranLegs';
import { shownLevel } from './shownLevel';

/** A time over a distance, in seconds, with its standard error. */
export type Equivalent = { timeS: number; errorS: number };

export type FitnessEstimate = {
  /** Of ln(speed) against the curve, with its standard error; above 0 is fitter. */
  levelShift: number;
  errorShare: number;
  /** The standard error before the session. */
  priorError: number;
  /** How much surer the level is than before: 0 is not at all, 1 all. */
  learned: number;
  /** The session holds any clue at all to the level. */
  isTold: boolean;
  /** It says nothing that was not known. */
  nothingNew: boolean;
  /** A rep flat out that does not fit what is known: a wrong time or course, or somebody much fitter. */
  surprise?: Pick<FlatOutRep, 'distanceM' | 'timeS' | 'expectedS'>;
  /** The least level that allows the times, if the marks call them impossible. */
  shown?: number;
  equivalent: (distanceM: number) => Equivalent;
  /** What the session says without all that was known before; undefined where it says nothing. */
  alone: (distanceM: number) => Equivalent | undefined;
};

export type FitnessInput = {
  /** Theirs as of that day. */
  curve: Curve;
  /** With the targets that they had. */
  legs: readonly TargetLeg[];
  runs: readonly RepRan[];
  calibration?: Pick<Calibration, 'a' | 'g'> & Partial<Calibration>;
  /** The session's, by which that athlete may tell effort otherwise. */
  kind?: Intent;
  conditions?: Conditions;
  /** A distance over which they may be known better than over 5000 m: their own. */
  ownM?: number;
};

/** Below this share of learning there is nothing new. */
const NOTHING_NEW = 0.1;
/** Nor is it nothing new where the level has moved by this share of its error. */
const NOTHING_SHIFTED = 0.5;
/** A flat-out time this many standard deviations off what is known is asked about before anything is concluded from it. */
const SURPRISE_SDS = 2.5;
/** Times say less in heat, wind or wet: factor on every standard deviation. */
const DOUBTFUL = 1.5;
/** Levels to either side at which what was run is predicted, at least so far; between them it goes straight. */
const LEVELS = { step: 0.02, least: 0.08, sds: 4 };
const GRID_STEP = 0.001;
/** Of a session that says less, a level within 20 % or so, there is nothing to be kept. */
const LEAST_PRECISION = 25;
const JUDGED_M = 5000;
/** The least error of a level that is read by efforts, stops or open ends. */
const SUREST = 0.01;
/** The reported effort from which nothing was left. */
const SPENT = 9.5;

/** The felt temperature (°C) from which times count for less. */
const WARM_C = 22;

/** How sure the times of that day are. */
export function isDoubtfulDay(conditions: Conditions | undefined): boolean {
  if (!conditions) return false;
  const { wind, surface } = conditions;
  if (wind === 'windy' || (surface !== undefined && surface !== 'dry')) return true;
  return (feltOn(conditions) ?? 0) >= WARM_C;
}

const isSpent = (last: RanLeg | undefined) => last?.ran.spent === true || (last?.ran.effort ?? 0) >= SPENT;

/** The reps as on a cool day: heat slows long reps and adds to every effort. */
const cooled = (reps: readonly RanLeg[], conditions: Conditions | undefined): RanLeg[] => {
  const felt = conditions && feltOn(conditions);
  return reps.map((rep) => {
    const timeS = rep.timeS / (1 + slowedBy(felt, rep.timeS));
    const { effort } = rep.ran;
    const ran = effort === undefined ? rep.ran : { ...rep.ran, effort: Math.max(1, effort - effortAdded(felt)) };
    return { ...rep, ran, timeS };
  });
};

const atLevel = (curve: Curve, levelShift: number): Curve =>
  levelShift === 0 ? curve : curveMovedBy(curve, [levelShift]);

/** What was run, predicted at levels round that of the curve. */
function pointsAt(curve: Curve, ran: readonly TargetLeg[], most: number): PointsAt {
  const each = Math.ceil(most / LEVELS.step - 1e-9);
  const shifts = Array.from({ length: 2 * each + 1 }, (_, i) => (i - each) * LEVELS.step);
  const points = shifts.map((shift) => {
    const gauge = gaugeOf(atLevel(curve, shift));
    return predict(gauge, stretchesOf(gauge, ran));
  });
  return { shifts, points };
}

/** Mean and standard deviation of the level, from what was known before and what the clues make likely. */
function posterior(clues: readonly Clue[], priorSd: number, most: number) {
  const each = Math.ceil(most / GRID_STEP);
  const grid = Array.from({ length: 2 * each + 1 }, (_, i) => (i - each) * GRID_STEP);
  const lnLikely = grid.map((shift) => clues.reduce((sum, clue) => sum + clue(shift), -((shift / priorSd) ** 2) / 2));
  const top = Math.max(...lnLikely);
  const weights = lnLikely.map((ln) => Math.exp(ln - top));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const meanShift = grid.reduce((sum, shift, i) => sum + shift * (weights[i] ?? 0), 0) / total;
  const variance = grid.reduce((sum, shift, i) => sum + (shift - meanShift) ** 2 * (weights[i] ?? 0), 0) / total;
  // Surprises may leave a wider spread; nobody becomes less certain by running.
  return { levelShift: meanShift, errorShare: Math.min(priorSd, Math.sqrt(variance)) };
}

function surpriseIn(curve: Curve, flatOut: readonly FlatOutRep[]): FitnessEstimate['surprise'] {
  const off = ({ distanceM, timeS, expectedS, sd }: FlatOutRep) =>
    Math.abs(Math.log(timeS / expectedS)) / Math.hypot(errorShareFor(curve, distanceM), sd);
  const [most] = [...flatOut].sort((a, b) => off(b) - off(a));
  if (!most || off(most) <= SURPRISE_SDS) return undefined;
  const { distanceM, timeS, expectedS } = most;
  return { distanceM, timeS, expectedS };
}

/**
 * Fitness on that day from times, rests and efforts as run: a shift of the whole curve on a grid (Bayes' rule), with its error. A session
 * that says nothing leaves it unchanged.
 */
export function estimateFitness(input: FitnessInput): FitnessEstimate {
  const { curve, legs, runs, conditions } = input;
  // A level is known as well as the distance that is known best: who runs 800s is not unsure for want of a 5000.
  const priorSd = Math.min(...[JUDGED_M, input.ownM ?? JUDGED_M].map((distanceM) => errorShareFor(curve, distanceM)));
  const reps = cooled(repsRan(legs, runs), conditions);
  const expected = legsAsExpected(curve, legs, reps);
  const isByMarks = reps.some(isFlatOut);
  const shown = isByMarks ? undefined : shownLevel(curve, expected, isSpent(reps.at(-1)));
  const most = Math.max(LEVELS.least, LEVELS.sds * priorSd, (shown ?? 0) + LEVELS.step);
  const clues: Clue[] = [];
  let flatOut: FlatOutRep[] = [];
  if (reps.length > 0) {
    // Were flat-out reps taken as run, a quicker one would change what all after it say.
    const at = pointsAt(curve, expected, most);
    const doubt = isDoubtfulDay(conditions) ? DOUBTFUL : 1;
    const { criticalMps } = gaugeOf(curve).model;
    const calibration = calibrationFor({ ...UNCALIBRATED, ...input.calibration }, input.kind);
    flatOut = flatOutReps(curve, at, reps, doubt);
    clues.push(...cluesOf({ curve, criticalMps, reps, flatOut, at, calibration, doubt }));
  }
  const surprise = surpriseIn(curve, flatOut);
  // Without a clue all stays as it was, exactly.
  const found = clues.length === 0 ? { levelShift: 0, errorShare: priorSd } : posterior(clues, priorSd, most);
  const { levelShift } = found;
  // Efforts, stops and open ends make nobody surer than this; flat-out reps and races are marks.
  const errorShare = isByMarks ? found.errorShare : Math.max(found.errorShare, Math.min(priorSd, SUREST));
  const learned = 1 - errorShare / priorSd;
  return {
    levelShift,
    errorShare,
    priorError: priorSd,
    learned,
    isTold: clues.length > 0,
    nothingNew:
      learned < NOTHING_NEW &&
      shown === undefined &&
      surprise === undefined &&
      Math.abs(levelShift) < errorShare * NOTHING_SHIFTED,
    ...(surprise ? { surprise } : {}),
    ...(shown === undefined ? {} : { shown }),
    equivalent: (distanceM) => {
      const timeS = timeFor(atLevel(curve, levelShift), distanceM);
      const before = errorShareFor(curve, distanceM);
      // What is surer is the level; the shape is as sure as it was.
      const share = Math.sqrt(Math.max(errorShare ** 2, before ** 2 - (priorSd ** 2 - errorShare ** 2)));
      return { timeS, errorS: timeS * share };
    },
    alone: (distanceM) => {
      const precision = 1 / errorShare ** 2 - 1 / priorSd ** 2;
      if (precision <= LEAST_PRECISION) return undefined;
      const timeS = timeFor(atLevel(curve, levelShift / errorShare ** 2 / precision), distanceM);
      return { timeS, errorS: timeS / Math.sqrt(precision) };
    },
  };
}
