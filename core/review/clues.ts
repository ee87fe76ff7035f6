/** What a session shows about fitness: for each clue, how likely a level of fitness makes what happened. */
import { curveMovedBy, errorShareFor, timeFor, type Curve } from '../fitness/curve';
import type { Point } from '../outlook/predict';
import { SHORTEST_MARK_M } from '../fitness/weighing';
import { mean, variance } from '../units/mean';
import { ALIKE, calibrated, type Calibration } from '../outlook/calibration';
import { isFlatOut, type RanLeg } from './ranLegs';
import { allowedLimit, isImpossible, mostUsed } from './shownLevel';

/** The cost of each rep at evenly spaced levels, that of the curve in the middle; above 0 is fitter. */
export type PointsAt = { shifts: readonly number[]; points: readonly (readonly Point[])[] };

/** ln of the likelihood at a level, up to a constant. */
export type Clue = (levelShift: number) => number;

/** Standard deviations, this project's own: of a told effort, and of what is used where somebody could go on no longer. */
const SD = { effort: 1, reserveUsed: 0.3, limitUsed: 0.08 };
/** When a rep is over, at least this much of each gauge is used. */
const LEAST_USED = 0.01;
/** Of ln(time) flat out: less than of a mark in the list of marks, since place, day and the work before it are known. */
const SD_FLAT_OUT = { trial: 0.0125, race: 0.0085 };
/** Above this effort somebody is no longer fresh. */
export const FRESH_EFFORT = 5;
/** Flat out after hard work says less: so much more for each point of effort above that. */
const WORN_PER_POINT = 0.005;
/**
 * A slip: this much slower than the reps before and than their spread, twice running and for good, and not after a rep that was run too
 * fast.
 */
const SLIP = { by: 0.03, sds: 2, early: -0.02, leastBefore: 2 };
/** Beyond this many standard deviations a told effort pulls no harder: somebody who tells 10 for everything says little. */
const MOST_PULL_SD = 2;

/** Half the square of how far off it is; beyond the limit it goes on straight (Huber, Ann. Math. Stat. 35:73, 1964). */
function misfit(off: number): number {
  const size = Math.abs(off);
  return size <= MOST_PULL_SD ? size ** 2 / 2 : MOST_PULL_SD * (size - MOST_PULL_SD / 2);
}

/** Interpolates linearly between the levels that were worked out. */
function between(shifts: readonly number[], values: readonly number[]): (levelShift: number) => number {
  const [first = 0, second = 1] = shifts;
  return (levelShift) => {
    const at = Math.min(values.length - 1.000001, Math.max(0, (levelShift - first) / (second - first)));
    const below = Math.floor(at);
    return (values[below] ?? 0) + (at - below) * ((values[below + 1] ?? 0) - (values[below] ?? 0));
  };
}

/** The cost of a rep at each level; undefined where unknown. */
function valuesOf({ points }: PointsAt, rep: number, of: (point: Point) => number | undefined): number[] | undefined {
  const values = points.flatMap((level) => {
    const point = level[rep];
    return (point && of(point)) ?? [];
  });
  return values.length === points.length ? values : undefined;
}

const predictedEffort = ({ effort, isAsked }: Point) => (isAsked ? undefined : effort);

/**
 * What share of each told effort counts: the sum, none below 0, that tells most about the level when all are off together by `common`
 * (variance; how somebody tells effort) and each by `own`. With none below 0 a higher effort can never say fitter.
 */
export function sharesOf(slopes: readonly number[], ownVariance: number, common: number): number[] {
  let counted = slopes.map((_, i) => i);
  for (;;) {
    const total = counted.reduce((sum, i) => sum + (slopes[i] ?? 0), 0);
    const away = (common * total) / (ownVariance + counted.length * common);
    const kept = counted.filter((i) => (slopes[i] ?? 0) > away);
    if (kept.length === counted.length || kept.length === 0)
      return slopes.map((slope, i) => (kept.includes(i) ? slope - away : 0));
    counted = kept;
  }
}

/** The told efforts together, against those that a level makes likely. */
function effortClue(at: PointsAt, reps: readonly RanLeg[], calibration: Calibration, doubt: number): Clue[] {
  const told = reps.flatMap((rep, i) => {
    const { effort } = rep.ran;
    const predicted = effort === undefined || isFlatOut(rep) ? undefined : valuesOf(at, i, predictedEffort);
    return predicted && effort !== undefined
      ? [{ effort, theirs: predicted.map((value) => calibrated(value, calibration)) }]
      : [];
  });
  if (told.length === 0) return [];
  const ownVariance = (SD.effort * doubt) ** 2 * (1 - ALIKE);
  const common = (SD.effort * doubt) ** 2 * ALIKE + calibration.aError ** 2;
  // How much easier each becomes with fitness, over plausible levels.
  const middle = (at.shifts.length - 1) / 2;
  const slopes = told.map(({ theirs }) => Math.max(0, (theirs[middle - 1] ?? 0) - (theirs[middle + 1] ?? 0)));
  const shares = sharesOf(slopes, ownVariance, common);
  const total = shares.reduce((sum, share) => sum + share, 0);
  if (total <= 0) return [];
  const sd = Math.sqrt(ownVariance * shares.reduce((sum, share) => sum + share ** 2, 0) + common * total ** 2);
  const whole = (of: (clue: (typeof told)[number]) => number) =>
    told.reduce((sum, clue, i) => sum + (shares[i] ?? 0) * of(clue), 0);
  const toldWhole = whole(({ effort }) => effort);
  const likely = between(
    at.shifts,
    at.shifts.map((_, level) => whole(({ theirs }) => theirs[level] ?? 0)),
  );
  return [(shift) => -misfit((toldWhole - likely(shift)) / sd)];
}

/** How late each rep was, as a share of its target; without one, of the first like it. */
function latenessOf(reps: readonly RanLeg[]): number[] {
  return reps.map(({ leg, timeS, distanceM }) => {
    const first = reps.find((other) => other.leg.distanceM === leg.distanceM && other.leg.pace === leg.pace);
    const meantS = leg.distanceM === undefined ? undefined : (leg.targetS ?? first?.timeS);
    if (meantS !== undefined) return timeS / meantS - 1;
    const meantM = leg.expectedM ?? first?.distanceM;
    return distanceM && meantM ? meantM / distanceM - 1 : 0;
  });
}

const isLike = (a: RanLeg, b: RanLeg) =>
  a.leg.distanceM === b.leg.distanceM &&
  a.leg.durationS === b.leg.durationS &&
  Math.abs((a.leg.targetS ?? 0) - (b.leg.targetS ?? 0)) < 0.01 * (a.leg.targetS ?? 1);

/** The rep from which somebody slipped for good, if they did. */
export function firstSlipped(reps: readonly RanLeg[]): number | undefined {
  const late = latenessOf(reps);
  const found = reps.findIndex((rep, i) => {
    const next = reps[i + 1];
    // A rep flat out shows no slip, however slow: only what could have been run on target does.
    if (!next || isFlatOut(rep) || isFlatOut(next) || !isLike(rep, next) || next.ran.stopped) return false;
    const lateOfLike = (from: number, to: number) =>
      reps.flatMap((leg, j) => (j >= from && j < to && isLike(leg, rep) && !isFlatOut(leg) ? [late[j] ?? 0] : []));
    const before = lateOfLike(0, i);
    const last = reps[i - 1];
    // Straight after a rep run too fast, or flat out, anyone is slow.
    if (before.length < SLIP.leastBefore || !last || isFlatOut(last) || (late[i - 1] ?? 0) < SLIP.early) return false;
    const usual = mean(before);
    const by = Math.max(SLIP.by, SLIP.sds * Math.sqrt(variance(before)));
    const after = lateOfLike(i + 2, reps.length);
    // Returning to the target means there was more left.
    const isForGood = after.length === 0 || mean(after) - usual > by / 2;
    return isForGood && (late[i] ?? 0) - usual > by && (late[i + 1] ?? 0) - usual > by;
  });
  return found < 0 ? undefined : found;
}

/** How likely it is that so much was used where all of it should be: on a logarithmic scale, so that to have done more never says less fit. */
function usedUp(at: PointsAt, rep: number, used: (point: Point) => number, sd: number): Clue[] {
  const values = valuesOf(at, rep, (point) => Math.log(Math.max(LEAST_USED, used(point))));
  if (!values) return [];
  const read = between(at.shifts, values);
  return [(shift) => -misfit(read(shift) / sd)];
}

const reserveUsed = ({ leftShare }: Point) => 1 - leftShare;
const limitUsed = ({ limitShare }: Point) => limitShare;

/** The reported effort from which a stop means nothing left. */
const SPENT = 9;
const gaveUpSpent = ({ ran }: RanLeg): boolean => ran.spent === true || (ran.effort ?? 0) >= SPENT;

/** ln Φ(z): A&S 7.1.26 (Abramowitz & Stegun, 1964), and the first term of its tail far below the mean. */
function lnNormal(z: number): number {
  if (z < -5) return -(z ** 2) / 2 - Math.log(-z * Math.sqrt(2 * Math.PI));
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    (((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
      t *
      Math.exp(-(x ** 2))) /
    2;
  return Math.log(Math.max(1e-12, z < 0 ? tail : 1 - tail));
}

/** Likelihood that they could do at least this much without using more than they have. */
function atLeastClue(at: PointsAt, spent: boolean, doubt: number): Clue[] {
  if (!at.points.some((points) => points.some(({ isAsked }) => !isAsked))) return [];
  const likely = at.points.map((points) => {
    const known = points.filter(({ isAsked }) => !isAsked);
    const { reserve, limit } = mostUsed(known);
    return (
      lnNormal((1 - reserve) / (SD.reserveUsed * doubt)) +
      lnNormal((allowedLimit(spent) - limit) / (SD.limitUsed * doubt))
    );
  });
  const read = between(at.shifts, likely);
  return [(shift) => read(shift)];
}

/**
 * Completed work is a lower bound if the marks call it impossible, and if something other than having nothing left ended it:
 * a stitch, the coach, the plan.
 */
function boundClue(at: PointsAt, reps: readonly RanLeg[], doubt: number): Clue[] {
  const expected = at.points[(at.shifts.length - 1) / 2] ?? [];
  const last = reps.at(-1);
  if (!last || reps.some(isFlatOut)) return [];
  const wasEnded = last.ran.stopped === true || last.leg.open === true;
  if (!isImpossible(expected) && (!wasEnded || gaveUpSpent(last))) return [];
  return atLeastClue(at, gaveUpSpent(last), doubt);
}

/** Where somebody could go on no longer: the reserve is used up there, or the share of the limit. */
function failureClue(at: PointsAt, reps: readonly RanLeg[], criticalMps: number, doubt: number): Clue[] {
  // A stop in a rep flat out shows nothing; a slip before it still does.
  const stopped = reps.findIndex((rep) => rep.ran.stopped && gaveUpSpent(rep) && !isFlatOut(rep));
  const rep = stopped >= 0 ? stopped : firstSlipped(reps);
  const failed = rep === undefined ? undefined : reps[rep];
  if (rep === undefined || !failed || isFlatOut(failed) || failed.distanceM === undefined || failed.leg.hill) return [];
  return failed.distanceM / failed.timeS > criticalMps
    ? usedUp(at, rep, reserveUsed, SD.reserveUsed * doubt)
    : usedUp(at, rep, limitUsed, SD.limitUsed * doubt);
}

/** Step for the derivative of time by level. */
const NEAR = 0.02;

/** A rep run flat out: metres, seconds, the seconds the curve gives, and the standard deviation of ln(time) that its own chance leaves. */
export type FlatOutRep = { distanceM: number; timeS: number; expectedS: number; sd: number };

/** Reps run flat out that are marks of their own, less sure the harder what came before them. */
export function flatOutReps(curve: Curve, at: PointsAt, reps: readonly RanLeg[], doubt: number): FlatOutRep[] {
  const expected = at.points[(at.shifts.length - 1) / 2] ?? [];
  return reps.flatMap((rep, i) => {
    const { distanceM, timeS, leg, ran } = rep;
    if (!isFlatOut(rep) || ran.stopped || leg.hill || distanceM === undefined || distanceM < SHORTEST_MARK_M) return [];
    const worn = Math.max(0, (expected[i - 1]?.effort ?? 0) - FRESH_EFFORT) * WORN_PER_POINT;
    const sd = (SD_FLAT_OUT[ran.flatOut ?? 'trial'] + worn) * doubt;
    return [{ distanceM, timeS, expectedS: timeFor(curve, distanceM), sd }];
  });
}

function flatOutClues(curve: Curve, flatOut: readonly FlatOutRep[], doubt: number): Clue[] {
  const levelError = errorShareFor(curve, 5000);
  return flatOut.map(({ distanceM, timeS, expectedS, sd: ownSd }): Clue => {
    // The curve's shape may be wrong over this distance, whatever the level.
    const shape = Math.max(0, errorShareFor(curve, distanceM) ** 2 - levelError ** 2);
    const sd = Math.sqrt(ownSd ** 2 + shape * doubt ** 2);
    const quicker = Math.log(expectedS / timeS);
    const [slower, faster] = [-NEAR, NEAR].map((shift) => Math.log(timeFor(curveMovedBy(curve, [shift]), distanceM)));
    const perShift = ((slower ?? 0) - (faster ?? 0)) / (2 * NEAR);
    return (levelShift) => -misfit((quicker - perShift * levelShift) / sd);
  });
}

export type CluesOf = {
  curve: Curve;
  criticalMps: number;
  reps: readonly RanLeg[];
  /** Those run flat out, see `flatOutReps`. */
  flatOut: readonly FlatOutRep[];
  at: PointsAt;
  calibration: Calibration;
  /** Factor on every standard deviation: 1.5 in heat, wind or wet. */
  doubt: number;
};

/** All clues of a session about somebody's fitness. */
export const cluesOf = ({ curve, criticalMps, reps, flatOut, at, calibration, doubt }: CluesOf): Clue[] => [
  ...effortClue(at, reps, calibration, doubt),
  ...failureClue(at, reps, criticalMps, doubt),
  ...boundClue(at, reps, doubt),
  ...flatOutClues(curve, flatOut, doubt),
];
