/** Reads whether it was run as asked: each rep against its own target, over all and at the end, and the rep from which somebody fell behind. */
import { USUAL_TOLERANCE } from '../paces/paceBook';
import { toleranceS } from '../run/verdict';
import type { ReviewCell } from '../review/cell';
import { slowedBy } from '../review/heatCost';
import { kindKey } from '../review/kinds';
import { mean } from '../units/mean';

/** Lateness on average: as a share of the targets, in tolerances, and in seconds a rep. Below 0 is early. */
export type Lateness = { share: number; tolerances: number; meanS: number };

/** A rep against its target. `share` has what heat costs taken off already. */
export type JudgedRep = {
  share: number;
  tolerances: number;
  deltaS: number;
  targetS: number;
  kind: string;
  place: number;
};

/**
 * `on`: on target at the end, and near it over all. `early`, `late`: beyond tolerance over all. `fell-behind`: on target, then late for good
 * from a rep on. `quickened`: the same where the targets got quicker and the times did not get slower. `off-at-end`: a little off, at the end alone.
 */
export type PaceVerdict = 'on' | 'early' | 'late' | 'fell-behind' | 'quickened' | 'off-at-end';

export type PaceReading = {
  reps: JudgedRep[];
  all: Lateness;
  lastThird: Lateness;
  verdict: PaceVerdict;
  /** The first rep of falling behind, from 1. */
  fromRep?: number;
};

/** On target is within one tolerance in the last third, and two over all. */
const ON = { lastThird: 1, all: 2 };
/** Early or late is so over all, and in at least this share of the reps. */
const OFF_SHARE = 0.5;
/** Late from a rep on: at least this many, by this many tolerances, after some that were not. */
const BEHIND = { least: 2, before: 1, tolerances: 1.5 };
/** Targets that get quicker by this share move. */
const MOVES = 0.005;

export const lastThirdOf = <T>(list: readonly T[]): T[] => list.slice(Math.floor((list.length * 2) / 3));

/** Without what heat costs: it explains lateness, and makes nobody early. */
const without = (share: number, cost: number) => (share > 0 ? Math.max(0, share - cost) : share);

/** Outside a band is off target at once, and the more the further from its edge. */
const overEdge = (offS: number, targetS: number) =>
  offS === 0 ? 0 : Math.sign(offS) * (1 + Math.abs(offS) / toleranceS(targetS, USUAL_TOLERANCE));

/** A rep as it is judged; undefined if it has no target, or does not count. @param place from 0. */
function judgedRep(cell: ReviewCell, place: number, felt: number | undefined): JudgedRep | undefined {
  const { rep, deltaS, actualS, targetS = actualS, excluded, tolerance = USUAL_TOLERANCE, isBand } = cell;
  if (!rep || excluded || deltaS === undefined || targetS === undefined || targetS <= 0) return undefined;
  const share = without(deltaS / targetS, slowedBy(felt, targetS));
  return {
    share,
    tolerances: isBand ? overEdge(share * targetS, targetS) : (share * targetS) / toleranceS(targetS, tolerance),
    deltaS,
    targetS,
    kind: kindKey(rep),
    place,
  };
}

const latenessOf = (reps: readonly JudgedRep[]): Lateness => ({
  share: mean(reps.map(({ share }) => share)),
  tolerances: mean(reps.map(({ tolerances }) => tolerances)),
  meanS: mean(reps.map(({ share, targetS }) => share * targetS)),
});

/** The rep from which all of its kind were late, after some on target; and whether their targets quickened meanwhile. */
function fallingBehind(reps: readonly JudgedRep[]): { fromRep: number; quickened: boolean } | undefined {
  const last = reps.at(-1);
  if (!last || last.tolerances <= ON.lastThird) return undefined;
  const alike = reps.filter(({ kind }) => kind === last.kind);
  const lastGood = alike.findLastIndex(({ tolerances }) => tolerances <= ON.lastThird);
  const [before, behind] = [alike.slice(0, lastGood + 1), alike.slice(lastGood + 1)];
  const [first] = alike;
  const [from] = behind;
  if (!first || !from || behind.length < BEHIND.least || before.length < BEHIND.before) return undefined;
  if (latenessOf(before).tolerances > ON.lastThird || latenessOf(behind).tolerances < BEHIND.tolerances)
    return undefined;
  const quickened =
    last.targetS < first.targetS * (1 - MOVES) && last.targetS * (1 + last.share) <= first.targetS * (1 + first.share);
  return { fromRep: from.place + 1, quickened };
}

function verdictOf(reps: readonly JudgedRep[], all: Lateness, lastThird: Lateness) {
  const share = (is: (tolerances: number) => boolean) =>
    reps.filter(({ tolerances }) => is(tolerances)).length / reps.length;
  if (all.tolerances < -1 && share((tolerances) => tolerances < -1) >= OFF_SHARE) return { verdict: 'early' as const };
  const behind = fallingBehind(reps);
  if (behind)
    return { verdict: behind.quickened ? ('quickened' as const) : ('fell-behind' as const), fromRep: behind.fromRep };
  if (all.tolerances > 1 && share((tolerances) => tolerances > 1) >= OFF_SHARE) return { verdict: 'late' as const };
  const isOff = Math.abs(lastThird.tolerances) > ON.lastThird || Math.abs(all.tolerances) > ON.all;
  if (isOff) return { verdict: 'off-at-end' as const };
  return { verdict: 'on' as const };
}

/**
 * Reads what somebody ran against their targets; undefined where no rep had one.
 * @param felt °C on that day, if it was warm: the cost of heat is taken off first.
 */
export function readPace(cells: readonly ReviewCell[], felt?: number): PaceReading | undefined {
  const reps = cells.flatMap((cell, place) => judgedRep(cell, place, felt) ?? []);
  if (reps.length === 0) return undefined;
  const [all, lastThird] = [latenessOf(reps), latenessOf(lastThirdOf(reps))];
  return { reps, all, lastThird, ...verdictOf(reps, all, lastThird) };
}
