/** Usual time of a rep without a target, which decides between a mark on the way and the finish. */
import type { AthleteState, RepRun, RunState } from './runState';

/** A rep's pace in m/s that a runner nobody knows may well run. */
const ANYBODY_MPS = 4;

const medianOf = (values: readonly number[]): number | undefined => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)];
};

/** Mean speeds in m/s of the finished reps that pass a test. */
const speedsOf = ({ runs }: AthleteState, isAlike: (run: RepRun) => boolean): number[] =>
  runs.flatMap((run) => {
    const { rep, finishedAtMs, startedAtMs } = run;
    if (rep.distanceM === undefined || finishedAtMs === undefined || !isAlike(run)) return [];
    return [rep.distanceM / ((finishedAtMs - startedAtMs) / 1000)];
  });

/**
 * Seconds a rep may take that has no target: from the athlete's own reps of that distance, their own curve, what others of the group are to
 * run or ran in that rep, else a pace anybody can run.
 * @returns the target if there is one; undefined for a rep by the clock.
 */
export function usualTimeS(state: RunState, athlete: AthleteState, run: RepRun): number | undefined {
  const { rep, target, repIndex } = run;
  const { distanceM } = rep;
  if (target.targetS !== undefined || distanceM === undefined) return target.targetS;
  const ownMps =
    medianOf(speedsOf(athlete, (other) => other.rep.distanceM === distanceM)) ?? athlete.planned.reserve?.criticalMps;
  // The group is looked through only where it is needed: tiles ask many times a second.
  if (ownMps !== undefined) return distanceM / ownMps;
  const others = Object.values(state.athletes).filter(
    ({ athleteId, groupId }) => groupId === athlete.groupId && athleteId !== athlete.athleteId,
  );
  const meant = others.flatMap(({ runs }) =>
    runs.flatMap((other) =>
      other.repIndex === repIndex && other.rep.distanceM !== undefined && other.target.targetS !== undefined
        ? [other.rep.distanceM / other.target.targetS]
        : [],
    ),
  );
  const ran = others.flatMap((other) => speedsOf(other, (theirs) => theirs.repIndex === repIndex));
  return distanceM / (medianOf(meant) ?? medianOf(ran) ?? ANYBODY_MPS);
}
