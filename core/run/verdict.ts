import { USUAL_TOLERANCE } from '../paces/paceBook';

/** Early is as much a fault as late: the three-way judgement of a time against its target. */
export type Verdict = 'early' | 'on' | 'late';

/** Within this a time is "on": the pace's tolerance, and never less than half a second, about what a thumb is good for. */
export const toleranceS = (targetS: number, tolerance: number) => Math.max(0.5, targetS * tolerance);

/** Judges `deltaS` (run time less target, in seconds) against the tolerance (a share of the target) of its pace. */
export function verdictOn(deltaS: number, targetS: number, tolerance = USUAL_TOLERANCE): Verdict {
  // A hair of slack, so that rounding does not call a difference shown as the tolerance early or late.
  if (Math.abs(deltaS) <= toleranceS(targetS, tolerance) + 1e-6) return 'on';
  return deltaS < 0 ? 'early' : 'late';
}
