/** Early is as much a fault as late: the three-way judgement of a time against its target. */
export type Verdict = 'early' | 'on' | 'late';

/** Within this a time is "on": 1 % of the target, and never less than half a second, about what a thumb is good for. */
export function toleranceFor(targetS: number): number {
  return Math.max(0.5, targetS * 0.01);
}

/** Judges `deltaS` (run time less target, in seconds) against the tolerance for that target. */
export function verdictOn(deltaS: number, targetS: number): Verdict {
  const toleranceS = toleranceFor(targetS);
  // A hair of slack, so that a difference shown as the tolerance is not called early or late by rounding.
  if (Math.abs(deltaS) <= toleranceS + 1e-6) return 'on';
  return deltaS < 0 ? 'early' : 'late';
}
