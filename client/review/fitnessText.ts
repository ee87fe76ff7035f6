import type { FitnessReading, GoalReps } from '@core/review/fitnessReading';
import type { Equivalent } from '@core/review/fitness';
import type { Goal } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime, formatRest, formatTime } from '@core/units/time';

/** Shorter times are told to a tenth. */
const LONG_S = 300;

/** `16:31 ± 9 s`, `2:16.4 ± 1.9 s` */
function withError({ timeS, errorS }: Equivalent): string {
  const decimals = timeS < LONG_S ? 1 : 0;
  return `${formatTime(timeS, decimals)} ± ${Math.max(decimals ? 0.1 : 1, errorS).toFixed(decimals)}\u00a0s`;
}

const READING_TEXT: Record<FitnessReading['is'], string> = {
  fitter: 'Fitter than their marks said',
  'less-fit': 'Less fit than their marks said',
  'as-known': 'About as fit as their marks said',
};

/** `Fitter than their marks said: 16:31 ± 9 s over 5000, before 16:50 ± 13 s.` */
export function fitnessText({ is, nothingNew, distanceM, before, after }: FitnessReading): string {
  const over = formatDistance(distanceM);
  if (nothingNew) return `Nothing new: still ${withError(before)} over ${over}.`;
  return `${READING_TEXT[is]}: ${withError(after)} over ${over}, before the session ${withError(before)}.`;
}

export const DOUBTFUL_DAY = 'It was hot, windy or wet: times say less about fitness then.';

/** `Held 4 of 5 at goal 5k with 60 s of rest: points to 16:31 ± 9 s; the goal is 16:25.` */
export function goalRepsText(
  { held, of, pace, restS }: GoalReps,
  { distanceM, after }: FitnessReading,
  goal: Goal,
): string {
  const rest = restS === undefined ? '' : ` with ${formatRest(restS)} of rest`;
  const points = distanceM === goal.distanceM ? `: points to ${withError(after)}` : '';
  return `Held ${held} of ${of} at ${pace}${rest}${points}; the goal is ${formatMarkTime(goal.timeS)}.`;
}

/** Of those whom the session says nothing new about. */
export const othersText = (others: number, learnedCount: number): string =>
  learnedCount === 0
    ? 'Nothing new about anyone: what was run and told is what their marks made likely.'
    : `Nothing new about the other${others === 1 ? '' : ` ${others}`}.`;
